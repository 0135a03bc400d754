import { entryCookie, isRightKey } from '@/server/http/access';
import { bytesOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';

export const dynamic = 'force-dynamic';

/** A form of this size holds a key and where to go. */
const FORM_BYTES = 8192;

/** Takes the access key from the page that asks for it, and leads to where somebody wanted to go. */
export const POST = handler(async (request) => {
  const bytes = await bytesOf(request, 'application/x-www-form-urlencoded', FORM_BYTES);
  const form = new URLSearchParams(new TextDecoder().decode(bytes));
  const wanted = form.get('to') ?? '/';
  // Only to a page of this server.
  const to = /^\/(?![/\\])[\w/-]*$/.test(wanted) ? wanted : '/';
  if (!isRightKey(form.get('key')))
    return leadTo(`/enter?${new URLSearchParams({ to, wrong: '1' }).toString()}`);
  const isSecure = (request.headers.get('origin') ?? '').startsWith('https:');
  return leadTo(to, { 'set-cookie': entryCookie(isSecure) });
});

function leadTo(location: string, headers: Record<string, string> = {}): Response {
  return new Response(null, { status: 303, headers: { ...headers, location, 'cache-control': 'no-store' } });
}
