/** Who is let in where the server can be asked from elsewhere: who has the access key, as a cookie or with each request. */
import { createHash, timingSafeEqual } from 'node:crypto';

const COOKIE = 'oilwick-access';
const DAYS = 30;
/** What is answered without the key: the page that asks for it, what that page is made of, and whether all is well. */
const OPEN = ['/enter', '/api/entry', '/api/health', '/icon.svg', '/_next/static/'];

/** @returns whether somebody with these headers may ask for this path */
export function isLetIn(headers: Headers, path: string): boolean {
  const key = accessKey();
  if (key === null || OPEN.some((open) => (open.endsWith('/') ? path.startsWith(open) : path === open)))
    return true;
  return hasKey(headers) || isSame(cookieOf(headers), tokenOf(key));
}

/** Whether the access key is sent with the request itself, as a program does: `Authorization: Bearer KEY`. */
export function hasKey(headers: Headers): boolean {
  const key = accessKey();
  const given = /^Bearer (.+)$/.exec(headers.get('authorization') ?? '')?.[1] ?? null;
  return key !== null && isRightKey(given);
}

export function isRightKey(given: string | null): boolean {
  const key = accessKey();
  return key !== null && given !== null && isSame(tokenOf(given), tokenOf(key));
}

/** The cookie by which a browser that gave the key is let in from now on; it holds no more than a sum of the key. */
export function entryCookie(isSecure: boolean): string {
  const parts = [
    `${COOKIE}=${tokenOf(accessKey() ?? '')}`,
    'Path=/',
    'HttpOnly',
    'SameSite=Lax',
    `Max-Age=${DAYS * 24 * 60 * 60}`,
  ];
  return [...parts, ...(isSecure ? ['Secure'] : [])].join('; ');
}

function accessKey(): string | null {
  return process.env.OILWICK_ACCESS_KEY || null;
}

function tokenOf(key: string): string {
  return createHash('sha256').update(`oilwick access ${key}`).digest('hex');
}

function cookieOf(headers: Headers): string | null {
  const all = (headers.get('cookie') ?? '').split(';').map((part) => part.trim());
  return all.find((part) => part.startsWith(`${COOKIE}=`))?.slice(COOKIE.length + 1) ?? null;
}

/** In a time that does not tell how much of it is right. */
function isSame(given: string | null, wanted: string): boolean {
  if (given?.length !== wanted.length) return false;
  return timingSafeEqual(Buffer.from(given), Buffer.from(wanted));
}
