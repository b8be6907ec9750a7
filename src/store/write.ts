import Dexie from 'dexie';
import { entryOf, type StoredFootprint, type TapisDatabase } from './database';

/** Writes footprints with their entries, all or none, and what changes with them: their variants. */
export async function writeFootprints(db: TapisDatabase, rows: readonly StoredFootprint[]): Promise<void> {
  const { footprints, entries } = db;
  await db.transaction('rw', footprints, entries, async () => {
    const ids = rows.map(({ id }) => id);
    const isKin =
      rows.some(({ base }) => base !== undefined) || (await entries.where('base').anyOf(ids).count()) > 0;
    // what tells documents apart is loaded with the first variant; the transaction waits for it
    const written = isKin
      ? await (await Dexie.waitFor(import('./variants'))).withVariants(rows, footprints, entries)
      : [...rows];
    await footprints.bulkPut(written);
    await entries.bulkPut(written.map(entryOf));
  });
}
