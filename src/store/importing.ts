import type { TapisDocument } from '../core/document/document';
import type { OwnFamily } from '../core/document/own-family';
import type { DocumentProblem } from '../core/document/read';
import { joined, type ShelfContents } from '../core/document/read-shelf';
import type { Standing } from '../core/document/shelf-file';
import { openShelfInParts } from '../core/footprint/open';
import type { Inside } from '../kernel/inside';
import type { StoredFootprint, TapisDatabase } from './database';
import { FamilyStore } from './families';
import { GroupStore } from './groups';
import { together, type ImportResult } from './import-result';
import { breathe, type Progress } from './pace';
import { ProcessStore } from './processes';
import type { ShelfStore } from './shelf';
import { takeTwin, twinsOf, type Settle, type Twin, type TwinChoice } from './twins';
import { writeFootprints } from './write';

/** How files are brought. */
export interface Bringing {
  /** Told how many documents are read; where it stops that, nothing more is added. */
  readonly onDone?: Progress;
  /** Asked about documents that are here by their names; without it they come beside those. */
  readonly settle?: Settle;
}

/** A text that is to be read, and where it lay. */
interface FileText {
  readonly text: string;
  readonly path?: string;
  /** Names of the groups that it goes into, from the outermost on. */
  readonly folders?: readonly string[];
}

/** What a file holds, with its models and datasheets kept apart. */
interface ReadFile extends Pick<ShelfContents, 'processes' | 'families' | 'standing'> {
  readonly folders: readonly string[];
  readonly documents: readonly TapisDocument[];
}

type Read =
  | { readonly file: ReadFile; readonly refused: readonly DocumentProblem[] }
  | { readonly file: null; readonly refused: readonly DocumentProblem[] }
  | 'stopped';

/** Adds the documents of files; what of them is here already is asked about once for all of them. */
export async function importTexts(
  db: TapisDatabase,
  shelf: ShelfStore,
  texts: readonly FileText[],
  { onDone = () => true, settle }: Bringing = {},
): Promise<ImportResult> {
  const files: ReadFile[] = [];
  const refused: DocumentProblem[] = [];
  for (const [i, one] of texts.entries()) {
    const read = await readFile(shelf, one, texts.length === 1 ? onDone : () => true);
    if (read === 'stopped') return { added: [], here: [], families: [], refused: [] };
    const of = one.path === undefined ? '' : `${one.path}: `;
    refused.push(...read.refused.map(({ field, message }) => ({ field, message: `${of}${message}` })));
    if (read.file) files.push(read.file);
    // what was read until somebody stopped it is taken
    if (texts.length > 1 && !onDone(i + 1, texts.length)) break;
  }
  const documents = files.flatMap((file) => file.documents);
  const twins = settle ? await twinsOf(db, documents) : [];
  const choose = settle && twins.length > 0 ? await settle(twins) : () => 'both' as const;
  if (!choose) return { added: [], here: [], families: [], refused };
  const chosen = new Map(twins.map((twin) => [twin.index, { twin, choice: choose(twin) }]));
  const results: ImportResult[] = [{ added: [], here: [], families: [], refused }];
  let first = 0;
  for (const file of files) {
    results.push(await addFile(db, shelf, file, chosen, first));
    first += file.documents.length;
  }
  return together(results);
}

async function readFile(
  shelf: ShelfStore,
  { text, folders = [] }: FileText,
  onDone: Progress,
): Promise<Read> {
  const parts: ShelfContents[] = [];
  for (const { read, done, all } of openShelfInParts(text)) {
    if (!read.ok) return { file: null, refused: read.error };
    parts.push(read.value);
    await breathe();
    if (!onDone(done, all)) return 'stopped';
  }
  const { documents, standing, processes, families, refused } = joined(parts);
  const unpacked: Inside[] = [];
  for (const document of documents) {
    const bare = await shelf.sources.unpack(document);
    const inside = await shelf.models.unpack(bare.document);
    unpacked.push({ ...inside, trouble: inside.trouble ?? bare.trouble });
    await breathe();
  }
  const troubles = unpacked.flatMap(({ trouble }) =>
    trouble ? [{ field: '/body/model', message: trouble }] : [],
  );
  return {
    file: { folders, standing, processes, families, documents: unpacked.map(({ document }) => document) },
    refused: [...refused, ...troubles],
  };
}

/** @param first place of the file's first document among those of all files */
async function addFile(
  db: TapisDatabase,
  shelf: ShelfStore,
  { folders, documents, standing, processes, families }: ReadFile,
  chosen: ReadonlyMap<number, { readonly twin: Twin; readonly choice: TwinChoice }>,
  first: number,
): Promise<ImportResult> {
  const fresh: number[] = [];
  const here: string[] = [];
  for (const [i, document] of documents.entries()) {
    const { twin, choice = 'both' } = chosen.get(first + i) ?? {};
    // a second document of one name does not write over the first
    const isTaken = choice === 'take' && twin && !twin.holds && !here.includes(twin.id);
    if (isTaken) await takeTwin(db, twin.id, document);
    if (isTaken || choice === 'leave') here.push(twin?.id ?? '');
    else fresh.push(i);
  }
  const groups = new GroupStore(db);
  const group = fresh.length > 0 && folders.length > 0 ? await groups.ensure(folders) : undefined;
  const { footprints, entries, groups: table, processes: own, families: kept } = db;
  // what cannot be kept whole is not kept in part
  const [added, brought] = await db.transaction(
    'rw',
    [footprints, entries, table, own, kept],
    async (): Promise<readonly [StoredFootprint[], OwnFamily[]]> => {
      const [processStore, store] = [new ProcessStore(db), new FamilyStore(db)];
      for (const process of processes) await processStore.add(process);
      const stored: OwnFamily[] = [];
      for (const family of families) stored.push(await store.add(family));
      const some = fresh.flatMap((i) => documents[i] ?? []);
      const places = fresh.map((i) => standing[i]);
      return [
        await addStanding(db, shelf, some, places, group),
        [...stored, ...(await store.addOf(documents))],
      ];
    },
  );
  const rows = await footprints.bulkGet(here);
  return { added, here: rows.flatMap((row) => row ?? []), families: brought, refused: [] };
}

/** Adds documents, each in its group and with its tags. */
async function addStanding(
  db: TapisDatabase,
  shelf: ShelfStore,
  documents: readonly TapisDocument[],
  standing: readonly (Standing | undefined)[],
  group?: string,
): Promise<StoredFootprint[]> {
  const groups = new GroupStore(db);
  const rows = await shelf.add(documents, group);
  const placed: StoredFootprint[] = [];
  const known = new Map<string, string>();
  const groupOf = async (names: readonly string[]): Promise<string> => {
    const key = names.join('\n');
    const id = known.get(key) ?? (await groups.ensure(names));
    known.set(key, id);
    return id;
  };
  for (const [i, row] of rows.entries()) {
    const { group: names = [], tags = [] } = standing[i] ?? {};
    if (names.length === 0 && tags.length === 0) continue;
    const own = names.length > 0 ? { group: await groupOf(names) } : {};
    placed.push({ ...row, ...own, ...(tags.length > 0 ? { tags } : {}) });
  }
  await writeFootprints(db, placed);
  return rows;
}
