import { createServer } from 'node:net';

function tryPort(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(null));
    server.listen(port, '127.0.0.1', () => {
      const { port: got } = server.address();
      server.close(() => resolve(got));
    });
  });
}

/** The wished port of 127.0.0.1 where it is free, else any free one. */
export async function freePort(wished = 0) {
  return (await tryPort(wished)) ?? (await tryPort(0));
}
