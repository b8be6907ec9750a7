import type { TapisDocument } from '../document/document';
import { writtenEntry } from '../document/entries';
import { wordsIn, type Area, type SourcePage } from './page';
import type { SourceReading } from './reading';

/** A dimension that a newer edition of its datasheet prints otherwise, or no longer at its place. */
export interface Reread {
  readonly symbol: string;
  readonly before: string;
  /** As it is printed at the same place now; empty where nothing is. */
  readonly printed: string;
  /** What would be entered now; `null` where the newer edition was not understood. */
  readonly now: string | null;
}

/** How far words may have moved and still stand at their place, in the page's points. */
const SLACK = 3;

/**
 * Reads the places that a document's dimensions come from again, in a newer edition of the datasheet.
 * @param pages of the newer edition
 * @param reading of it, for the same family and size, by its page
 */
export function rereadSource(
  document: TapisDocument,
  sourceId: string,
  pages: readonly SourcePage[],
  reading: (page: number) => SourceReading | null,
): Reread[] {
  return Object.entries(document.package.dimensions).flatMap(([symbol, entry]): Reread[] => {
    const { from, text } = writtenEntry(entry);
    if (from?.source !== sourceId) return [];
    const page = pages.find(({ number }) => number === from.page);
    const printed = page && from.box ? textAt(page, from.box) : '';
    const read = reading(from.page)?.dimensions.find((one) => one.symbol === symbol) ?? null;
    if (squeezed(printed) === squeezed(from.text)) return [];
    // words of a drawing that stand turned or over one another have no one order; what they say has to be the same
    const saysSame = read !== null && squeezed(read.text) === squeezed(from.entry);
    if (saysSame && (printed === '' || signsOf(printed) === signsOf(from.text))) return [];
    return [{ symbol, before: text, printed, now: read?.text ?? null }];
  });
}

/** What is printed at a place, cells parted by two blanks. */
export function textAt(
  { words }: SourcePage,
  [x0, y0, x1, y1]: readonly [number, number, number, number],
): string {
  const area: Area = { x0: x0 - SLACK, y0: y0 - SLACK, x1: x1 + SLACK, y1: y1 + SLACK };
  return wordsIn(words, area)
    .sort((a, b) => a.area.x0 - b.area.x0)
    .map(({ text }) => text)
    .join('  ');
}

const squeezed = (text: string) => text.replace(/\s+/g, '');
const signsOf = (text: string) => [...squeezed(text)].sort().join('');
