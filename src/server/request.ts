import { fail, ok, type Result } from '../core/units/result';
import { problem, type Reply } from './reply';

/** Largest body that an endpoint reads, bytes: a document with its model inside, as Tapis exports it, fits. */
export const LARGEST_BODY = 2_000_000;

/** The text of the document in a request's body, or the answer that says why it is not read. */
export async function textIn(request: Request): Promise<Result<string, Reply>> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/(json|[\w.+-]+\+json)\b/i.test(type)) {
    const detail = `The body is “${type || 'of no stated type'}”; send a Tapis document as application/json.`;
    return fail(problem(415, 'Not JSON', detail));
  }
  const text = await limitedText(request);
  return text === null
    ? fail(problem(413, 'Body too large', `At most ${LARGEST_BODY} bytes are read.`))
    : ok(text);
}

/** The body's text; `null` as soon as it is longer than the limit. */
async function limitedText(request: Request): Promise<string | null> {
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BODY) return null;
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = (await reader.read()) as { done: boolean; value?: Uint8Array };
    if (done || !value) break;
    size += value.byteLength;
    if (size > LARGEST_BODY) {
      await reader.cancel();
      return null;
    }
    chunks.push(value);
  }
  return new TextDecoder().decode(Buffer.concat(chunks));
}
