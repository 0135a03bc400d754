/** Who may ask: only pages of our own, under our own names. */

/** The addresses under which this server is asked: those of loopback on its port, and those it was given beside them. */
export function ownOrigins(): string[] {
  const port = process.env.OILWICK_PORT ?? '';
  const near = ['127.0.0.1', 'localhost', '[::1]'].map((name) => `http://${name}${port && `:${port}`}`);
  return [...near, ...givenOrigins()];
}

/** The addresses of `OILWICK_ORIGINS`, with commas between. */
export function givenOrigins(): string[] {
  const text = process.env.OILWICK_ORIGINS ?? '';
  return text.split(',').flatMap((one) => (one.trim() === '' ? [] : [one.trim().replace(/\/$/, '')]));
}

/** Whether one of the origins has this host. */
export function isOwnHost(host: string | null, origins: readonly string[]): boolean {
  return origins.some((origin) => hostOf(origin) === host);
}

const hostOf = (origin: string) => origin.split('://')[1];

export interface Asked {
  method: string;
  host: string | null;
  origin: string | null;
  fetchSite: string | null;
  /** The access key came with the request: it is no page's. */
  hasKey: boolean;
}

/** Why a request is refused, or null where it may pass. */
export function refusal(
  { method, host, origin, fetchSite, hasKey }: Asked,
  origins: readonly string[],
): string | null {
  if (!isOwnHost(host, origins)) return 'This server is not known by that name.';
  const isRead = method === 'GET' || method === 'HEAD';
  if (!isRead)
    return (hasKey && origin === null) || (origins.includes(origin ?? '') && hostOf(origin!) === host)
      ? null
      : 'Changes are taken only from pages of this server.';
  if (fetchSite === 'cross-site' || fetchSite === 'same-site')
    return 'Pages of other sites may not read here.';
  return null;
}

/** The content security policy of a page, for scripts that carry the nonce. */
export function policy(nonce: string): string {
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "base-uri 'none'",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
  ].join('; ');
}
