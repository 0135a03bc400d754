/** The server process: the application behind a check of what can be asked at all. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { unfitRequest, type Unfit } from '../http/request-form';
import { listenAddresses } from './reach';

export async function serveApplication(port: number): Promise<void> {
  const addresses = listenAddresses();
  // Only this process needs it; loading it takes a while.
  const { default: next } = await import('next');
  const application = next({ dev: false, hostname: addresses[0], port });
  await application.prepare();
  const handle = application.getRequestHandler();
  const answer = (request: IncomingMessage, response: ServerResponse) => {
    const unfit = unfitRequest(request.method ?? '', request.url ?? '/');
    if (unfit) refuse(response, unfit);
    else void handle(request, response);
  };
  const servers = addresses.map((address) => createServer(answer).listen(port, address));
  process.on('SIGTERM', () => {
    for (const server of servers) {
      server.close();
      // Streams of changes would stay open for ever.
      server.closeAllConnections();
    }
    process.exit(0);
  });
}

function refuse(response: ServerResponse, { status, title, detail, headers }: Unfit): void {
  response.writeHead(status, { ...headers, 'content-type': 'application/problem+json', connection: 'close' });
  response.end(JSON.stringify({ type: 'about:blank', title, status, detail }));
}
