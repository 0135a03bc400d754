/** What no route can be asked: said before the request reaches one. */

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

export interface Unfit {
  status: number;
  title: string;
  detail: string;
  headers: Record<string, string>;
}

/** @returns why a request cannot be asked, or null where it can */
export function unfitRequest(method: string, url: string): Unfit | null {
  if (!METHODS.includes(method))
    return {
      status: 405,
      title: 'Method not allowed',
      detail: `${method} is not answered here.`,
      headers: { allow: METHODS.join(', ') },
    };
  try {
    decodeURIComponent(url.split('?')[0]);
    return null;
  } catch {
    return {
      status: 400,
      title: 'Address not readable',
      detail: 'The address has a percent sign that no two digits follow, or digits that make no letter.',
      headers: {},
    };
  }
}
