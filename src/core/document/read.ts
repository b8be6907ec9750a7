import { fail, ok, type Result } from '../units/result';
import type { TapisDocument } from './document';
import { document as validate } from './generated/validators.js';
import { migrate, NEWEST_VERSION, type LandNames } from './migrations';

/** Why a document cannot be read: the field (a JSON pointer), what is wrong and the mend. */
export interface DocumentProblem {
  readonly field: string;
  readonly message: string;
}

/** Largest document that is read, in characters. */
export const LARGEST_DOCUMENT = 2_000_000;

/**
 * Reads a document from JSON text of any known version.
 * @param namesOf tells the lands of a document, which older versions knew by other names
 * @returns the document in the newest version, or every problem found
 */
export function readDocument(text: string, namesOf: LandNames): Result<TapisDocument, DocumentProblem[]> {
  if (text.length > LARGEST_DOCUMENT) {
    const size = `${(text.length / 1e6).toFixed(1)} million characters`;
    return fail([{ field: '', message: `The document has ${size}; at most 2 million are read.` }]);
  }
  const parsed = parseJson(text);
  return parsed.ok ? checkDocument(parsed.value, namesOf) : parsed;
}

/** Parses JSON; the problem says where it stopped. A byte-order mark is allowed. */
export function parseJson(text: string): Result<unknown, DocumentProblem[]> {
  try {
    return ok(JSON.parse(text.replace(/^\uFEFF/, '')) as unknown);
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    return fail([{ field: '', message: `This is not JSON: ${reason}.` }]);
  }
}

/** As {@link readDocument}, for a value that is parsed already. */
export function checkDocument(value: unknown, namesOf: LandNames): Result<TapisDocument, DocumentProblem[]> {
  if (!isRecord(value)) {
    return fail([{ field: '', message: 'A Tapis document is a JSON object; this is not one.' }]);
  }
  const version = value['tapis'];
  if (version === undefined) {
    const message = 'The field “tapis” is missing: it holds the version of the format, 2.';
    return fail([{ field: '/tapis', message }]);
  }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    const message = `The version “${String(version)}” is not a version of this format; write 2.`;
    return fail([{ field: '/tapis', message }]);
  }
  if (version > NEWEST_VERSION) {
    const message = `The document has version ${version}; this Tapis reads up to ${NEWEST_VERSION}. Open it with a newer Tapis.`;
    return fail([{ field: '/tapis', message }]);
  }
  const current = migrate(value, namesOf);
  if (validate(current)) return ok(current as unknown as TapisDocument);
  return fail(describeErrors(validate.errors ?? []));
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

interface SchemaError {
  readonly instancePath: string;
  readonly keyword: string;
  readonly message?: string;
  readonly params: Record<string, unknown>;
}

/** Validation errors in words, the first of each field. */
export function describeErrors(errors: readonly SchemaError[]): DocumentProblem[] {
  const problems = new Map<string, DocumentProblem>();
  for (const error of errors) {
    const { field, message } = describeError(error);
    // alternatives that did not match say less than the first error at the same field
    if (!problems.has(field)) problems.set(field, { field, message });
  }
  return [...problems.values()];
}

function describeError({ instancePath, keyword, message, params }: SchemaError): DocumentProblem {
  const place = instancePath || 'the document';
  switch (keyword) {
    case 'required': {
      const name = String(params['missingProperty']);
      return { field: `${instancePath}/${name}`, message: `The field “${name}” is missing in ${place}.` };
    }
    case 'additionalProperties': {
      const name = String(params['additionalProperty']);
      return {
        field: `${instancePath}/${name}`,
        message: `The field “${name}” is not known in ${place}; remove it or mend its spelling.`,
      };
    }
    case 'enum': {
      const allowed = (params['allowedValues'] as unknown[]).join(', ');
      return { field: instancePath, message: `${place} must be one of ${allowed}.` };
    }
    default:
      return { field: instancePath, message: `${place} ${message ?? 'is not valid'}.` };
  }
}

/** So many problems are told; more say how many there are. */
const TOLD = 10;
/** Longest that one is told, in characters. */
const LONGEST = 300;

/** Problems in words: the first of them, each no longer than can be read, and how many more there are. */
export function problemWords(problems: readonly DocumentProblem[], between = '\n'): string {
  const told = problems
    .slice(0, TOLD)
    .map(({ message }) => (message.length > LONGEST ? `${message.slice(0, LONGEST - 1)}…` : message));
  const more = problems.length - told.length;
  return [...told, ...(more > 0 ? [`and ${more} more.`] : [])].join(between);
}
