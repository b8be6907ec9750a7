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

/**
 * Reads a file with one document, a family of one's own, or a whole Shelf. In a Shelf each document stands for
 * itself: one that cannot be read is named in `refused` and the others are kept.
 */
export function readShelfFile(text: string, namesOf: LandNames): Result<ShelfContents, DocumentProblem[]> {
  if (text.length > LARGEST_SHELF) {
    const size = `${Math.ceil(text.length / 1e6)} million characters`;
    return fail([{ field: '', message: `The file has ${size}; at most 50 million are read.` }]);
  }
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const value = parsed.value;
  const nothing = { documents: [], standing: [], processes: [], families: [], refused: [] };
  if (isObject(value) && 'tapisFamily' in value) {
    const family = checkFamily(value);
    return family.ok ? ok({ ...nothing, families: [family.value] }) : family;
  }
  if (!isObject(value) || !('tapisShelf' in value)) {
    const single = readDocument(text, namesOf);
    return single.ok ? ok({ ...nothing, documents: [single.value] }) : single;
  }
  if (!validate(value)) {
    const problems = (validate.errors ?? []).map(({ instancePath, message }) => ({
      field: instancePath,
      message: `${instancePath || 'The Shelf file'} ${message ?? 'is not valid'}.`,
    }));
    return fail(problems);
  }
  const brought = value as unknown as {
    documents: unknown[];
    standing?: Standing[];
    processes?: object[];
    families?: object[];
  };
  const documents = eachOf(brought.documents, 'documents', 'Document', (raw) => checkDocument(raw, namesOf));
  const processes = eachOf(brought.processes ?? [], 'processes', 'Process', checkProcess);
  const families = eachOf(brought.families ?? [], 'families', 'Family', checkFamily);
  return ok({
    documents: documents.read,
    // of those that could be read
    standing: documents.places.map((i) => brought.standing?.[i] ?? {}),
    processes: processes.read,
    families: families.read,
    refused: [...documents.refused, ...processes.refused, ...families.refused],
  });
}

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null;

/** Reads each for itself; the problems of those that cannot be read name their place in the file. */
function eachOf<Raw, Read>(
  list: readonly Raw[],
  field: string,
  word: string,
  readOne: (raw: Raw) => Result<Read, DocumentProblem[]>,
): {
  readonly read: readonly Read[];
  /** Where in the file each of them stands. */
  readonly places: readonly number[];
  readonly refused: readonly DocumentProblem[];
} {
  const read: Read[] = [];
  const places: number[] = [];
  const refused: DocumentProblem[] = [];
  list.forEach((raw, i) => {
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
