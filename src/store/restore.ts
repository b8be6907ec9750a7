import { strFromU8 } from 'fflate';
import { unpackZip } from '../core/format/unpack';
import type { TapisDocument } from '../core/document/document';
import { backup as validate } from '../core/document/generated/validators.js';
import { isSameFamily, type OwnFamily } from '../core/document/own-family';
import { processDifferences } from '../core/document/process-file';
import { parseJson, type DocumentProblem } from '../core/document/read';
import { readProcess } from '../core/document/read-process';
import { writeDocument, writeTrial } from '../core/document/write';
import type { TrialDocument } from '../core/document/trial';
import { openDocument, openShelf, openTrial } from '../core/footprint/open';
import type { Process } from '../core/process/process';
import { fail, ok, type Result } from '../core/units/result';
import { keyOf } from '../kernel/inside';
import { CONTENTS, type Contents } from './backup';
import { entryOf, type StoredFootprint, type TapisDatabase } from './database';
import { FamilyStore } from './families';
import type { Kept } from './kept';
import { breathe, type Progress } from './pace';
import { ProcessStore } from './processes';
import { bringRows, soundRows } from './rows';

// A backup is first held against what is here, then brought back. What is here and differs is asked about;
// whatever is chosen, nothing that is here is lost.

/** What to do where something is here and in the backup, and differs. */
export type Choice = 'here' | 'backup' | 'both';

/** Something that is here and in the backup, and differs. */
export interface Clash {
  readonly kind: 'footprint' | 'process' | 'family';
  readonly id: string;
  readonly name: string;
  /** When a footprint was changed last, here and there; `null` where that is not kept. */
  readonly here: number | null;
  readonly there: number | null;
}

/** A backup held against what is kept here. */
export interface Comparison {
  readonly contents: Contents;
  /** Footprints of it that are not here. */
  readonly fresh: number;
  /** Footprints that are here as they are there. */
  readonly same: number;
  readonly clashes: readonly Clash[];
  readonly refused: readonly DocumentProblem[];
  readonly documents: ReadonlyMap<string, TapisDocument>;
  /** Documents of kept revisions by the revision's id. */
  readonly revisions: ReadonlyMap<string, TapisDocument>;
  /** Trials by their ids. */
  readonly trials: ReadonlyMap<string, TrialDocument>;
  readonly processes: readonly Process[];
  readonly families: readonly OwnFamily[];
  readonly bytes: Uint8Array;
}

/** Documents that are unpacked at a time. */
const BATCH = 100;

/** Whether a ZIP is a backup of a whole store. */
export function isBackup(bytes: Uint8Array): boolean {
  try {
    return CONTENTS in only(bytes, [CONTENTS]);
  } catch {
    return false;
  }
}

/** Most that files of a backup may come to that are unpacked at a time, in bytes. */
const MOST = 500_000_000;

/** Files of a ZIP by their paths, as far as they are whole; throws where it is none. */
function only(bytes: Uint8Array, paths: readonly string[]): Readonly<Record<string, Uint8Array>> {
  const wanted = new Set(paths);
  const unpacked = unpackZip(bytes, { isWanted: (path) => wanted.has(path), most: MOST });
  if (!unpacked.ok) throw new Error(unpacked.error);
  return unpacked.value.files;
}

/**
 * Holds a backup against what is here.
 * @returns what it would bring, or why it cannot be read; `null` where it was stopped
 */
export async function compareBackup(
  db: TapisDatabase,
  bytes: Uint8Array,
  onDone: Progress = () => true,
): Promise<Result<Comparison, string> | null> {
  try {
    const parsed = parseJson(strFromU8(only(bytes, [CONTENTS])[CONTENTS] ?? new Uint8Array()));
    if (!parsed.ok) return fail(`Its list of contents cannot be read. ${parsed.error[0]?.message ?? ''}`);
    if (!validate(parsed.value)) {
      const [first] = validate.errors ?? [];
      return fail(
        `Its list of contents is not one: ${first?.instancePath ?? ''} ${first?.message ?? 'is not valid'}.`,
      );
    }
    return ok(await compared(db, bytes, parsed.value as unknown as Contents, onDone));
  } catch (error) {
    if (error instanceof Stopped) return null;
    return fail(`It cannot be unpacked: ${error instanceof Error ? error.message : String(error)}.`);
  }
}

class Stopped extends Error {}

