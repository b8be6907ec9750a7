import { fail, ok, type Result } from '../units/result';
import type { TapisDocument } from './document';
import { shelf as validate } from './generated/validators.js';
import type { LandNames } from './migrations';
import { checkDocument, parseJson, readDocument, type DocumentProblem } from './read';

/** Largest file with a whole Shelf, in characters. */
export const LARGEST_SHELF = 50_000_000;

/** What a file brought: the documents that could be read, and what was wrong with the others. */
export interface ShelfContents {
  readonly documents: readonly TapisDocument[];
  readonly refused: readonly DocumentProblem[];
}

/** Writes documents into one file. */
export function writeShelf(documents: readonly TapisDocument[]): string {
  return `${JSON.stringify({ tapisShelf: 1, documents }, null, 2)}\n`;
}

/**
 * Reads a file with one document or a whole Shelf. In a Shelf each document stands for
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
  if (typeof value !== 'object' || value === null || !('tapisShelf' in value)) {
    const single = readDocument(text, namesOf);
    return single.ok ? ok({ documents: [single.value], refused: [] }) : single;
  }
  if (!validate(value)) {
    const problems = (validate.errors ?? []).map(({ instancePath, message }) => ({
      field: instancePath,
      message: `${instancePath || 'The Shelf file'} ${message ?? 'is not valid'}.`,
    }));
    return fail(problems);
  }
  const documents: TapisDocument[] = [];
  const refused: DocumentProblem[] = [];
  (value as unknown as { documents: unknown[] }).documents.forEach((raw, i) => {
    const read = checkDocument(raw, namesOf);
    if (read.ok) documents.push(read.value);
    else {
      refused.push(
        ...read.error.map(({ field, message }) => ({
          field: `/documents/${i}${field}`,
          message: `Document ${i + 1}: ${message}`,
        })),
      );
    }
  });
  return ok({ documents, refused });
}
