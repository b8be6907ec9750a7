import type { TapisDocument } from '../core/document/document';
import type { OwnFamily } from '../core/document/own-family';
import type { DocumentProblem } from '../core/document/read';
import { writeShelf } from '../core/document/shelf-file';
import type { StoredFootprint, TapisDatabase } from './database';
import { FamilyStore } from './families';
import { ModelStore } from './models';
import { ProcessStore } from './processes';
import { reopen } from './storage';

/** What saving a document came to. */
export type SaveResult =
  | { readonly kind: 'saved'; readonly stored: StoredFootprint }
  /** Somebody else saved since this revision was read; nothing was written. */
  | { readonly kind: 'conflict'; readonly stored: StoredFootprint }
  | { readonly kind: 'gone' };

/** What an imported file brought. */
export interface ImportResult {
  readonly added: readonly StoredFootprint[];
  /** Package families that the gallery has now. */
  readonly families: readonly OwnFamily[];
  readonly refused: readonly DocumentProblem[];
}

/** A whole Shelf as a file's text. */
export interface Backup {
  readonly text: string;
  /** Files of models that are not inside, as they are too large for that or not here. */
  readonly left: readonly string[];
}

/** The Shelf: footprints in browser storage. Originals are never overwritten by what is imported. */
export class ShelfStore {
  readonly models: ModelStore;

  constructor(private readonly db: TapisDatabase) {
    this.models = new ModelStore(db);
  }

  /** Footprints on the Shelf, last changed first. */
  async list(): Promise<StoredFootprint[]> {
    const all = await this.db.footprints.where('binnedAt').equals(0).toArray();
    return all.sort((a, b) => b.updatedAt - a.updatedAt);
  }

  /** Footprints in the bin, last binned first. */
  async listBin(): Promise<StoredFootprint[]> {
    const all = await this.db.footprints.where('binnedAt').above(0).toArray();
    return all.sort((a, b) => b.binnedAt - a.binnedAt);
  }

  async get(id: string): Promise<StoredFootprint | null> {
    return (await this.db.footprints.get(id)) ?? null;
  }

  async add(documents: readonly TapisDocument[]): Promise<StoredFootprint[]> {
    const now = Date.now();
    const rows = documents.map((document, i): StoredFootprint => ({
      id: crypto.randomUUID(),
      document,
      revision: 1,
      createdAt: now,
      // the first of several stays first in the list
      updatedAt: now + documents.length - i,
      binnedAt: 0,
    }));
    await this.db.footprints.bulkAdd(rows);
    return rows;
  }

  /**
   * Adds a copy named after its original; the original is left alone.
   * @param newest its document as it is on the Bench, which may not be written yet
   */
  async duplicate(id: string, newest?: TapisDocument): Promise<StoredFootprint | null> {
    const document = newest ?? (await this.get(id))?.document;
    if (!document) return null;
    const name = `${document.name} (copy)`.slice(0, 120);
    const [copy] = await this.add([{ ...document, name }]);
    return copy ?? null;
  }

  /**
   * Saves a document onto the revision it was read from. Where another tab has saved
   * in between, nothing is written and the other state is returned.
   */
  async save(id: string, document: TapisDocument, revision: number): Promise<SaveResult> {
    await reopen(this.db);
    return this.db.transaction('rw', this.db.footprints, async (): Promise<SaveResult> => {
      const current = await this.db.footprints.get(id);
      if (!current) return { kind: 'gone' };
      if (current.revision !== revision) return { kind: 'conflict', stored: current };
      const stored = { ...current, document, revision: revision + 1, updatedAt: Date.now() };
      await this.db.footprints.put(stored);
      return { kind: 'saved', stored };
    });
  }

  /** Keeps a footprint again that was removed for good, under its old id. */
  async keepAgain(id: string, document: TapisDocument): Promise<StoredFootprint> {
    const now = Date.now();
    const stored = { id, document, revision: 1, createdAt: now, updatedAt: now, binnedAt: 0 };
    await this.db.footprints.put(stored);
    return stored;
  }

  async bin(id: string): Promise<void> {
    await this.db.footprints.update(id, { binnedAt: Date.now() });
  }

  async restore(id: string): Promise<void> {
    await this.db.footprints.update(id, { binnedAt: 0 });
  }

  /** Removes everything in the bin for good, and the files of models that no footprint has any more. */
  async emptyBin(): Promise<void> {
    await this.db.footprints.where('binnedAt').above(0).delete();
    await this.models.keepOnly(await this.db.footprints.toArray());
  }

  /**
   * Adds the documents of a file (one, or a whole Shelf). A file that cannot be read
   * adds nothing; a document that cannot be read leaves the others of its file.
   */
  async importText(text: string): Promise<ImportResult> {
    // reading files is loaded with the first file
    const { openShelf } = await import('../core/footprint/open');
    const read = openShelf(text);
    if (!read.ok) return { added: [], families: [], refused: read.error };
    const unpacked = await Promise.all(read.value.documents.map((document) => this.models.unpack(document)));
    const { footprints, processes: own, families: kept } = this.db;
    const documents = unpacked.map(({ document }) => document);
    // what cannot be kept whole is not kept in part
    const [added, families] = await this.db.transaction('rw', footprints, own, kept, async () => {
      const [processes, store] = [new ProcessStore(this.db), new FamilyStore(this.db)];
      for (const process of read.value.processes) await processes.add(process);
      const brought: OwnFamily[] = [];
      for (const family of read.value.families) brought.push(await store.add(family));
      return [await this.add(documents), [...brought, ...(await store.addOf(documents))]] as const;
    });
    const troubles = unpacked.flatMap(({ trouble }) =>
      trouble ? [{ field: '/body/model', message: trouble }] : [],
    );
    return { added, families, refused: [...read.value.refused, ...troubles] };
  }

  /**
   * The whole Shelf, without its bin, as one file's text: documents with their models inside, and the
   * processes and families of one's own. What it holds comes back in another browser, or at another address.
   */
  async exportAll(): Promise<Backup> {
    const left: string[] = [];
    const documents = await Promise.all(
      (await this.list()).map(async ({ document }) => {
        const packed = await this.models.pack(document);
        if (!packed && document.body?.model) left.push(document.body.model.name);
        return packed ?? document;
      }),
    );
    const processes = await new ProcessStore(this.db).list();
    return { text: writeShelf(documents, processes, await new FamilyStore(this.db).list()), left };
  }
}