async function compared(
  db: TapisDatabase,
  bytes: Uint8Array,
  contents: Contents,
  onDone: Progress,
): Promise<Comparison> {
  const documents = new Map<string, TapisDocument>();
  const refused: DocumentProblem[] = [...soundRows(contents).refused];
  const clashes: Clash[] = [];
  const counts = { fresh: 0, same: 0 };
  const refuse = (path: string, problems: readonly DocumentProblem[]) => {
    for (const { field, message } of problems) refused.push({ field, message: `${path}: ${message}` });
  };
  const missing = (path: string) =>
    refuse(path, [{ field: '', message: 'the file is missing in the backup, or damaged.' }]);

  const { footprints } = contents;
  for (let at = 0; at < footprints.length; at += BATCH) {
    const batch = footprints.slice(at, at + BATCH);
    const files = only(
      bytes,
      batch.map(({ path }) => path),
    );
    const here = await db.footprints.bulkGet(batch.map(({ id }) => id));
    for (const [i, row] of batch.entries()) {
      const file = files[row.path];
      if (!file) {
        missing(row.path);
        continue;
      }
      const read = openDocument(strFromU8(file));
      if (!read.ok) {
        refuse(row.path, read.error);
        continue;
      }
      documents.set(row.id, read.value);
      const own = here[i];
      if (!own) counts.fresh += 1;
      else if (writeDocument(own.document) === writeDocument(read.value)) counts.same += 1;
      else {
        const { name } = own.document;
        clashes.push({ kind: 'footprint', id: row.id, name, here: own.updatedAt, there: row.updatedAt });
      }
    }
    await breathe();
    if (!onDone(Math.min(at + BATCH, footprints.length), footprints.length)) throw new Stopped();
  }

  const readAll = <T>(
    list: readonly { readonly path: string }[],
    read: (text: string, path: string) => Result<T | undefined, DocumentProblem[]>,
  ): T[] => {
    const files = only(
      bytes,
      list.map(({ path }) => path),
    );
    return list.flatMap(({ path }): T[] => {
      const file = files[path];
      const result = file && read(strFromU8(file), path);
      if (!result) missing(path);
      else if (!result.ok) refuse(path, result.error);
      return result?.ok && result.value !== undefined ? [result.value] : [];
    });
  };
  const revisions = new Map<string, TapisDocument>();
  const kept = contents.revisions ?? [];
  const idOf = new Map(kept.map(({ path, id }) => [path, id]));
  for (let at = 0; at < kept.length; at += BATCH) {
    readAll(kept.slice(at, at + BATCH), (text, path) => {
      const read = openDocument(text);
      if (read.ok) revisions.set(idOf.get(path) ?? '', read.value);
      return read;
    });
    await breathe();
  }
  const trials = new Map<string, TrialDocument>();
  const trialIds = new Map((contents.trials ?? []).map(({ path, id }) => [path, id]));
  readAll(contents.trials ?? [], (text, path) => {
    const read = openTrial(text);
    if (read.ok) trials.set(trialIds.get(path) ?? '', read.value);
    return read;
  });
  const processes = readAll(contents.processes, readProcess);
  const ownProcesses = await new ProcessStore(db).list();
  for (const process of processes) {
    const own = ownProcesses.find(({ id }) => id === process.id);
    if (own && processDifferences(own, process).length > 0)
      clashes.push({ kind: 'process', id: own.id, name: own.name, here: null, there: null });
  }
  const families = readAll(contents.families, (text) => {
    const read = openShelf(text);
    return read.ok ? ok(read.value.families[0]) : read;
  });
  for (const family of families) {
    const own = (await new FamilyStore(db).get(family.own.id))?.document;
    if (own && !isSameFamily(own, family))
      clashes.push({
        kind: 'family',
        id: own.own.id,
        name: own.title ?? own.own.id,
        here: null,
        there: null,
      });
  }
  return { contents, ...counts, clashes, refused, documents, revisions, trials, processes, families, bytes };
}

/** What bringing a backup back came to. */
export interface Brought {
  readonly footprints: number;
  readonly models: number;
  readonly processes: number;
  readonly families: number;
  readonly trials: number;
}

/**
 * Brings a backup back. Of what differs, `backup` puts the backup's in place of what is here, which goes into
 * the bin or stays as a copy; `both` adds the backup's beside it; `here` leaves it.
 * @param choose says for each clash what to do
 */
