import type { Process } from '../process/process';
import { fail, ok, type Result } from '../units/result';
import type { TapisDocument } from './document';
import { shelf as validate } from './generated/validators.js';
import type { LandNames } from './migrations';
import type { OwnFamily } from './own-family';
import { checkDocument, parseJson, readDocument, type DocumentProblem } from './read';
import { checkFamily } from './read-family';
import { checkProcess } from './read-process';
import { LARGEST_SHELF, type Standing } from './shelf-file';

/** What a file brought: what could be read, and what was wrong with the rest. */
export interface ShelfContents {
  readonly documents: readonly TapisDocument[];
  /** Where each of the documents stands, in their order. */
  readonly standing: readonly Standing[];
  readonly processes: readonly Process[];
  readonly families: readonly OwnFamily[];
  readonly refused: readonly DocumentProblem[];
}

/** A part of a file that was read, and how far that is. */
export interface ShelfPart {
  readonly read: Result<ShelfContents, DocumentProblem[]>;
  /** Documents of the file that are done, and all. */
  readonly done: number;
  readonly all: number;
}

/** Documents of a Shelf that are read at a stroke. */
const STROKE = 50;

/**
 * Reads a file with one document, a family of one's own, or a whole Shelf. In a Shelf each document stands for
 * itself: one that cannot be read is named in `refused` and the others are kept.
 */
export function readShelfFile(text: string, namesOf: LandNames): Result<ShelfContents, DocumentProblem[]> {
  const parts: ShelfContents[] = [];
  for (const { read } of readShelfParts(text, namesOf)) {
    if (!read.ok) return read;
    parts.push(read.value);
  }
  return ok(joined(parts));
}

/** As {@link readShelfFile}, a stroke at a time: a file that cannot be read at all is one part. */
export function* readShelfParts(text: string, namesOf: LandNames): Generator<ShelfPart, void, void> {
  const whole = (read: ShelfPart['read']): ShelfPart => ({ read, done: 1, all: 1 });
  if (text.length > LARGEST_SHELF) {
    const size = `${Math.ceil(text.length / 1e6)} million characters`;
    return yield whole(fail([{ field: '', message: `The file has ${size}; at most 50 million are read.` }]));
  }
  const parsed = parseJson(text);
  if (!parsed.ok) return yield whole(parsed);
  const value = parsed.value;
  if (isObject(value) && 'tapisFamily' in value) {
    const family = checkFamily(value);
    return yield whole(family.ok ? ok({ ...NOTHING, families: [family.value] }) : family);
  }
  if (!isObject(value) || !('tapisShelf' in value)) {
    const single = readDocument(text, namesOf);
    return yield whole(single.ok ? ok({ ...NOTHING, documents: [single.value] }) : single);
  }
  if (!validate(value)) {
    const problems = (validate.errors ?? []).map(({ instancePath, message }) => ({
      field: instancePath,
      message: `${instancePath || 'The Shelf file'} ${message ?? 'is not valid'}.`,
    }));
    return yield whole(fail(problems));
  }
  const brought = value as unknown as {
    documents: unknown[];
    standing?: Standing[];
    processes?: object[];
    families?: object[];
  };
  const all = brought.documents.length;
  for (let at = 0; at < all; at += STROKE) {
    const documents = eachOf(
      brought.documents.slice(at, at + STROKE),
      'documents',
      'Document',
      (raw) => checkDocument(raw, namesOf),
      at,
    );
    const read = {
      ...NOTHING,
      documents: documents.read,
      // of those that could be read
      standing: documents.places.map((i) => brought.standing?.[i] ?? {}),
      refused: documents.refused,
    };
    yield { read: ok(read), done: Math.min(at + STROKE, all), all };
  }
  const processes = eachOf(brought.processes ?? [], 'processes', 'Process', checkProcess);
  const families = eachOf(brought.families ?? [], 'families', 'Family', checkFamily);
  const rest = {
    ...NOTHING,
    processes: processes.read,
    families: families.read,
    refused: [...processes.refused, ...families.refused],
  };
  yield { read: ok(rest), done: all, all };
}

const NOTHING: ShelfContents = { documents: [], standing: [], processes: [], families: [], refused: [] };

/** What the parts of a file brought. */
export function joined(parts: readonly ShelfContents[]): ShelfContents {
  return {
    documents: parts.flatMap(({ documents }) => documents),
    standing: parts.flatMap(({ standing }) => standing),
    processes: parts.flatMap(({ processes }) => processes),
    families: parts.flatMap(({ families }) => families),
    refused: parts.flatMap(({ refused }) => refused),
  };
}

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null;

/** Reads each for itself; the problems of those that cannot be read name their place in the file. */
function eachOf<Raw, Read>(
  list: readonly Raw[],
  field: string,
  word: string,
  readOne: (raw: Raw) => Result<Read, DocumentProblem[]>,
  /** Place of the first of them. */
  from = 0,
): {
  readonly read: readonly Read[];
  /** Where in the file each of them stands. */
  readonly places: readonly number[];
  readonly refused: readonly DocumentProblem[];
} {
  const read: Read[] = [];
  const places: number[] = [];
  const refused: DocumentProblem[] = [];
  list.forEach((raw, k) => {
    const i = from + k;
    const result = readOne(raw);
    if (result.ok) {
      read.push(result.value);
      places.push(i);
      return;
    }
    for (const { field: inside, message } of result.error)
      refused.push({ field: `/${field}/${i}${inside}`, message: `${word} ${i + 1}: ${message}` });
  });
  return { read, places, refused };
}
