import type { CardDrawing, Facts, Kept } from '../core/library/facts';
import type { Copper } from '../core/library/likeness';
import type { ShelfEntry, TapisDatabase } from './database';

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

  /** Keeps what was made of some footprints. */
  async keep(made: readonly (Kept & { readonly id: string; readonly revision: number })[]): Promise<void> {
    const { facts, drawings, coppers } = this.db;
    await this.db.transaction('rw', facts, drawings, coppers, async () => {
      await facts.bulkPut(
        made.map(({ id, revision, facts: own }) => ({ id, revision, build: this.build, facts: own })),
      );
      await coppers.bulkPut(made.map(({ id, revision, copper }) => ({ id, revision, copper })));
      await drawings.bulkPut(made.map(({ id, revision, drawing }) => ({ id, revision, drawing })));
    });
  }
}