export async function bringBack(
  db: TapisDatabase,
  comparison: Comparison,
  choose: (clash: Clash) => Choice,
): Promise<Brought> {
  const { contents, documents, clashes, bytes } = comparison;
  const choices = new Map(clashes.map((clash) => [`${clash.kind} ${clash.id}`, choose(clash)]));
  const models = await bringModels(db, contents, bytes);
  await bringSources(db, contents, bytes);
  await bringRows(db, soundRows(contents).sound);
  const trials = await bringTrials(db, comparison);
  const { footprints, entries, groups, processes, families, revisions } = db;
  return db.transaction('rw', [footprints, entries, groups, processes, families, revisions], async () => {
    const groupOf = await bringGroups(db, contents);
    const rows: StoredFootprint[] = [];
    const there = new Set(contents.footprints.map(({ id }) => id));
    for (const { path: _path, group, ...whole } of contents.footprints) {
      const { base, edits: _edits, before: _before, ...alone } = whole;
      // a variant whose original is neither here nor there stands for itself
      const isKin = base !== undefined && (there.has(base) || (await footprints.get(base)));
      const about = isKin ? whole : alone;
      const document = documents.get(about.id);
      if (!document) continue;
      const own = await footprints.get(about.id);
      const back: StoredFootprint = {
        ...about,
        document,
        ...(group === undefined ? {} : { group: groupOf(group) }),
      };
      const choice = choices.get(`footprint ${about.id}`);
      if (!own) rows.push(back);
      else if (choice === 'both') {
        const name = `${document.name} (from the backup)`.slice(0, 120);
        rows.push({ ...back, id: crypto.randomUUID(), document: { ...document, name } });
      } else if (choice === 'backup') {
        rows.push({ ...own, id: crypto.randomUUID(), binnedAt: Date.now() });
        // a tab that has it open is told that it was changed
        rows.push({ ...back, revision: own.revision + 1, updatedAt: Date.now() });
      } else if (choice === undefined && own.binnedAt > 0 && back.binnedAt === 0)
        rows.push({ ...own, binnedAt: 0 });
    }
    const came = new Map(rows.map((row) => [row.id, row]));
    await revisions.bulkPut(
      (contents.revisions ?? []).flatMap(({ path: _path, ...about }) => {
        const document = comparison.revisions.get(about.id);
        // those of a footprint that stays as it is here stay as they are here
        return document && came.has(about.footprint) ? [{ ...about, document }] : [];
      }),
    );
    await footprints.bulkPut(rows);
    await entries.bulkPut(rows.map(entryOf));
    return {
      footprints: rows.length,
      models,
      trials,
      processes: await bringOwn(
        new ProcessStore(db),
        comparison.processes,
        ({ id }) => id,
        (id) => choices.get(`process ${id}`),
      ),
      families: await bringOwn(
        new FamilyStore(db),
        comparison.families,
        ({ own }) => own.id,
        (id) => choices.get(`family ${id}`),
      ),
    };
  });
}

/** Keeps the files of models that are not here; one that is not what the backup says it is stays out. */
async function bringModels(db: TapisDatabase, { models }: Contents, bytes: Uint8Array): Promise<number> {
  let count = 0;
  for (const { path, key, name } of models) {
    if (await db.models.get(key)) continue;
    const file = only(bytes, [path])[path];
    if (!file || (await keyOf(file)) !== key) continue;
    await db.models.put({ key, name, bytes: file, model: null });
    count += 1;
    await breathe();
  }
  return count;
}

/** Keeps the datasheets that are not here. */
async function bringSources(db: TapisDatabase, { sources = [] }: Contents, bytes: Uint8Array): Promise<void> {
  for (const { path, key, name } of sources) {
    if (await db.sources.get(key)) continue;
    const file = only(bytes, [path])[path];
    if (file && (await keyOf(file)) === key) await db.sources.put({ key, name, bytes: file });
    await breathe();
  }
}

/** Adds the trials that are not here as they are there; one that differs from what is here comes in beside it. */
async function bringTrials(db: TapisDatabase, { contents, trials }: Comparison): Promise<number> {
  let count = 0;
  for (const { path: _path, ...about } of contents.trials ?? []) {
    const trial = trials.get(about.id);
    const own = await db.trials.get(about.id);
    if (!trial || (own && writeTrial(own.document) === writeTrial(trial))) continue;
    const name = own ? `${trial.name} (from the backup)`.slice(0, 120) : trial.name;
    await db.trials.put({
      ...about,
      document: { ...trial, name },
      ...(own ? { id: crypto.randomUUID() } : {}),
    });
    count += 1;
  }
  return count;
}

/** Makes the groups that are not here. @returns the group here that one of the backup is */
async function bringGroups(db: TapisDatabase, contents: Contents): Promise<(id: string) => string> {
  const here = await db.groups.toArray();
  const byId = new Map(contents.groups.map((group) => [group.id, group]));
  const known = new Map<string, string>();
  const bring = (id: string, depth = 0): string => {
    const group = byId.get(id);
    const done = known.get(id);
    if (done !== undefined || !group || depth > 50) return done ?? '';
    const parent = bring(group.parent, depth + 1);
    const own =
      here.find((one) => one.id === id) ??
      here.find((one) => one.parent === parent && one.name === group.name);
    if (!own) here.push({ ...group, parent });
    known.set(id, own?.id ?? id);
    return own?.id ?? id;
  };
  for (const { id } of contents.groups) bring(id);
  await db.groups.bulkPut(here);
  return (id) => known.get(id) ?? '';
}

/** Where things of one kind are kept by their ids. */
interface OwnStore<T> {
  get(id: string): Promise<Kept<T> | null>;
  keep(one: T): Promise<void>;
  /** Keeps one beside what has its id, under another. */
  add(one: T): Promise<unknown>;
}

/** Brings processes or families. @returns how many came */
async function bringOwn<T>(
  store: OwnStore<T>,
  list: readonly T[],
  idOf: (one: T) => string,
  choiceOf: (id: string) => Choice | undefined,
): Promise<number> {
  let count = 0;
  for (const one of list) {
    const own = (await store.get(idOf(one)))?.document;
    const choice = own ? choiceOf(idOf(one)) : 'both';
    if (choice === undefined || choice === 'here') continue;
    if (choice === 'both') await store.add(one);
    else {
      await store.keep(one);
      if (own) await store.add(own);
    }
    count += 1;
  }
  return count;
}
