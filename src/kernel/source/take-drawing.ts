import { composedOf } from '../../core/source/drawn/compose';
import { drawnPage } from '../../core/source/drawn/page';
import { drawnPatterns, patternWorth, type DrawnPattern } from '../../core/source/drawn/pattern';
import type { TapisDocument } from '../../core/document/document';
import { formatNumber } from '../../core/units/length';
import { fail, ok, type Result } from '../../core/units/result';
import { keyOf } from '../inside';
import { inkOfPage } from './ink';
import { documentName } from './names';
import { withPages } from './node';
import { wordsOfPage } from './pdf';
import { kindOfSheet, LARGEST_SHEET } from './take-file';

// The recommended land pattern that a datasheet draws, as a footprint of its own.

/** What is asked of a drawing. */
export interface PatternAsk {
  /** Page of a PDF, from 1; the one that has a pattern where it is missing. */
  readonly page?: number | undefined;
  readonly unit?: 'mm' | 'in' | 'mil' | undefined;
  /** Whether lengths that no number says are measured off the drawing. */
  readonly isMeasured?: boolean | undefined;
}

/** A footprint of a drawing, and what is to be looked at. */
export interface TakenPattern {
  readonly document: TapisDocument;
  readonly drawn: DrawnPattern;
  readonly page: number;
  /** What was not read, or not chosen, in words. */
  readonly left: readonly string[];
}

/** Pages whose drawings are looked at where none is named. */
const MOST_PAGES = 60;
const LOOK_TIME = 15_000;
/** A pattern with less than this is worth no search of further pages. */
const LEAST_NUMBERS = 3;

/** Reads the land pattern that a page draws. @returns or why it cannot be done, in words */
export async function takePattern(
  bytes: Uint8Array,
  name: string,
  { page, unit, isMeasured = false }: PatternAsk,
): Promise<Result<TakenPattern, string>> {
  if (bytes.length > LARGEST_SHEET) return fail(`${name} is larger than ${LARGEST_SHEET / 1e6} MB.`);
  if (kindOfSheet(bytes) !== 'pdf')
    return fail(`${name} is no PDF: drawings are read from the lines of a PDF.`);
  return withPages({ bytes, name, page, most: MOST_PAGES }, async (pdf, numbers) => {
    const pages = pdf.numPages;
    const late = performance.now() + LOOK_TIME;
    const left: string[] = [];
    const found: { readonly drawn: DrawnPattern; readonly number: number }[] = [];
    for (const number of numbers) {
      if (number !== numbers[0] && performance.now() > late) {
        left.push(`The pages from ${number} on were not looked at; another is read by its number (page).`);
        break;
      }
      const read = await wordsOfPage(pdf, number);
      // the reader goes on with a page that was given up, and lets nothing else be done beside it
      const ink = read.cut === undefined ? await inkOfPage(pdf, number) : { paths: [], cut: read.cut };
      if (ink.cut !== undefined) left.push(ink.cut);
      const drawn = drawnPage(read, ink, { unit });
      found.push(
        ...drawnPatterns(read, drawn, { name: documentName(name, '') }).map((one) => ({
          drawn: one,
          number,
        })),
      );
      if (ink.cut !== undefined && number !== numbers.at(-1)) {
        left.push(`The pages behind ${number} were not looked at; another is read by its number (page).`);
        break;
      }
    }
    const [best, ...others] = found.sort((a, b) => patternWorth(b.drawn) - patternWorth(a.drawn));
    if (!best)
      return fail([`No land pattern with numbers at its lines was found in ${name}.`, ...left].join(' '));
    const { drawn, number } = best;
    if (drawn.open.length > 0 && !isMeasured) return fail(openWords(drawn, name, number));
    const more = others.filter((one) => one.drawn.used.length >= LEAST_NUMBERS);
    if (more.length > 0)
      left.push(
        `${more.length === 1 ? 'Another pattern is' : `${more.length} other patterns are`} drawn on page ${[...new Set(more.map((one) => one.number))].join(', ')}.`,
      );
    const source = { name: name.slice(0, 200), key: await keyOf(bytes), pages };
    const document = composedOf(drawn, documentName(name, ''), { source, page: number, isScan: false });
    return ok({ document, drawn, page: number, left });
  });
}

/** Most lengths that a refusal names. */
const MOST_NAMED = 8;

function openWords({ open }: DrawnPattern, name: string, page: number): string {
  const named = open
    .slice(0, MOST_NAMED)
    .map(({ what, measured }) => `${what} (drawn ${formatNumber(measured, 0, 2)} mm)`);
  const more = open.length > MOST_NAMED ? ` and ${open.length - MOST_NAMED} more` : '';
  return `The drawing of ${name}, page ${page}, has no number for ${named.join(', ')}${more}. Ask for it to be measured off the drawing (measure), or give another page.`;
}

/** What was read of a pattern, as it is answered: the document, and each printed number with what it measures. */
export function patternAnswer({ document, drawn, page, left }: TakenPattern) {
  const { used, open, unread, doubts, unit, scale, area } = drawn;
  return {
    document,
    page,
    unit,
    view: { area, pointsPerMm: scale },
    numbers: used.map(({ label, what, doubt }) => ({
      printed: label.printed,
      mm: label.value?.nom ?? null,
      what,
      area: label.area,
      doubt,
    })),
    measured: open.map(({ what, measured }) => ({ what, mm: measured })),
    unread: unread.map(({ printed, area: at }) => ({ printed, area: at })),
    doubts,
    left,
  };
}

/** What was read of a pattern and is to be looked at, a line each. */
export function patternInWords({ drawn, left }: TakenPattern): string {
  const lines = [
    ...left,
    ...drawn.pattern.left,
    ...drawn.doubts.map((doubt) => `doubtful: ${doubt}`),
    ...drawn.open.map(
      ({ what, measured }) => `measured: ${what} ${formatNumber(measured, 0, 3)} mm, which no number says`,
    ),
  ];
  return lines.map((line) => `${line}\n`).join('');
}
