import { createHash } from 'node:crypto';
import { BUILD } from './pool';
import { response, type Reply } from './reply';

/**
 * Answers a request whose answer follows from its body and address alone. The answer carries an ETag of both
 * and of the build; whoever names that one has the answer already, and nothing is worked out for it.
 * @param body as it came in
 */
export async function byContent(
  request: Request,
  body: string | Uint8Array,
  make: () => Promise<Reply>,
): Promise<Response> {
  const { pathname, search } = new URL(request.url);
  const hash = createHash('sha256').update(`${BUILD}\n${pathname}${search}\n`).update(body);
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
