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
