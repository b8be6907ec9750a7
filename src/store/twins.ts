import { canonical } from '../core/document/canonical';
import { editsBetween } from '../core/document/difference';
import type { TapisDocument } from '../core/document/document';
import type { StoredFootprint, TapisDatabase } from './database';
import { RevisionStore } from './revisions';
import { writeFootprints } from './write';

// A file brings documents that are on the Shelf by their names already: the same, or another state of it. Nobody
// wants a second one unasked, and nothing here is written over unasked.

/** A document of a file, and the footprint on the Shelf that is called the same. */
export interface Twin {
  /** Its place among the documents of the file. */
  readonly index: number;
  readonly name: string;
  /** Id of the one on the Shelf. */
  readonly id: string;
  /** JSON pointers of what differs; none where they are the same. */
  readonly differs: readonly string[];
  /** Why the file's cannot take the place of the one here: `null` where it can. */
  readonly holds: 'approved' | 'variant' | null;
  /** When the one here was changed last. */
  readonly at: number;
}

/** What becomes of a document of a file: it is left, comes beside the one here, or takes its place. */
export type TwinChoice = 'leave' | 'both' | 'take';

/** Asked what becomes of them; `null` leaves the whole file. */
export type Settle = (twins: readonly Twin[]) => Promise<((twin: Twin) => TwinChoice) | null>;

/** What of some documents is on the Shelf by its name; of several there the one that differs least. */
export async function twinsOf(db: TapisDatabase, documents: readonly TapisDocument[]): Promise<Twin[]> {
  const names = new Set(documents.map(({ name }) => name));
  const rows = new Map<string, StoredFootprint[]>();
  const entries = (await db.entries.toArray()).filter(
    ({ name, binnedAt, blank }) => binnedAt === 0 && !blank && names.has(name),
  );
  for (const row of await db.footprints.bulkGet(entries.map(({ id }) => id)))
    if (row) rows.set(row.document.name, [...(rows.get(row.document.name) ?? []), row]);
  return documents.flatMap((document, index): Twin[] => {
    const all = (rows.get(document.name) ?? []).map((row) => ({
      row,
      differs: differencesOf(row, document),
    }));
    const [best] = all.sort(
      (a, b) => a.differs.length - b.differs.length || b.row.updatedAt - a.row.updatedAt,
    );
    if (!best) return [];
    const { row, differs } = best;
    const holds = row.locked !== undefined ? 'approved' : row.base !== undefined ? 'variant' : null;
    return [{ index, name: document.name, id: row.id, differs, holds, at: row.updatedAt }];
  });
}

/** In the order of files; neither the schema's address nor the version of a file is what a person means. */
function differencesOf({ document: here }: StoredFootprint, there: TapisDocument): string[] {
  return editsBetween(canonical(here), canonical(there))
    .map(({ at }) => at)
    .filter((at) => at !== '/$schema' && at !== '/tapis');
}

/** Puts the file's document in the place of the one here, which stays as a revision. */
export async function takeTwin(db: TapisDatabase, id: string, document: TapisDocument): Promise<void> {
  await new RevisionStore(db).keep(id, 'draft', 'Before the one of a file was taken');
  await db.transaction('rw', db.footprints, db.entries, async () => {
    const row = await db.footprints.get(id);
    if (!row) return;
    const next = { ...row, document, revision: row.revision + 1, updatedAt: Date.now() };
    await writeFootprints(db, [next]);
  });
}
