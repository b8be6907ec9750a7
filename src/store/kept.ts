import type { Table } from 'dexie';
import type { KeptHistory } from '../core/document/history';
import type { Saved, SaveResult } from './autosave';
import type { TapisDatabase } from './database';
import { reopen } from './storage';

/** A document as the browser keeps it. Times are milliseconds since 1970. */
export interface Kept<D> extends Saved {
  readonly id: string;
  readonly document: D;
  readonly createdAt: number;
}

/** What a workplace asks of whoever keeps the documents of its kind. */
export interface Keeper<D, T extends Kept<D> = Kept<D>> {
  get(id: string): Promise<T | null>;
  /** What can be undone in a document as it is stored; `null` where that is of another state. */
  historyOf(stored: T): Promise<KeptHistory | null>;
  /**
   * Saves a document onto the revision it was read from. Where somebody else has saved in between, nothing
   * is written and the other state is returned.
   */
  save(id: string, document: D, revision: number, history: KeptHistory | null): Promise<SaveResult<T>>;
  /** Keeps a document again that was removed for good, under its old id. */
  keepAgain(id: string, document: D): Promise<T>;
  /** Adds a copy, named as such, beside what is there. */
  addCopy(document: D): Promise<unknown>;
  /** Takes a document out of the bin. */
  restore(id: string): Promise<void>;
}

/** The name of a copy that another tab’s state is kept beside. */
export const copyName = (name: string): string => `${name} (my tab)`.slice(0, 120);

/** A row that was just made. */
export function keptNow<D>(id: string, document: D): Kept<D> {
  const now = Date.now();
  return { id, document, revision: 1, createdAt: now, updatedAt: now, binnedAt: 0 };
}

/** Documents of one kind in a table of their own. */
export class KeptTable<D> {
  constructor(
    protected readonly db: TapisDatabase,
    protected readonly table: Table<Kept<D>, string>,
  ) {}

  /** Those that are not in the bin, last changed first. */
  async rows(): Promise<Kept<D>[]> {
    const all = await this.table.where('binnedAt').equals(0).toArray();
    return all.sort((a, b) => b.updatedAt - a.updatedAt);
  }

  /** Those in the bin, last binned first. */
  async binned(): Promise<Kept<D>[]> {
    const all = await this.table.where('binnedAt').above(0).toArray();
    return all.sort((a, b) => b.binnedAt - a.binnedAt);
  }

  async get(id: string): Promise<Kept<D> | null> {
    return (await this.table.get(id)) ?? null;
  }

  /** As {@link Keeper.historyOf}. */
  async historyOf({ id, revision }: Kept<D>): Promise<KeptHistory | null> {
    const row = await this.db.histories.get(id);
    return row?.revision === revision ? row.history : null;
  }

  /** As {@link Keeper.save}. */
  async save(
    id: string,
    document: D,
    revision: number,
    history: KeptHistory | null,
  ): Promise<SaveResult<Kept<D>>> {
    await reopen(this.db);
    const { histories } = this.db;
    return this.db.transaction('rw', this.table, histories, async (): Promise<SaveResult<Kept<D>>> => {
      const current = await this.get(id);
      if (!current) return { kind: 'gone' };
      if (current.revision !== revision) return { kind: 'conflict', stored: current };
      const stored = { ...current, document, revision: revision + 1, updatedAt: Date.now() };
      await this.table.put(stored);
      if (history) await histories.put({ id, revision: stored.revision, history });
      return { kind: 'saved', stored };
    });
  }

  /** Puts a document in place of whatever has its id; a tab that works on that is told. */
  protected async put(id: string, document: D): Promise<Kept<D>> {
    return this.db.transaction('rw', this.table, async () => {
      const current = await this.get(id);
      const stored = current
        ? { ...current, document, revision: current.revision + 1, updatedAt: Date.now(), binnedAt: 0 }
        : keptNow(id, document);
      await this.table.put(stored);
      return stored;
    });
  }

  /** As {@link Keeper.keepAgain}. */
  async keepAgain(id: string, document: D): Promise<Kept<D>> {
    return this.put(id, document);
  }

  private async amend(id: string, part: Pick<Kept<D>, 'binnedAt'>): Promise<void> {
    await this.db.transaction('rw', this.table, async () => {
      const row = await this.get(id);
      if (row) await this.table.put({ ...row, ...part });
    });
  }

  bin(id: string): Promise<void> {
    return this.amend(id, { binnedAt: Date.now() });
  }

  restore(id: string): Promise<void> {
    return this.amend(id, { binnedAt: 0 });
  }

  /** Removes one for good. */
  async remove(id: string): Promise<void> {
    const { histories } = this.db;
    await this.db.transaction('rw', this.table, histories, async () => {
      await this.table.delete(id);
      await histories.delete(id);
    });
  }
}
