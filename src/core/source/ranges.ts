import { LIMIT_WORDS, plainWord, RANGE_WORDS, UNIT_WORDS } from '../words';
import type { Cell, Grid } from './grid';

// “between 0.35 and 0.45” whose parts stand in columns: the first limit alone would be taken for the size.

/** A short word, and a number behind it. */
const JOINING = /^(\p{Ll}{2,4}|[àyи])\s+\.?\d[\d.,]*/u;
/** Letters of tolerance frames: aaa, bbb. */
const FRAME = /^(\p{Ll})\1+$/u;
const ENDS_IN_NUMBER = /\d\s*$/;
/** Rows that are so, at least: one alone may be a note. */
const FEWEST = 2;

const begins = ({ text }: Cell): boolean => (RANGE_WORDS.get(plainWord(text)) ?? []).includes('from');

function joins({ text }: Cell, before: Cell): boolean {
  const [, word] = JOINING.exec(text) ?? [];
  if (word === undefined || !ENDS_IN_NUMBER.test(before.text)) return false;
  return !LIMIT_WORDS.has(plainWord(word)) && !UNIT_WORDS.has(plainWord(word)) && !FRAME.test(word);
}

const NUMBER = /^\d*[.,]?\d+$/;

/** Whether a word goes on with the range that a text has begun: “between 0.35”, and “and”. */
export function goesOnInRange(text: string, word: string): boolean {
  const [first = '', ...rest] = text.split(/\s+/);
  if (!(RANGE_WORDS.get(plainWord(first)) ?? []).includes('from')) return false;
  const said = rest.filter((one) => !UNIT_WORDS.has(plainWord(one)));
  if (UNIT_WORDS.has(plainWord(word))) return NUMBER.test(rest.at(-1) ?? '');
  // a number, a word between, a number
  return said.length === 1 ? /^\p{L}{1,4}$/u.test(word) : said.length < 3 && NUMBER.test(word);
}

/** Whether ranges of a grid were torn into cells, so that its numbers say nothing by themselves. */
export function hasTornRanges({ rows }: Grid): boolean {
  const torn = rows.filter((row) =>
    row.some((cell, i) => {
      const before = row[i - 1];
      return before !== undefined && /\d/.test(cell.text) && (begins(before) || joins(cell, before));
    }),
  );
  return torn.length >= FEWEST;
}
