import { completed } from '../process';
import type { Process } from '../process/process';
import { fail, ok, type Result } from '../units/result';
import { process as validate } from './generated/validators.js';
import { describeErrors, parseJson, type DocumentProblem } from './read';

/** Largest file with a process, in characters. */
const LARGEST_PROCESS = 200_000;

/**
 * Reads a process from a file's text. Its drills are put in order.
 * @returns the process, or every problem found
 */
export function readProcess(text: string): Result<Process, DocumentProblem[]> {
  if (text.length > LARGEST_PROCESS) {
    return fail([{ field: '', message: 'The file is longer than a process can be (200 000 characters).' }]);
  }
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const value = parsed.value;
  if (typeof value !== 'object' || value === null || !('tapisProcess' in value)) {
    const message = 'The field “tapisProcess” is missing: this file does not hold a process.';
    return fail([{ field: '/tapisProcess', message }]);
  }
  return checkProcess(value);
}

/** As {@link readProcess}, for a value that is parsed already. */
export function checkProcess(value: object): Result<Process, DocumentProblem[]> {
  if (!validate(value)) return fail(describeErrors(validate.errors ?? []));
  const process: Record<string, unknown> = { ...value };
  delete process['tapisProcess'];
  delete process['$schema'];
  const read = completed(process as unknown as Process);
  return ok({ ...read, drills: [...new Set(read.drills)].sort((a, b) => a - b) });
}
