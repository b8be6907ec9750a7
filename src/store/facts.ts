import type { CardDrawing, Facts, Kept } from '../core/library/facts';
import type { Copper } from '../core/library/likeness';
import { newsOf } from '../core/library/news';
import type { ShelfEntry, StoredCopper, StoredFacts, TapisDatabase } from './database';

/** What the Shelf keeps of footprints, so that it need not compile them again. */
export class FactsStore {
  constructor(
    private readonly db: TapisDatabase,
    /** What another build made is made anew. */
    private readonly build: string,
  ) {}

  /** Facts of footprints by their id, those that are of their newest revision. */
  async of(entries: readonly ShelfEntry[]): Promise<Map<string, Facts>> {
    const revisions = new Map(entries.map(({ id, revision }) => [id, revision]));
    const rows = await this.db.facts.toArray();
    return new Map(
      rows.flatMap(({ id, revision, build, facts }) =>
        build === this.build && revisions.get(id) === revision ? [[id, facts] as const] : [],
      ),
    );
  }

  /** Drawings by their footprint's id, as far as they are kept. */
  async drawings(ids: readonly string[]): Promise<Map<string, CardDrawing | null>> {
    const rows = await this.db.drawings.bulkGet([...ids]);
    return new Map(rows.flatMap((row) => (row ? [[row.id, row.drawing] as const] : [])));
  }

  /** The copper of footprints by their id, as far as it is of their newest revision and this build. */
  async coppers(entries: readonly ShelfEntry[]): Promise<Map<string, Copper | null>> {
    const [known, rows] = [await this.of(entries), await this.db.coppers.toArray()];
    return new Map(rows.flatMap(({ id, copper }) => (known.has(id) ? [[id, copper] as const] : [])));
  }

  /**
   * Keeps what was made of some footprints. What another build made otherwise of the same revision is told
   * until it is seen.
   */
  async keep(made: readonly (Kept & { readonly id: string; readonly revision: number })[]): Promise<void> {
    const { facts, drawings, coppers } = this.db;
    await this.db.transaction('rw', facts, drawings, coppers, async () => {
      const ids = made.map(({ id }) => id);
      const [rows, kept] = [await facts.bulkGet(ids), await coppers.bulkGet(ids)];
      await facts.bulkPut(
        made.map((one, i): StoredFacts => {
          const { id, revision, facts: own } = one;
          const was = this.newsOf(one, rows[i], kept[i]);
          return { id, revision, build: this.build, facts: own, ...(was ? { was } : {}) };
        }),
      );
      await coppers.bulkPut(made.map(({ id, revision, copper }) => ({ id, revision, copper })));
      await drawings.bulkPut(made.map(({ id, revision, drawing }) => ({ id, revision, drawing })));
    });
  }

  private newsOf(
    made: Kept & { readonly revision: number },
    row: StoredFacts | undefined,
    copper: StoredCopper | undefined,
  ): StoredFacts['was'] {
    if (row?.revision !== made.revision) return undefined;
    // what nobody has seen yet stays told, also over a further build
    if (row.was || row.build === this.build || copper?.revision !== made.revision) return row.was;
    const changes = newsOf({ facts: row.facts, copper: copper.copper }, made);
    return changes.length > 0 ? { verdict: row.facts.verdict, changes } : undefined;
  }

  /** Footprints that this build makes otherwise than the one before, with what differs. */
  async news(): Promise<readonly StoredFacts[]> {
    const rows = await this.db.facts.where('was.verdict').above('').toArray();
    if (rows.length === 0) return rows;
    const entries = await this.db.entries.bulkGet(rows.map(({ id }) => id));
    return rows.filter((_, i) => entries[i]?.binnedAt === 0);
  }

  /** What this build makes otherwise has been seen. */
  async seen(ids: readonly string[]): Promise<void> {
    const { facts } = this.db;
    await this.db.transaction('rw', facts, async () => {
      for (const row of await facts.bulkGet([...ids])) {
        if (!row) continue;
        const { was: _was, ...rest } = row;
        await facts.put(rest);
      }
    });
  }
}
