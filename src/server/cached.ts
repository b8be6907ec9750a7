import { createHash } from 'node:crypto';
import { writeDocument } from '../core/document/write';
import { openDocument } from '../core/footprint/open';
import { BUILD } from './pool';
import { response, type Reply } from './reply';

/**
 * Longest body that is brought into its canonical form for its ETag, letters: longer ones, and those of an earlier
 * version, which have to be drawn to be read, are read once alone, in a thread.
 */
const MOST = 50_000;

/** What a body means, where it is a document: equal documents are equal texts. Others are what they are. */
function meaningOf(body: string | Uint8Array): string | Uint8Array {
  if (typeof body !== 'string' || body.length > MOST || !/"tapis"\s*:\s*2\b/.test(body)) return body;
  const read = openDocument(body);
  return read.ok ? writeDocument(read.value) : body;
}

/**
 * Answers a request whose answer follows from its body and address alone. The answer carries an ETag of both (of a
 * document in its canonical form) and of the build; whoever names that one has the answer already, and nothing is
 * worked out for it.
 * @param body as it came in
 */
export async function byContent(
  request: Request,
  body: string | Uint8Array,
  make: () => Promise<Reply>,
): Promise<Response> {
  const { pathname, search } = new URL(request.url);
  const hash = createHash('sha256').update(`${BUILD}\n${pathname}${search}\n`).update(meaningOf(body));
  const etag = `"${hash.digest('base64url')}"`;
  const held = { etag };
  if (names(request.headers.get('if-none-match'), etag))
    return response({ status: 304, headers: held, body: '' });
  const reply = await make();
  return response(reply.status === 200 ? { ...reply, headers: { ...reply.headers, ...held } } : reply);
}

/** Whether a list of ETags names one, weakly compared as RFC 9110, 13.1.2 has it. */
function names(list: string | null, etag: string): boolean {
  return list?.split(',').some((one) => one.trim().replace(/^W\//, '') === etag) ?? false;
}
