import { LARGEST_MODEL, type Model } from '../core/body/model';
import type { TapisDocument } from '../core/document/document';
import type { StoredFootprint, StoredModel, TapisDatabase } from './database';

/** Largest file, compressed and as text, that a document carries along, in characters. */
const LARGEST_INSIDE = 1_500_000;

/** A document without the file it carried along. */
interface Unpacked {
  readonly document: TapisDocument;
  /** Why the file was left out, in words; `null` where it was not. */
  readonly trouble: string | null;
}

/** Imported models in browser storage, by the SHA-256 of their file: a file is kept once. */
export class ModelStore {
  constructor(private readonly db: TapisDatabase) {}

  async get(key: string): Promise<StoredModel | null> {
    return (await this.db.models.get(key)) ?? null;
  }

  async put(name: string, bytes: Uint8Array, model: Model | null): Promise<string> {
    const key = await keyOf(bytes);
    await this.db.models.put({ key, name, bytes, model });
    return key;
  }

  /** Removes the files that none of these footprints has. */
  async keepOnly(footprints: readonly StoredFootprint[]): Promise<void> {
    const used = new Set(footprints.map(({ document }) => document.body?.model?.key));
    const keys = await this.db.models.toCollection().primaryKeys();
    await this.db.models.bulkDelete(keys.filter((key) => !used.has(key)));
  }

  /**
   * Takes the file out of a document that carries one along and keeps it.
   * @returns the document without the file, and in words why the file was left out where it was
   */
  async unpack(document: TapisDocument): Promise<Unpacked> {
    const model = document.body?.model;
    if (!model?.data) return { document, trouble: null };
    const { data, ...rest } = model;
    const without = { ...document, body: { ...document.body, model: rest } };
    const leave = (why: string): Unpacked => ({
      document: without,
      trouble: `${document.name}: the model “${model.name}” inside ${why}; the footprint came in without it.`,
    });
    const bytes = await unpacked(data);
    if (bytes === 'too large') return leave(`unpacks to more than ${LARGEST_MODEL / 1e6} MB`);
    if (!bytes) return leave('is damaged');
    if ((await keyOf(bytes)) !== model.key) return leave('is not the file that the document knows');
    if (!(await this.get(model.key))) await this.put(model.name, bytes, null);
    return { document: without, trouble: null };
  }

  /** The document with the file of its model inside; `null` where the file is not here or too large for that. */
  async pack(document: TapisDocument): Promise<TapisDocument | null> {
    const model = document.body?.model;
    const stored = model && (await this.get(model.key));
    if (!stored) return null;
    const data = await packed(stored.bytes);
    return data.length > LARGEST_INSIDE
      ? null
      : { ...document, body: { ...document.body, model: { ...model, data } } };
  }
}

/** SHA-256 of a file, hexadecimal. */
export async function keyOf(bytes: Uint8Array): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', bytes.slice().buffer);
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

async function packed(bytes: Uint8Array): Promise<string> {
  const { gzipSync } = await import('fflate');
  // no time of packing: the same file gives the same text
  const small = gzipSync(bytes, { mtime: 0 });
  let text = '';
  for (let i = 0; i < small.length; i += 8192) text += String.fromCharCode(...small.subarray(i, i + 8192));
  return btoa(text);
}

/** Compressed bytes that are unpacked at a time. */
const SLICE = 1 << 16;

/**
 * Unpacks a file, counting while it does: what a small text can grow to has no other bound.
 * @returns `null` where the text is no compressed file
 */
async function unpacked(data: string): Promise<Uint8Array | 'too large' | null> {
  const { Gunzip } = await import('fflate');
  const chunks: Uint8Array[] = [];
  let size = 0;
  try {
    const bytes = Uint8Array.from(atob(data), (character) => character.charCodeAt(0));
    let ended = false;
    const stream = new Gunzip((chunk, last) => {
      size += chunk.length;
      ended ||= last;
      if (size <= LARGEST_MODEL) chunks.push(chunk);
    });
    for (let at = 0; at < bytes.length; at += SLICE) {
      stream.push(bytes.subarray(at, at + SLICE), at + SLICE >= bytes.length);
      if (size > LARGEST_MODEL) return 'too large';
    }
    if (!ended) return null;
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
