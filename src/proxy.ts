/** Before every request: host, origin and access key are checked, pages get their policy with a nonce of their own. */
import { NextResponse, type NextRequest } from 'next/server';
import { hasKey, isLetIn } from '@/server/http/access';
import { ownOrigins, policy, refusal } from '@/server/http/guard';
import { problem } from '@/server/http/problem';

export function proxy(request: NextRequest): Response {
  const { headers, method, nextUrl } = request;
  const origins = ownOrigins();
  const refused = refusal(
    {
      method,
      host: headers.get('host'),
      origin: headers.get('origin'),
      fetchSite: headers.get('sec-fetch-site'),
      hasKey: hasKey(headers),
    },
    origins,
  );
  // A link on another page may lead here; only what it could read or change from there is refused.
  const isVisit =
    method === 'GET' &&
    headers.get('sec-fetch-mode') === 'navigate' &&
    origins.some((one) => one.split('://')[1] === headers.get('host'));
  if (refused && !isVisit) return problem(403, 'Refused', refused);
  const isPage = !nextUrl.pathname.startsWith('/api/');
  if (!isLetIn(headers, nextUrl.pathname)) {
    if (!isPage)
      return problem(401, 'Access key is missing', 'Enter the access key on a page of this server first.');
    const to = new URLSearchParams({ to: nextUrl.pathname });
    return NextResponse.redirect(new URL(`/enter?${to.toString()}`, request.url), 303);
  }
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const passed = new Headers(headers);
  if (isPage) passed.set('content-security-policy', policy(nonce));
  const response = NextResponse.next({ request: { headers: passed } });
  const set = response.headers;
  if (isPage) set.set('content-security-policy', policy(nonce));
  else set.set('content-security-policy', "default-src 'none'; frame-ancestors 'none'");
  set.set('cross-origin-opener-policy', 'same-origin');
  set.set('cross-origin-embedder-policy', 'require-corp');
  set.set('cross-origin-resource-policy', 'same-origin');
  set.set('x-content-type-options', 'nosniff');
  set.set('referrer-policy', 'same-origin');
  return response;
}
