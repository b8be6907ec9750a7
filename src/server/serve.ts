import sirv from 'sirv';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { front } from './front';
import { closePool } from './pool';
import { workerPolicy } from './worker-policy';

/** Answers a request for what is no file. */
export type Handler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: undefined,
  locals: App.Locals,
) => Promise<void>;

export interface Serving {
  readonly port: number;
  readonly host: string;
  /** Further names, with their port, that the server is called by, as behind a proxy. */
  readonly alsoCalled: readonly string[];
  /** The folder with the files for the browser. */
  readonly files: string;
  readonly pages: Handler;
}

/** How long a request that has begun may take once the server is asked to end, ms. */
const DRAIN = 10_000;
/** How long a connection may lie still while a request comes in or its answer goes out, ms. */
const STILL = 120_000;

/** Serves Tapis: what stands in front, then files (compressed when they were built), then pages and endpoints. */
export function serve({ port, host, alsoCalled, files, pages }: Serving): Promise<Server> {
  const file = sirv(files, {
    etag: true,
    brotli: true,
    gzip: true,
    setHeaders(response, path) {
      const policy = workerPolicy(path);
      if (policy) response.setHeader('content-security-policy', policy);
      // the name of such a file holds the hash of its content
      if (path.startsWith('/_astro/'))
        response.setHeader('cache-control', 'public, max-age=31536000, immutable');
    },
  });
  const names = new Set<string>();
  const server = createServer(
    // a batch comes in for as long as it takes; what stops coming is ended
    { requestTimeout: 0, headersTimeout: 10_000 },
    (request: IncomingMessage, response: ServerResponse) => {
      if (front(request, response, names))
        file(request, response, () => {
          void pages(request, response, undefined, { drained: () => drained(response) });
        });
    },
  );
  server.setTimeout(STILL);
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      const address = server.address();
      const got = typeof address === 'object' && address ? address.port : port;
      for (const name of [host, 'localhost', '127.0.0.1', '[::1]']) names.add(`${name}:${got}`);
      for (const name of alsoCalled) names.add(name.toLowerCase());
      resolve(server);
    });
  });
}

/** Waits until an answer has room for more. */
async function drained(response: ServerResponse): Promise<void> {
  if (!response.writableNeedDrain || response.destroyed) return;
  await new Promise<void>((resolve) => {
    response.once('drain', resolve);
    response.once('close', resolve);
  });
}

/** Ends a server: takes nothing new, lets what has begun end, then closes. */
export async function drain(server: Server): Promise<void> {
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  const hurry = setTimeout(() => server.closeAllConnections(), DRAIN);
  await closed;
  clearTimeout(hurry);
  await closePool();
}
