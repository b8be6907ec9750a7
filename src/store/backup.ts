import type { Zip } from 'fflate';
import { writeDocument, writeFamily, writeProcess, writeTrial } from '../core/document/write';
import type { StoredFootprint, StoredGroup, StoredRevision, StoredTrial, TapisDatabase } from './database';
import { foldersOf } from './groups';
import { breathe, type Progress } from './pace';
import { rowsOf, type Rows } from './rows';
import { ENDING, fileNames } from './zip';

// The whole store as one ZIP: documents in folders as their groups are, files of models as they came,
// processes and families of one's own, and a table that says what each of them is. So it can be brought
// back without loss, and read without Tapis.

/** The file in which a backup says what it holds. */
export const CONTENTS = 'tapis-backup.json';

/** What a backup says of itself. */
export interface Contents extends Rows {
  readonly tapisBackup: 1;
  /** When it was made, as ISO 8601. */
  readonly made: string;
  readonly footprints: readonly (Omit<StoredFootprint, 'document'> & { readonly path: string })[];
  readonly revisions?: readonly (Omit<StoredRevision, 'document'> & { readonly path: string })[];
  readonly trials?: readonly (Omit<StoredTrial, 'document'> & { readonly path: string })[];
  readonly groups: readonly StoredGroup[];
  readonly models: readonly { readonly path: string; readonly key: string; readonly name: string }[];
  readonly sources?: readonly { readonly path: string; readonly key: string; readonly name: string }[];
  readonly processes: readonly { readonly path: string; readonly id: string }[];
  readonly families: readonly { readonly path: string; readonly id: string }[];
}

/**
 * Packs everything that is kept, the bin too. What was begun and left empty stays out.
 * @returns the ZIP in parts, or `null` where it was stopped
 */
export async function makeBackup(
  db: TapisDatabase,
  onDone: Progress = () => true,
): Promise<readonly Uint8Array[] | null> {
  const { strToU8, Zip, ZipDeflate } = await import('fflate');
  const [rows, groups, modelKeys, processes, families] = await Promise.all([
    db.entries.filter(({ blank }) => !blank).toArray(),
    db.groups.toArray(),
    db.models.toCollection().primaryKeys(),
    db.processes.toArray(),
    db.families.toArray(),
  ]);
  const parts: Uint8Array[] = [];
  const trouble: { error: Error | null } = { error: null };
  const zip: Zip = new Zip((error, data) => {
    if (error) trouble.error = error;
    else parts.push(data);
  });
  const pack = (path: string, content: string | Uint8Array) => {
    const file = new ZipDeflate(path, { level: 6 });
    zip.add(file);
    file.push(typeof content === 'string' ? strToU8(content) : content, true);
  };
  const all = rows.length + modelKeys.length;
  let done = 0;
  const step = async () => {
    done += 1;
    await breathe();
    return onDone(done, all);
  };

  const pathOf = fileNames();
  const footprints: Contents['footprints'][number][] = [];
  for (const { id } of rows) {
    const row = await db.footprints.get(id);
    if (!row) continue;
    const { document, ...about } = row;
    const path = pathOf(['footprints', ...foldersOf(groups, row.group), document.name], ENDING);
    footprints.push({ path, ...about });
    pack(path, writeDocument(document));
    if (!(await step())) return null;
  }
  const models: Contents['models'][number][] = [];
  for (const key of modelKeys) {
    const stored = await db.models.get(key);
    if (!stored) continue;
    const path = `models/${key.slice(0, 12)}-${stored.name.replace(/[^\w.+-]+/g, '-')}`;
    models.push({ path, key, name: stored.name });
    pack(path, stored.bytes);
    if (!(await step())) return null;
  }
  const sources: NonNullable<Contents['sources']>[number][] = [];
  for (const key of await db.sources.toCollection().primaryKeys()) {
    const stored = await db.sources.get(key);
    if (!stored) continue;
    const path = `sources/${key.slice(0, 12)}-${stored.name.replace(/[^\w.+-]+/g, '-')}`;
    sources.push({ path, key, name: stored.name });
    pack(path, stored.bytes);
    await breathe();
  }
  const revisions: NonNullable<Contents['revisions']>[number][] = [];
  for (const { document, ...about } of await db.revisions.orderBy('footprint').toArray()) {
    const path = pathOf(['revisions', document.name, String(about.number)], ENDING);
    revisions.push({ path, ...about });
    pack(path, writeDocument(document));
    await breathe();
  }
  const trials = (await db.trials.toArray()).map(({ document, ...about }) => {
    const path = pathOf(['trials', document.name], ENDING);
    pack(path, writeTrial(document));
    return { path, ...about };
  });
  const own = <Row extends { readonly id: string }>(
    folder: string,
    list: readonly Row[],
    write: (row: Row) => string,
  ) =>
    list.map((row) => {
      const path = pathOf([folder, row.id], ENDING);
      pack(path, write(row));
      return { path, id: row.id };
    });
  const contents: Contents = {
    tapisBackup: 1,
    made: new Date().toISOString(),
    footprints,
    revisions,
    trials,
    groups,
    models,
    sources,
    ...(await rowsOf(db)),
    processes: own('processes', processes, ({ document }) => writeProcess(document)),
    families: own('families', families, ({ document }) => writeFamily(document)),
  };
  pack(CONTENTS, `${JSON.stringify(contents, null, 2)}\n`);
  zip.end();
  if (trouble.error) throw trouble.error;
  return parts;
}
