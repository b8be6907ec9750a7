import { completed } from '../process';
import { fail, ok, type Result } from '../units/result';
import { trial as validate } from './generated/validators.js';
import type { LandNames } from './migrations';
import { checkDocument, describeErrors, parseJson, type DocumentProblem } from './read';
import type { TrialDocument, TrialFootprint } from './trial';

/** Largest file with a trial, in characters. */
const LARGEST_TRIAL = 20_000_000;

/**
 * Reads a trial from a file's text, with the footprints that it holds brought up to the newest version.
 * @param namesOf tells the lands of a document, which older versions knew by other names
 * @returns the trial, or every problem found
 */
export function readTrial(text: string, namesOf: LandNames): Result<TrialDocument, DocumentProblem[]> {
  if (text.length > LARGEST_TRIAL)
    return fail([{ field: '', message: 'The file is longer than a trial can be (20 million characters).' }]);
  const parsed = parseJson(text);
  return parsed.ok ? checkTrial(parsed.value, namesOf) : parsed;
}

/** Why a trial could not be read again from its own file, beside what its footprints are; `null` where it could. */
export function whyNotKept({ footprints, ...trial }: TrialDocument): string | null {
  const count = Object.keys(footprints ?? {}).length;
  if (count > MOST_FOOTPRINTS) return `A trial holds at most ${MOST_FOOTPRINTS} footprints.`;
  if (validate(trial)) return null;
  return describeErrors(validate.errors ?? [])[0]?.message ?? 'This cannot be kept.';
}

const MOST_FOOTPRINTS = 500;

/** Whether a value that was parsed means to be a trial. */
export const isTrial = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && 'tapisTrial' in value;

/** As {@link readTrial}, for a value that is parsed already. */
export function checkTrial(value: unknown, namesOf: LandNames): Result<TrialDocument, DocumentProblem[]> {
  if (!isTrial(value)) {
    const message = 'The field “tapisTrial” is missing: this file does not hold a trial.';
    return fail([{ field: '/tapisTrial', message }]);
  }
  if (!validate(value)) return fail(describeErrors(validate.errors ?? []));
  const { ownProcess, footprints, ...trial } = value as TrialDocument;
  const problems: DocumentProblem[] = [];
  const read: Record<string, TrialFootprint> = {};
  for (const [key, footprint] of Object.entries(footprints ?? {})) {
    const document = checkDocument(footprint.document, namesOf);
    if (document.ok) read[key] = { ...footprint, document: document.value };
    else
      problems.push(
        ...document.error.map(({ field, message }) => ({
          field: `/footprints/${key}/document${field}`,
          message: `Footprint ${key}: ${message}`,
        })),
      );
  }
  const twice = (trial.parts ?? []).find(({ id }, i, all) => all.findIndex((one) => one.id === id) !== i);
  if (twice)
    problems.push({
      field: '/parts',
      message: `Two parts have the id “${twice.id}”; give one of them another.`,
    });
  if (problems.length > 0) return fail(problems);
  return ok({
    ...trial,
    ...(ownProcess ? { ownProcess: completed(ownProcess) } : {}),
    ...(footprints ? { footprints: read } : {}),
  });
}
