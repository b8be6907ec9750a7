import { fail, ok, type Result } from '../core/units/result';
import { problem, type Reply } from './reply';

/** How long a body may take to come in, ms. */
const BODY_TIME = 30_000;
/** Largest body that an endpoint reads, bytes: a document with its model inside, as Tapis exports it, fits. */
export const LARGEST_BODY = 2_000_000;

/** The text of the document in a request's body, or the answer that says why it is not read. */
export async function textIn(request: Request): Promise<Result<string, Reply>> {
  const isOther = otherType(
    request,
    /^application\/(json|[\w.+-]+\+json)\b/i,
    'a Tapis document as application/json',
  );
  if (isOther) return fail(isOther);
  return limitedText(request);
}

/** The answer to a body of another type than it has to be; `null` where it is right. */
export function otherType(request: Request, right: RegExp, send: string): Reply | null {
  const type = request.headers.get('content-type') ?? '';
  return right.test(type)
    ? null
    : problem(
        415,
        'Another type is asked for',
        `The body is “${type || 'of no stated type'}”; send ${send}.`,
      );
}

/** The body's text, or the answer to one that is too long, or comes too slowly. */
async function limitedText(request: Request): Promise<Result<string, Reply>> {
  const bytes = await bytesIn(request, LARGEST_BODY);
  return bytes.ok ? ok(new TextDecoder().decode(bytes.value)) : bytes;
}

/** The body as it is, or the answer to one that is too long, or comes too slowly. @param most bytes */
export async function bytesIn(request: Request, most: number): Promise<Result<Uint8Array, Reply>> {
  const large = () => fail(problem(413, 'Body too large', `At most ${most} bytes are read.`));
  if (Number(request.headers.get('content-length') ?? 0) > most) return large();
  const began = performance.now();
  const chunks: Uint8Array[] = [];
  let size = 0;
  // leaving the loop gives the rest up
  for await (const chunk of chunksOf(request)) {
    size += chunk.byteLength;
    if (size > most) return large();
    if (performance.now() - began > BODY_TIME)
      return fail(problem(408, 'Body too slow', `It has to come in within ${BODY_TIME / 1000} s.`));
    chunks.push(chunk);
  }
  return ok(Buffer.concat(chunks));
}

/**
 * The lines of a request's body as they come in, without empty ones; `null` for one that is longer than what
 * is read. No more than a line is held.
 */
export async function* linesIn(request: Request): AsyncGenerator<string | null> {
  let chunks: Uint8Array[] = [];
  let size = 0;
  const line = (): string | null => {
    const text = size > LARGEST_BODY ? null : new TextDecoder().decode(Buffer.concat(chunks)).trim();
    [chunks, size] = [[], 0];
    return text;
  };
  const take = (bytes: Uint8Array) => {
    size += bytes.byteLength;
    // what is too long already is not kept
    if (size > LARGEST_BODY) chunks = [];
    else chunks.push(bytes);
  };
  for await (const chunk of chunksOf(request)) {
    let from = 0;
    for (let end = chunk.indexOf(NEWLINE); end >= 0; end = chunk.indexOf(NEWLINE, from)) {
      take(chunk.subarray(from, end));
      from = end + 1;
      const text = line();
      if (text !== '') yield text;
    }
    take(chunk.subarray(from));
  }
  const last = line();
  if (last !== '') yield last;
}

const NEWLINE = 10;

const chunksOf = ({ body }: Request): AsyncIterable<Uint8Array> | readonly Uint8Array[] =>
  (body as AsyncIterable<Uint8Array> | null) ?? [];
