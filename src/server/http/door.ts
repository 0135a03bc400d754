/** The door of the server process: what may pass, before anything of the application sees it. */
import { hasKey, isLetIn } from './access';
import { isOwnHost, ownOrigins, refusal } from './guard';

/** An answer that is given at the door. */
export interface DoorAnswer {
  status: number;
  headers: Record<string, string>;
  /** As problem+json; a redirect has none. */
  problem: { title: string; detail: string } | null;
}

/** @returns what is answered at once, or null where the request may pass */
export function askedAtDoor(method: string, url: string, headers: Headers): DoorAnswer | null {
  const unfit = unfitRequest(method, url);
  if (unfit) return unfit;
  const origins = ownOrigins();
  const host = headers.get('host');
  const refused = refusal(
    {
      method,
      host,
      origin: headers.get('origin'),
      fetchSite: headers.get('sec-fetch-site'),
      hasKey: hasKey(headers),
    },
    origins,
  );
  // A link on another page may lead here; only what it could read or change from there is refused.
  const isVisit =
    method === 'GET' && headers.get('sec-fetch-mode') === 'navigate' && isOwnHost(host, origins);
  if (refused !== null && !isVisit) return answer(403, 'Refused', refused);
  const path = url.split('?')[0];
  if (isLetIn(headers, path)) return null;
  if (isApi(path))
    return answer(401, 'Access key is missing', 'Enter the access key on a page of this server first.');
  const to = new URLSearchParams({ to: path });
  return { status: 303, headers: { location: `/enter?${to.toString()}` }, problem: null };
}

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

/** @returns why no route can be asked this, or null where one can */
export function unfitRequest(method: string, url: string): DoorAnswer | null {
  if (!METHODS.includes(method))
    return answer(405, 'Method not allowed', `${method} is not answered here.`, {
      allow: METHODS.join(', '),
    });
  try {
    decodeURIComponent(url.split('?')[0]);
    return null;
  } catch {
    return answer(
      400,
      'Address not readable',
      'The address has a percent sign that no two digits follow, or digits that make no letter.',
    );
  }
}

/** Headers of every answer, whoever gives it; pages have a content policy of their own. */
export function doorHeaders(url: string): Record<string, string> {
  return {
    ...(isApi(url) ? { 'content-security-policy': "default-src 'none'; frame-ancestors 'none'" } : {}),
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-embedder-policy': 'require-corp',
    'cross-origin-resource-policy': 'same-origin',
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
  };
}

const isApi = (path: string) => path.startsWith('/api/');

function answer(
  status: number,
  title: string,
  detail: string,
  headers: Record<string, string> = {},
): DoorAnswer {
  return { status, headers, problem: { title, detail } };
}
