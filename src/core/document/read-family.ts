import { fail, ok, type Result } from '../units/result';
import { family as validate } from './generated/validators.js';
import type { OwnFamily } from './own-family';
import { describeErrors, type DocumentProblem } from './read';

/** Reads a family from a file's value. @returns the family, or every problem found */
export function checkFamily(value: object): Result<OwnFamily, DocumentProblem[]> {
  if (!validate(value)) return fail(describeErrors(validate.errors ?? []));
  return ok((value as unknown as { readonly package: OwnFamily }).package);
}
