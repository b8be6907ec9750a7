import { gridsOfHtml } from '../../../src/core/source/html';
import type { Grid } from '../../../src/core/source/grid';
import { kindById } from '../../../src/core/source/kinds';
import { gridsOfWords } from '../../../src/core/source/layout';
import { readDimensions, tablesOf } from '../../../src/core/source/reading';
import { gridsOfText } from '../../../src/core/source/text';
import { limitsOf } from '../../../src/core/source/value';
import { htmlOf, tabsOf, wordsOf, type Medium, type Page } from './print';

/** Values are printed to a hundredth of a millimetre, or to a ten-thousandth of an inch. mm */
const SLACK = 0.0051;

export interface HeldPage {
  readonly values: number;
  readonly right: number;
  /** Right, and said to be doubtful. */
  readonly doubted: number;
  readonly refused: readonly string[];
  readonly flagged: readonly string[];
  readonly silent: readonly string[];
}

function gridsOf(page: Page, medium: Medium): Grid[] {
  if (medium === 'mono' || medium === 'sans') return gridsOfWords(wordsOf(page, medium));
  const isText = medium === 'tabs' || page.tables.length === 0;
  return isText ? gridsOfText(tabsOf(page)) : gridsOfHtml(htmlOf(page));
}

export function heldPage(page: Page, medium: Medium): HeldPage {
  const kind = kindById(page.family);
  if (!kind) throw new RangeError(page.family);
  const grids = gridsOf(page, medium);
  const tables = tablesOf(grids);
  const out = { refused: [] as string[], flagged: [] as string[], silent: [] as string[] };
  let [values, right, doubted] = [0, 0, 0];
  for (const [size, truth] of Object.entries(page.truth)) {
    const reading = readDimensions(tables, { kind, size });
    for (const [symbol, [min, max]] of Object.entries(truth)) {
      values += 1;
      const read = reading?.dimensions.find((found) => found.symbol === symbol);
      const got = read ? limitsOf(read) : null;
      const isRight =
        got !== null &&
        Math.abs(got.max - max) < SLACK &&
        (Number.isNaN(min) ? got.given === 'max' : Math.abs(got.min - min) < SLACK);
      const words = `${page.name} ${medium} “${size}” ${symbol}: ${min}..${max}, read as ${read?.text ?? 'nothing'}${read ? ` (${read.standing}: ${read.doubts.join(' ')})` : ''}`;
      if (isRight) right += 1;
      if (isRight && read?.standing === 'doubtful') doubted += 1;
      if (isRight) continue;
      if (!read) out.refused.push(words);
      else if (read.standing === 'doubtful') out.flagged.push(words);
      else out.silent.push(words);
    }
    // what is no dimension of the part must not be taken for one without a word
    for (const read of reading?.dimensions ?? [])
      if (!(read.symbol in truth) && read.standing !== 'doubtful' && read.symbol !== 'n')
        out.silent.push(`${page.name} ${medium} “${size}” ${read.symbol}: not there, read as ${read.text}`);
  }
  return { values, right, doubted, ...out };
}
