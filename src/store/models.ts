import type { Model } from '../core/body/model';
import type { TapisDocument } from '../core/document/document';
import type { StoredFootprint, StoredModel, TapisDatabase } from './database';

/** Largest file, compressed and as text, that a document carries along, in characters. */
const LARGEST_INSIDE = 1_500_000;

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
   * @returns the document without the file; as it is where the file is damaged or not the one it names
   */
  async unpack(document: TapisDocument): Promise<TapisDocument> {
    const model = document.body?.model;
    if (!model?.data) return document;
    const { data, ...rest } = model;
    const without = { ...document, body: { ...document.body, model: rest } };
    const bytes = await unpacked(data);
    if (!bytes || (await keyOf(bytes)) !== model.key) return without;
    if (!(await this.get(model.key))) await this.put(model.name, bytes, null);
    return without;
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

/** @returns `null` where the text is no compressed file */
async function unpacked(data: string): Promise<Uint8Array | null> {
  const { gunzipSync } = await import('fflate');
  try {
    return gunzipSync(Uint8Array.from(atob(data), (character) => character.charCodeAt(0)));
  } catch {
    return null;
  }
}
