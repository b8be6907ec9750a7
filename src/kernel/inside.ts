import { LARGEST_MODEL } from '../core/body/model';
import type { TapisDocument } from '../core/document/document';

/** The file of a model that a document carries inside, taken out of it. */
export interface Inside {
  /** The document without the file. */
  readonly document: TapisDocument;
  /** `null` where there is none, or none that can be taken. */
  readonly file: { readonly key: string; readonly name: string; readonly bytes: Uint8Array } | null;
  /** Why the file was left out, in words; `null` where it was not. */
  readonly trouble: string | null;
}

/** Takes the file out of a document that carries one: unpacked under {@link LARGEST_MODEL} and held to its key. */
export async function takeInside(document: TapisDocument): Promise<Inside> {
  const model = document.body?.model;
  if (!model?.data) return { document, file: null, trouble: null };
  const { data, ...rest } = model;
  const without = { ...document, body: { ...document.body, model: rest } };
  const leave = (why: string): Inside => ({
    document: without,
    file: null,
    trouble: `${document.name}: the model “${model.name}” inside ${why}; the footprint came in without it.`,
  });
  const bytes = await unpackedFile(data);
  if (bytes === 'too large') return leave(`unpacks to more than ${LARGEST_MODEL / 1e6} MB`);
  if (!bytes) return leave('is damaged');
  if ((await keyOf(bytes)) !== model.key) return leave('is not the file that the document knows');
  return { document: without, file: { key: model.key, name: model.name, bytes }, trouble: null };
}

/** SHA-256 of a file, hexadecimal. */
export async function keyOf(bytes: Uint8Array): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', bytes.slice().buffer);
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/**
 * Unpacks a file, counting while it does: what a small text can grow to has no other bound. What was cut off or changed
 * on the way is known by the check sum that every such file ends with (RFC 1952).
 * @param most bytes that it may unpack to
 * @returns `null` where the text is no compressed file, or a damaged one
 */
export async function unpackedFile(
  data: string,
  most = LARGEST_MODEL,
): Promise<Uint8Array | 'too large' | null> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  try {
    const bytes = Uint8Array.from(atob(data), (character) => character.charCodeAt(0));
    const reader = new Blob([bytes]).stream().pipeThrough(new DecompressionStream('gzip')).getReader();
    for (let read = await reader.read(); !read.done; read = await reader.read()) {
      size += read.value.length;
      if (size > most) {
        await reader.cancel();
        return 'too large';
      }
      chunks.push(read.value);
    }
  } catch {
    return null;
  }
  const whole = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}
