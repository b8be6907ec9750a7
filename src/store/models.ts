import type { Model } from '../core/body/model';
import type { TapisDocument } from '../core/document/document';
import { keyOf, takeInside, type Inside } from '../kernel/inside';
import type { StoredModel, TapisDatabase } from './database';

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

  /** Removes the files that none of these documents has. */
  async keepOnly(documents: readonly TapisDocument[]): Promise<void> {
    const used = new Set(documents.map(({ body }) => body?.model?.key));
    const keys = await this.db.models.toCollection().primaryKeys();
    await this.db.models.bulkDelete(keys.filter((key) => !used.has(key)));
  }

  /** Takes the file out of a document that carries one along and keeps it. */
  async unpack(document: TapisDocument): Promise<Inside> {
    const inside = await takeInside(document);
    const { file } = inside;
    if (file && !(await this.get(file.key))) await this.put(file.name, file.bytes, null);
    return inside;
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

/** A file compressed, as text. */
export async function packed(bytes: Uint8Array): Promise<string> {
  const { gzipSync } = await import('fflate');
  // no time of packing: the same file gives the same text
  const small = gzipSync(bytes, { mtime: 0 });
  let text = '';
  for (let i = 0; i < small.length; i += 8192) text += String.fromCharCode(...small.subarray(i, i + 8192));
  return btoa(text);
}
