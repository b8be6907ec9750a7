import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gridsOfHtml } from '../../src/core/source/html';
import { gridsOfWords } from '../../src/core/source/layout';
import { tablesOn } from '../../src/core/source/best-page';
import { drawnPage } from '../../src/core/source/drawn/page';
import { drawnPatterns } from '../../src/core/source/drawn/pattern';
import { drawnOutline } from '../../src/core/source/drawn/table';
import { readDimensions } from '../../src/core/source/reading';
import { kindById } from '../../src/core/source/kinds';
import { gridsOfText } from '../../src/core/source/text';
import { limitsOf } from '../../src/core/source/value';
import { inkOfPage } from '../../src/kernel/source/ink';
import { letterReader, openPdf, pictureOf } from '../../src/kernel/source/node';
import { wordsOfPage } from '../../src/kernel/source/pdf';
import { readPicture, type Recognise } from '../../src/kernel/source/picture';
import { SHEETS_FOLDER } from './make';
import type { MadeSheet } from './sheets';
import { htmlOf, textOf } from './styles';

/** How a page comes to the reader. */
export type Medium = 'tabs' | 'blanks' | 'bars' | 'html' | 'pdf' | 'scan';

/** How the values of a page were read. */
export interface Held {
  readonly values: number;
  readonly right: number;
  /** Wrong or not found, and said to be doubtful or missing. */
  readonly flagged: readonly string[];
  /** Wrong without a word. */
  readonly silent: readonly string[];
}

/** Values are printed to a hundredth of a millimetre, or to a thousandth of an inch. mm */
const SLACK = 0.0151;

/** A page as it comes, with what is drawn on it where it is drawn. */
type Come = Parameters<typeof tablesOn>[0];

async function pageOf(
  { name, table }: MadeSheet,
  medium: Medium,
  recognise: Recognise | null,
): Promise<Come> {
  switch (medium) {
    case 'html':
      return { grids: gridsOfHtml(htmlOf(table)), isScan: false };
    case 'pdf': {
      const pdf = await openPdf(new Uint8Array(readFileSync(join(SHEETS_FOLDER, `${name}.pdf`))));
      const page = await wordsOfPage(pdf, 1);
      const drawn = drawnPage(page, await inkOfPage(pdf, 1));
      await pdf.destroy();
      const drawing = drawnOutline(page, drawn, drawnPatterns(page, drawn, { name }));
      return { grids: gridsOfWords(page.words), isScan: false, drawing };
    }
    case 'scan': {
      const picture = await pictureOf(new Uint8Array(readFileSync(join(SHEETS_FOLDER, `${name}.png`))));
      if (!picture.ok || !recognise) throw new Error(`${name} cannot be read`);
      const { page } = await readPicture(picture.value, recognise);
      return { grids: gridsOfWords(page.words), isScan: true };
    }
    default:
      return { grids: gridsOfText(textOf(table, medium)), isScan: false };
  }
}

/** Reads a made-up page, all its sizes, and holds what was read against the truth. */
export async function held(
  sheet: MadeSheet,
  medium: Medium,
  recognise: Recognise | null = null,
): Promise<Held> {
  const kind = kindById(sheet.family);
  if (!kind) throw new RangeError(sheet.family);
  const isScan = medium === 'scan';
  const tables = tablesOn(await pageOf(sheet, medium, recognise));
  const flagged: string[] = [];
  const silent: string[] = [];
  let [values, right] = [0, 0];
  for (const [size, truth] of Object.entries(sheet.table.truth)) {
    const reading = readDimensions(tables, { kind, size, isScan });
    for (const [symbol, want] of Object.entries(truth)) {
      values += 1;
      const read = reading?.dimensions.find((one) => one.symbol === symbol);
      const got = read ? limitsOf(read) : null;
      const isRight =
        got !== null &&
        Math.abs(got.max - want.max) < SLACK &&
        (got.given === 'max' || Math.abs(got.min - want.min) < SLACK);
      const words = `${sheet.name} ${medium} ${size} ${symbol}: ${want.min}..${want.max}, read as ${read?.text ?? 'nothing'}`;
      if (isRight) right += 1;
      else if (!read || read.standing === 'doubtful') flagged.push(words);
      else silent.push(words);
    }
  }
  return { values, right, flagged, silent };
}

export { letterReader };
