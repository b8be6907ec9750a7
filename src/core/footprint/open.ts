import type { TapisDocument } from '../document/document';
import type { LandName, LandNames } from '../document/migrations';
import { checkDocument, readDocument, type DocumentProblem } from '../document/read';
import { readShelfFile, type ShelfContents } from '../document/read-shelf';
import { drawPackage, withExamples } from '../package/draw';
import { placedPackage } from '../package/drawn';
import { landIdOf } from '../package/terminal';
import { turned } from '../geometry/placement';
import { processById, standardProcess } from '../process';
import type { Result } from '../units/result';
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

/** Reads a file with one document or a whole Shelf, of any known version. */
export function openShelf(text: string): Result<ShelfContents, DocumentProblem[]> {
  return readShelfFile(text, landNames);
}

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
  const { drawn } = drawPackage(withExamples(document)?.document ?? document);
  if (!drawn) return [];
  const process = processById(document.process) ?? standardProcess;
  const { orientation, read } = readChoices(document, document.ownProcess ?? process);
  const placed = placedPackage(drawn, turned(orientation === 'A' ? 0 : 90));
  const numbers = numbersOf(placed, orientation, read.numbering, new Map());
  return drawn.groups.flatMap((group) =>
    group.places.map((spot, index): LandName => {
      const id = landIdOf(group, spot, index);
      return { id, order: spot.order, number: numbers.get(id)?.schemeNumber ?? id };
    }),
  );
}
