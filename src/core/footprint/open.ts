import type { TapisDocument } from '../document/document';
import type { LandName, LandNames } from '../document/migrations';
import { checkDocument, parseJson, readDocument, type DocumentProblem } from '../document/read';
import { readProcess } from '../document/read-process';
import { readStandard } from '../document/read-standard';
import { isTrial, readTrial } from '../document/read-trial';
import { readShelfFile, readShelfParts, type ShelfContents, type ShelfPart } from '../document/read-shelf';
import type { TrialDocument } from '../document/trial';
import {
  writeDocument,
  writeFamily,
  writeProcess,
  writeShelf,
  writeStandard,
  jsonText,
  writeTrial,
} from '../document/write';
import { drawPackage, standardBy, withExamples } from '../package/draw';
import { ALL_MAKERS } from '../package/makers';
import { placedPackage } from '../package/drawn';
import { landIdOf } from '../package/terminal';
import { turned } from '../geometry/placement';
import { processById, standardProcess } from '../process';
import { fail, ok, type Result } from '../units/result';
import { readChoices } from './choices';
import { numbersOf } from './numbering';

/** Reads a document from JSON text of any known version. */
export function openDocument(text: string): Result<TapisDocument, DocumentProblem[]> {
  return readDocument(text, landNames);
}

/** As {@link openDocument}, for a value that is parsed already. */
export function openValue(value: unknown): Result<TapisDocument, DocumentProblem[]> {
  return checkDocument(value, landNames);
}

/** Reads a trial, with footprints of any known version in it. */
export function openTrial(text: string): Result<TrialDocument, DocumentProblem[]> {
  return readTrial(text, landNames);
}

/** Reads a file with one document or a whole Shelf, of any known version. */
export function openShelf(text: string): Result<ShelfContents, DocumentProblem[]> {
  return readShelfFile(text, landNames);
}

/** As {@link openShelf}, a stroke at a time. */
export function openShelfInParts(text: string): Generator<ShelfPart, void, void> {
  return readShelfParts(text, landNames);
}

/**
 * A file with a document, a family, a process, a standard, a trial or a whole Shelf as Tapis writes it today; what it means stays.
 * @param schema where editors find its schema from now on; as the file says it where missing
 * @returns its text, or every problem found: a file of which a part cannot be read is not written anew
 */
export function rewritten(text: string, schema?: string): Result<string, DocumentProblem[]> {
  const written = writtenAnew(text);
  if (!written.ok) return written;
  const parsed = parseJson(text);
  const own =
    parsed.ok && isObject(parsed.value) && '$schema' in parsed.value ? parsed.value.$schema : undefined;
  const said = schema ?? own;
  if (said === undefined) return written;
  const { $schema: _, ...rest } = JSON.parse(written.value) as Readonly<Record<string, unknown>>;
  return ok(jsonText({ $schema: said, ...rest }));
}

function writtenAnew(text: string): Result<string, DocumentProblem[]> {
  const parsed = parseJson(text);
  const isA = (key: string) => parsed.ok && isObject(parsed.value) && key in parsed.value;
  if (isA('tapisProcess')) {
    const read = readProcess(text);
    return read.ok ? ok(writeProcess(read.value)) : read;
  }
  if (isA('tapisStandard')) {
    const read = readStandard(text);
    return read.ok ? ok(writeStandard(read.value.standard)) : read;
  }
  if (parsed.ok && isTrial(parsed.value)) {
    const read = openTrial(text);
    return read.ok ? ok(writeTrial(read.value)) : read;
  }
  const read = openShelf(text);
  if (!read.ok) return read;
  const { documents, processes, families, standing, refused } = read.value;
  if (refused.length > 0) return fail([...refused]);
  if (isA('tapisShelf')) return ok(writeShelf(documents, processes, families, standing));
  const [document] = documents;
  if (document) return ok(writeDocument(document));
  return ok(families.map(writeFamily).join(''));
}

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null;

/** The lands of a document that is not checked yet; one that is not complete is drawn with its example. */
const landNames: LandNames = (raw) => {
  try {
    return namesOf(raw as unknown as TapisDocument);
  } catch {
    // what does not even have the form of a document is refused by its schema, with the reason
    return [];
  }
};

function namesOf(document: TapisDocument): LandName[] {
  const { drawn } = drawPackage(withExamples(document, ALL_MAKERS)?.document ?? document, ALL_MAKERS);
  if (!drawn) return [];
  const process = processById(document.process) ?? standardProcess;
  const { orientation, read } = readChoices(
    document,
    document.ownProcess ?? process,
    standardBy(ALL_MAKERS, document.standard),
  );
  const placed = placedPackage(drawn, turned(orientation === 'A' ? 0 : 90));
  const numbers = numbersOf(placed, orientation, read.numbering, new Map());
  return drawn.groups.flatMap((group) =>
    group.places.map((spot, index): LandName => {
      const id = landIdOf(group, spot, index);
      return { id, order: spot.order, number: numbers.get(id)?.schemeNumber ?? id };
    }),
  );
}
