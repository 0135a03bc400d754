/** Gives each page its content policy with a nonce of its own; everything else is checked at the door of the server process. */
import { NextResponse, type NextRequest } from 'next/server';
import { policy } from '@/server/http/guard';

export const config = { matcher: '/((?!api/|_next/static/).*)' };

export function proxy({ headers }: NextRequest): Response {
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const passed = new Headers(headers);
  // Next reads it there and marks its scripts.
  passed.set('content-security-policy', policy(nonce));
  const response = NextResponse.next({ request: { headers: passed } });
  response.headers.set('content-security-policy', policy(nonce));
  return response;
}
