/** Who may ask: only pages of our own, under our own names. */

/** The names under which this server is asked, from the port it listens on. */
export function ownHosts(): string[] {
  const port = process.env.OILWICK_PORT ?? '';
  return ['127.0.0.1', 'localhost', '[::1]'].map((name) => (port === '' ? name : `${name}:${port}`));
}

export interface Asked {
  method: string;
  host: string | null;
  origin: string | null;
  fetchSite: string | null;
}

/** Why a request is refused, or null where it may pass. */
export function refusal({ method, host, origin, fetchSite }: Asked, hosts: readonly string[]): string | null {
  if (host === null || !hosts.includes(host)) return 'This server is not known by that name.';
  const isRead = method === 'GET' || method === 'HEAD';
  if (!isRead)
    return origin === `http://${host}` ? null : 'Changes are taken only from pages of this server.';
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
