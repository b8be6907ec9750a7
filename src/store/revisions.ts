import { applyEdits } from '../core/document/edit';
import type { StoredRevision, TapisDatabase, RevisionState } from './database';
import { entryOf } from './database';

// A revision is kept on purpose, with a state and a note. The approved one locks its footprint: what goes on
// from it is the next.

/** Revisions of footprints that were kept. */
export class RevisionStore {
  constructor(private readonly db: TapisDatabase) {}

  /** Those of a footprint, the first first. */
  async list(footprint: string): Promise<StoredRevision[]> {
    const rows = await this.db.revisions.where('footprint').equals(footprint).toArray();
    return rows.sort((a, b) => a.number - b.number);
  }

  /** Keeps what a footprint is now. @returns `null` where there is no such footprint */
  async keep(footprint: string, state: RevisionState, note: string): Promise<StoredRevision | null> {
    const { revisions, footprints, entries } = this.db;
    return this.db.transaction('rw', revisions, footprints, entries, async () => {
      const row = await footprints.get(footprint);
      if (!row) return null;
      const last = (await this.list(footprint)).at(-1);
      const kept: StoredRevision = {
        id: crypto.randomUUID(),
        footprint,
        number: (last?.number ?? 0) + 1,
        state,
        note: note.slice(0, 2000),
        at: Date.now(),
        document: row.document,
      };
      await revisions.add(kept);
      const { locked: _locked, ...rest } = row;
      const next = state === 'approved' ? { ...rest, locked: kept.number } : rest;
      await footprints.put(next);
      await entries.put(entryOf(next));
      return kept;
    });
  }

  /** Says of a kept revision how it stands now. One that is no more approved locks nothing. */
  async mark(id: string, state: RevisionState): Promise<void> {
    const { revisions, footprints, entries } = this.db;
    await this.db.transaction('rw', revisions, footprints, entries, async () => {
      const revision = await revisions.get(id);
      if (!revision) return;
      await revisions.update(id, { state });
      const row = await footprints.get(revision.footprint);
      if (row?.locked !== revision.number || state === 'approved') return;
      const { locked: _locked, ...rest } = row;
      await footprints.put(rest);
      await entries.put(entryOf(rest));
    });
  }

  /**
   * Goes on from an approved revision: its footprint can be changed again, and a variant follows again. What came by
   * a link stands on the Shelf from then on.
   */
  async goOn(footprint: string): Promise<void> {
    const { footprints, entries } = this.db;
    await this.db.transaction('rw', footprints, entries, async () => {
      const row = await footprints.get(footprint);
      if (row?.locked === undefined) return;
      const { locked: _locked, blank: _blank, ...rest } = row;
      const base = row.base === undefined ? undefined : await footprints.get(row.base);
      const document = base ? applyEdits(base.document, row.edits ?? []) : row.document;
      const next = {
        ...rest,
        document,
        ...(document === row.document ? {} : { before: row.document, revision: row.revision + 1 }),
      };
      await footprints.put(next);
      await entries.put(entryOf(next));
    });
  }
}
