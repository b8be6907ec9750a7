import type { KeptHistory } from '../core/document/history';
import type { TrialDocument } from '../core/document/trial';
import type { SaveResult } from './autosave';
import type { StoredTrial, TapisDatabase } from './database';
import { reopen } from './storage';

/** Trials in browser storage. */
export class TrialStore {
  constructor(private readonly db: TapisDatabase) {}

  /** Those that are not in the bin, last changed first. */
  async list(): Promise<StoredTrial[]> {
    const all = await this.db.trials.where('binnedAt').equals(0).toArray();
    return all.sort((a, b) => b.updatedAt - a.updatedAt);
  }

  /** Those in the bin, last binned first. */
  async binned(): Promise<StoredTrial[]> {
    const all = await this.db.trials.where('binnedAt').above(0).toArray();
    return all.sort((a, b) => b.binnedAt - a.binnedAt);
  }

  async get(id: string): Promise<StoredTrial | null> {
    return (await this.db.trials.get(id)) ?? null;
  }

  async add(trial: TrialDocument): Promise<StoredTrial> {
    const now = Date.now();
    const stored = {
      id: crypto.randomUUID(),
      trial,
      revision: 1,
      createdAt: now,
      updatedAt: now,
      binnedAt: 0,
    };
    await this.db.trials.add(stored);
    return stored;
  }

  /** What can be undone in a trial as it is stored; `null` where that is of another state. */
  async historyOf({ id, revision }: StoredTrial): Promise<KeptHistory | null> {
    const row = await this.db.histories.get(id);
    return row?.revision === revision ? row.history : null;
  }

  /**
   * Saves a trial onto the revision it was read from. Where another tab has saved in between, nothing is
   * written and the other state is returned.
   */
  async save(
    id: string,
    trial: TrialDocument,
    revision: number,
    history: KeptHistory | null,
  ): Promise<SaveResult<StoredTrial>> {
    await reopen(this.db);
    const { trials, histories } = this.db;
    return this.db.transaction('rw', trials, histories, async (): Promise<SaveResult<StoredTrial>> => {
      const current = await trials.get(id);
      if (!current) return { kind: 'gone' };
      if (current.revision !== revision) return { kind: 'conflict', stored: current };
      const stored = { ...current, trial, revision: revision + 1, updatedAt: Date.now() };
      await trials.put(stored);
      if (history) await histories.put({ id, revision: stored.revision, history });
      return { kind: 'saved', stored };
    });
  }

  async bin(id: string): Promise<void> {
    await this.db.trials.update(id, { binnedAt: Date.now() });
  }

  async restore(id: string): Promise<void> {
    await this.db.trials.update(id, { binnedAt: 0 });
  }

  /** The trials that hold a footprint of the Shelf. */
  async holding(footprint: string): Promise<StoredTrial[]> {
    return (await this.list()).filter(({ trial }) =>
      Object.values(trial.footprints ?? {}).some(({ from }) => from === footprint),
    );
  }

  /** Removes a trial for good. */
  async remove(id: string): Promise<void> {
    const { trials, histories } = this.db;
    await this.db.transaction('rw', trials, histories, async () => {
      await trials.delete(id);
      await histories.delete(id);
    });
  }
}
