import type { TapisDocument } from '../core/document/document';
import type { TrialDocument, TrialFootprint } from '../core/document/trial';
import type { StoredTrial, TapisDatabase } from './database';
import { copyName, KeptTable } from './kept';
import { ModelStore } from './models';
import { SourceStore } from './sources';

/** The documents of the footprints that a trial holds. */
export const documentsOf = ({ footprints = {} }: TrialDocument): TapisDocument[] =>
  Object.values(footprints).map(({ document }) => document);

/** Trials in browser storage. */
export class TrialStore extends KeptTable<TrialDocument> {
  constructor(db: TapisDatabase) {
    super(db, db.trials);
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
    return this.put(crypto.randomUUID(), trial);
  }

  async addCopy(trial: TrialDocument): Promise<void> {
    await this.add({ ...trial, name: copyName(trial.name) });
  }

  /** The trials that hold a footprint of the Shelf. */
  async holding(footprint: string): Promise<StoredTrial[]> {
    return (await this.rows()).filter(({ document }) =>
      Object.values(document.footprints ?? {}).some(({ from }) => from === footprint),
    );
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
