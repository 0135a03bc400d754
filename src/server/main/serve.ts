/** The server process: the application behind a check of what can be asked at all. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { fileURLToPath } from 'node:url';
import { askedAtDoor, doorHeaders, type DoorAnswer } from '../http/door';
import { readOnThreads } from '../reading/reader';
import { listenAddresses } from './reach';

/**
 * How long a connection that nobody uses stays open, ms: longer than clients keep theirs, so that none sends on one that is
 * being closed.
 */
const IDLE_MS = 75_000;

export async function serveApplication(port: number): Promise<void> {
  const addresses = listenAddresses();
  readOnThreads(fileURLToPath(new URL('reading-thread.mjs', import.meta.url)));
  // Only this process needs it; loading it takes a while.
  const { default: next } = await import('next');
  const application = next({ dev: false, hostname: addresses[0], port });
  await application.prepare();
  const handle = application.getRequestHandler();
  const answer = (request: IncomingMessage, response: ServerResponse) => {
    const { method = '', url = '/' } = request;
    for (const [name, value] of Object.entries(doorHeaders(url))) response.setHeader(name, value);
    const atDoor = askedAtDoor(method, url, headersOf(request));
    if (atDoor) refuse(response, atDoor);
    else void handle(request, response);
  };
  const servers = addresses.map((address) =>
    createServer({ keepAliveTimeout: IDLE_MS }, answer).listen(port, address),
  );
  process.on('SIGTERM', () => {
    for (const server of servers) {
      server.close();
      // Streams of changes would stay open for ever.
      server.closeAllConnections();
    }
    process.exit(0);
  });
}

function headersOf(request: IncomingMessage): Headers {
  const pairs = Object.entries(request.headers).flatMap(([name, value]): [string, string][] =>
    typeof value === 'string' ? [[name, value]] : [],
  );
  return new Headers(pairs);
}

function refuse(response: ServerResponse, { status, headers, problem }: DoorAnswer): void {
  if (!problem) {
    response.writeHead(status, headers).end();
    return;
  }
  // What is still coming of a body is not read.
  const type = { 'content-type': 'application/problem+json', connection: 'close' };
  response.writeHead(status, { ...headers, ...type });
  response.end(JSON.stringify({ type: 'about:blank', ...problem, status }));
}
