/**
 * Land patterns, padstacks and seated bodies from datasheet dimensions, after IPC-7351B: read a document, compile it,
 * check it, compare two, read a datasheet's table, write open formats. Lengths are mm, angles degrees counter-clockwise.
 *
 * @packageDocumentation
 */
import { check as checkCompiled, type Report } from '../core/check/check';
import { compileAndCheck } from '../core/check/guarded';
import { compareFootprints, type Comparison } from '../core/compare/differences';
import type { TapisDocument } from '../core/document/document';
import type { DocumentProblem } from '../core/document/read';
import { writeDocument } from '../core/document/write';
import { compile as compileDocument } from '../core/footprint/compile';
import { isDrawable, type Compiled } from '../core/footprint/footprint';
import { openDocument } from '../core/footprint/open';
import { FORMATS } from '../core/format';
import { writeFile, type WrittenFile } from '../core/format/format';
import type { HandOver } from '../core/format/paper/frame';
import { bestPage, documentOfPage, type SheetAsk } from '../core/source/best-page';
import { gridsOfHtml } from '../core/source/html';
import type { SourceReading } from '../core/source/reading';
import { gridsOfText, LONGEST_TEXT } from '../core/source/text';
import { fail, ok, type Result } from '../core/units/result';

export type {
  Comparison,
  Compiled,
  DocumentProblem,
  HandOver,
  Report,
  Result,
  SheetAsk,
  SourceReading,
  TapisDocument,
  WrittenFile,
};

/**
 * Reads a document of any known version.
 * @param text - JSON, as `/schema/tapis-document-2.json` has it
 * @returns the document, or every problem with the field that it is about
 */
export function read(text: string): Result<TapisDocument, readonly DocumentProblem[]> {
  return openDocument(text);
}

/** Writes a document as its file's text: equal documents are equal texts. */
export function write(document: TapisDocument): string {
  return writeDocument(document);
}

/**
 * Turns a document into a footprint: lands with their derivations, padstacks, marks, courtyard and body. Total: what
 * cannot be used is named in `problems`, and `footprint` is `null` where dimensions are missing.
 */
export function compile(document: TapisDocument): Compiled {
  return compileDocument(document);
}

/** Holds a compiled document against every rule, under its process and house standard. */
export function check(compiled: Compiled): Report {
  return checkCompiled(compiled);
}

/**
 * In what a document differs from another: what was entered, lands, padstacks, marks, heights, names, findings.
 * @param least - smallest difference of lengths that counts, mm
 */
export function compare(before: TapisDocument, after: TapisDocument, least = 0): Comparison {
  return compareFootprints(compileAndCheck(before), compileAndCheck(after), least);
}

/** A document that was read of a datasheet, and all that is to be looked at. */
export interface TakenSheet {
  readonly document: TapisDocument;
  /** What was read from where, what is doubtful and why, and what is missing. */
  readonly reading: SourceReading;
}

/**
 * Reads a datasheet's table of dimensions, as text or HTML.
 * @param ask - the family and size that are meant, where the table leaves them open
 * @returns the document, or why there is none, with what there is to choose from
 */
export function take(text: string, ask: SheetAsk = {}): Result<TakenSheet, string> {
  if (text.length > LONGEST_TEXT) return fail(`The text is longer than ${LONGEST_TEXT} letters.`);
  const grids = /<(!doctype html|html|table|body|tr)\b/i.test(text) ? gridsOfHtml(text) : gridsOfText(text);
  const candidates = [{ page: 1, grids, isScan: false }];
  const best = bestPage(candidates, 'the text', ask);
  if (!best.ok) return best;
  const source = { name: 'text', text: text.slice(0, 40_000) };
  const { reading } = best.value;
  const name = reading.size === undefined || reading.size === '' ? 'From a datasheet' : reading.size;
  return ok({ document: documentOfPage(name, best.value, candidates, source), reading });
}

/** A format that footprints are written in. */
export interface WritableFormat {
  readonly id: string;
  readonly title: string;
  readonly mediaType: string;
  /** With its dot. */
  readonly extension: string;
}

/** The formats that there are. */
export const formats: readonly WritableFormat[] = FORMATS.map(({ id, title, mediaType, extension }) => ({
  id,
  title,
  mediaType,
  extension,
}));

/**
 * Writes a footprint as a file, measured from its origin and named after its standard name.
 * @param format - id of one of {@link formats}
 * @param about - date, revision and paper, where the format prints them
 * @returns the file, or why it cannot be written
 */
export async function writeAs(
  compiled: Compiled,
  format: string,
  about: HandOver = {},
): Promise<Result<WrittenFile, string>> {
  const writer = FORMATS.find(({ id }) => id === format);
  if (!writer)
    return fail(`There is no format “${format}”; known are ${formats.map(({ id }) => id).join(', ')}.`);
  if (!isDrawable(compiled))
    return fail(compiled.problems[0]?.message ?? 'The document gives no footprint yet.');
  return ok(await writeFile(writer, compiled, about));
}
