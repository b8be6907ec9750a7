import type { IncomingMessage, ServerResponse } from 'node:http';
import { problem } from './reply';

/** Sent with every answer; pages say their own content policy, with the hashes of their scripts. */
const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
  'cache-control': 'no-cache',
};

const READING = ['GET', 'HEAD'];

/**
 * What every request passes before anything else looks at it, however the server was started: headers,
 * the name that it was called by, where it comes from, and an address that can be read.
 * @param names hosts, with their port, that this server is called by
 * @returns whether the request goes on; where not, it is answered
 */
export function front(
  request: IncomingMessage,
  response: ServerResponse,
  names: ReadonlySet<string>,
): boolean {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  const { method = 'GET', url = '/' } = request;
  const { host = '', origin } = request.headers;
  const refuse = (status: number, title: string, detail: string): false => {
    const { headers, body } = problem(status, title, detail);
    response.writeHead(status, { ...headers }).end(method === 'HEAD' ? undefined : body);
    return false;
  };
  // another name that leads here belongs to somebody who would read along
  if (!names.has(host.toLowerCase()))
    return refuse(421, 'Not the name of this server', `It answers to ${[...names].join(', ')}.`);
  if (READING.includes(method)) {
    if (!isReadable(url)) request.url = '/bad-address';
    return true;
  }
  if (!url.startsWith('/api/') && !url.startsWith('/schema/')) {
    response.setHeader('allow', READING.join(', '));
    return refuse(405, 'Method not allowed', `Pages and files answer ${READING.join(' and ')}.`);
  }
  // what works for a page of somebody else is nobody's wish
  if (origin !== undefined && !names.has(origin.toLowerCase().replace(/^https?:\/\//, '')))
    return refuse(403, 'Asked from elsewhere', `Pages of ${origin} may not ask this server to work.`);
  if (!isReadable(url)) return refuse(400, 'Not an address', 'The path cannot be read.');
  return true;
}

function isReadable(url: string): boolean {
  try {
    decodeURI(url);
    return url.startsWith('/');
  } catch {
    return false;
  }
}
