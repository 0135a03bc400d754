import { createServer } from 'node:net';

/** A port on loopback that nobody listens on; the preferred one if it is free. */
export async function freePort(preferred = 0): Promise<number> {
  try {
    return await probe(preferred);
  } catch {
    return probe(0);
  }
}

function probe(port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address ? address.port : port));
    });
  });
}
