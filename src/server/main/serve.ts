/** The server process: the application behind a check of what can be asked at all. */
import { createServer, type ServerResponse } from 'node:http';
import { unfitRequest, type Unfit } from '../http/request-form';

const HOST = '127.0.0.1';

export async function serveApplication(port: number): Promise<void> {
  // Only this process needs it; loading it takes a while.
  const { default: next } = await import('next');
  const application = next({ dev: false, hostname: HOST, port });
  await application.prepare();
  const handle = application.getRequestHandler();
  const server = createServer((request, response) => {
    const unfit = unfitRequest(request.method ?? '', request.url ?? '/');
    if (unfit) refuse(response, unfit);
    else void handle(request, response);
  });
  server.listen(port, HOST);
  process.on('SIGTERM', () => {
    server.close(() => process.exit(0));
    // Streams of changes would stay open for ever.
    server.closeAllConnections();
  });
}

function refuse(response: ServerResponse, { status, title, detail, headers }: Unfit): void {
  response.writeHead(status, { ...headers, 'content-type': 'application/problem+json', connection: 'close' });
  response.end(JSON.stringify({ type: 'about:blank', title, status, detail }));
}
