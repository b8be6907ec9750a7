import type { TapisDocument } from '../core/document/document';
import type { KeptHistory } from '../core/document/history';
import type { TrialDocument, TrialFootprint } from '../core/document/trial';
import type { SaveResult } from './autosave';
import type { StoredTrial, TapisDatabase } from './database';
import { ModelStore } from './models';
import { SourceStore } from './sources';
import { reopen } from './storage';

/** The documents of the footprints that a trial holds. */
export const documentsOf = ({ footprints = {} }: TrialDocument): TapisDocument[] =>
  Object.values(footprints).map(({ document }) => document);

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

  /** The trial with the files of its models and datasheets inside, as far as they are here. */
  async packed(trial: TrialDocument): Promise<TrialDocument> {
    const [models, sources] = [new ModelStore(this.db), new SourceStore(this.db)];
    return eachDocument(trial, async (document) => {
      const whole = (await models.pack(document)) ?? document;
      return (await sources.pack(whole)).document;
    });
  }

  /** Adds a trial that was read from a file: what it carries inside is kept as the Shelf keeps it. */
  async bring(trial: TrialDocument): Promise<StoredTrial> {
    const [models, sources] = [new ModelStore(this.db), new SourceStore(this.db)];
    const bare = await eachDocument(trial, async (document) => {
      const without = await sources.unpack(document);
      return (await models.unpack(without.document)).document;
    });
    return this.add(bare);
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

async function eachDocument(
  trial: TrialDocument,
  change: (document: TapisDocument) => Promise<TapisDocument>,
): Promise<TrialDocument> {
  if (!trial.footprints) return trial;
  const footprints: Record<string, TrialFootprint> = {};
  for (const [key, one] of Object.entries(trial.footprints))
    footprints[key] = { ...one, document: await change(one.document) };
  return { ...trial, footprints };
}
