import { fail, ok, type Result } from '../units/result';
import { standardOf } from '../standard/resolve';
import type { ClauseProblem, StandardDocument } from '../standard/standard';
import { standard as validate } from './generated/validators.js';
import { describeErrors, parseJson, type DocumentProblem } from './read';

/** Largest file with a standard, in characters. */
const LARGEST_STANDARD = 1_000_000;

/** A standard as it was read, and its clauses that cannot be used or say no reason: they are kept as they are. */
export interface StandardRead {
  readonly standard: StandardDocument;
  readonly problems: readonly ClauseProblem[];
}

/**
 * Reads a house standard from a file's text.
 * @returns the standard with what is to be said of its clauses, or every problem of its form
 */
export function readStandard(text: string): Result<StandardRead, DocumentProblem[]> {
  if (text.length > LARGEST_STANDARD)
    return fail([
      { field: '', message: 'The file is longer than a standard can be (1 000 000 characters).' },
    ]);
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const { value } = parsed;
  if (typeof value !== 'object' || value === null || !('tapisStandard' in value)) {
    const message = 'The field “tapisStandard” is missing: this file does not hold a house standard.';
    return fail([{ field: '/tapisStandard', message }]);
  }
  return checkStandard(value);
}

/** As {@link readStandard}, for a value that is parsed already. */
export function checkStandard(value: object): Result<StandardRead, DocumentProblem[]> {
  if (!validate(value)) return fail(describeErrors(validate.errors ?? []));
  const standard = bare(value as unknown as StandardDocument);
  return ok({ standard, problems: standardOf(standard).problems });
}

/** A standard without what only its file says, and those it builds on too. */
function bare({ over, ...own }: StandardDocument): StandardDocument {
  const {
    tapisStandard: _,
    $schema: __,
    ...standard
  } = own as typeof own & {
    readonly tapisStandard?: number;
    readonly $schema?: string;
  };
  return over ? { ...standard, over: bare(over) } : standard;
}
