import { plainText } from '../units/entry-text';
import { parseEntry } from '../units/entry-tree';
import { areaRound, type Word } from './page';
import { gridOfTexts, type Cell, type Grid } from './grid';
import { beginsValue, headSays, isValue, letterOf, NAME } from './words';

// Dimensions that are said in lines of text and in no table: “Body length (D): 4.90 mm ± 0.10 mm”,
// “Standoff ...... 0.05 to 0.15”. Each line is a row: a letter, a name, a value.

/** What one line says, and where its value begins in it. */
interface Statement {
  readonly letter: string;
  readonly name: string;
  readonly value: string;
  readonly at: number;
}

/** Lines that say a dimension each, at least: fewer are notes. */
const FEWEST = 3;
const LONGEST = 160;
/** What stands between a name and its value: a colon, a sign of equality, dots that lead from one to the other. */
const BETWEEN = /\s*(?:[:：=]|\.{3,}|…+|_{3,}|(?:\s\.){3,})\s*/gu;
/** A number that is no count and no year: with a point, a unit or a tolerance. */
const MEASURED = /\d[.,]\d|^[.,]\d|\d\s*(mm|µm|mils?|in|")(?![a-z])|±|\+\/-/i;

/** What a line says; `null` where it says no dimension. */
function statementOf(line: string): Statement | null {
  if (line.length > LONGEST || !/\d/.test(line)) return null;
  for (const found of line.matchAll(BETWEEN)) {
    const at = found.index + found[0].length;
    const said = statement(line.slice(0, found.index), line, at);
    if (said) return said;
  }
  // nothing stands between: the value begins at a word, and cannot be meant otherwise
  for (const { index } of line.matchAll(/(?<=\s)\S/g)) {
    const value = line.slice(index);
    const said =
      MEASURED.test(value) && parseEntry(value.trim()).ok
        ? statement(line.slice(0, index), line, index)
        : null;
    if (said) return said;
  }
  return null;
}

function statement(called: string, line: string, at: number): Statement | null {
  const value = line.slice(at).trim();
  if (!beginsValue(value) || !isValue(value)) return null;
  // “between 0.35 and 0.45” is all value
  const isRange = beginsValue(called) && !isLetter(called.trim());
  const said = isRange ? null : (letterInName(called) ?? letterBeside(called));
  return said && !/\d/.test(said.name) ? { ...said, value, at } : null;
}

type Named = Pick<Statement, 'letter' | 'name'>;

/** Whether a text is a letter of a drawing, and no unit or word of limits. */
export const isLetter = (text: string): boolean => {
  const { limit, unit } = headSays(text);
  return letterOf(text) !== null && limit === null && unit === null;
};

/** A letter in brackets or behind a comma after a name: “Body length (D)”, “Standoff, A1”; `null` for anything else. */
export function letterInName(called: string): Named | null {
  const [, name = '', inside = '', behind = ''] =
    /^(.*\p{L}.*?)\s*(?:[([]\s*([^)\]]{1,8}?)\s*[)\]]|,\s*(\S{1,8}))\s*$/u.exec(called) ?? [];
  const letter = inside || behind;
  return NAME.test(name) && isLetter(letter) ? { letter, name } : null;
}

/** A name with a letter before or behind it, or one of the two alone. */
function letterBeside(called: string): Named | null {
  const text = called.trim();
  if (isLetter(text)) return { letter: text, name: '' };
  const [, first = '', rest = ''] = /^(\S{1,4})\s+(?:[-–—]\s+)?[([]?(.+?)[)\]]?$/u.exec(text) ?? [];
  if (NAME.test(rest) && isLetter(first) && first !== 'a') return { letter: first, name: rest };
  const [, before = '', last = ''] = /^(.+?)\s+(\S{1,4})$/u.exec(text) ?? [];
  if (NAME.test(before) && isLetter(last)) return { letter: last, name: before };
  return NAME.test(text) ? { letter: '', name: text } : null;
}

/** Dots that lead from a name to its value. */
const LEADER = /^([.…_·]\s*){3,}$/;
/** What goes on with a value: a tolerance, or a word of limits. */
const goesOn = (text: string): boolean =>
  /^\s*(±|[+-])/.test(plainText(text).text) || (beginsValue(text) && !/^\W*\d/.test(text));

/** Words that stand near each other on a line. */
interface Run {
  readonly text: string;
  readonly words: readonly Word[];
}

/**
 * The parts of a line that may each say a dimension: a name or a letter with the value that stands in its run or
 * behind it. Where several numbers stand in columns they are a table, and no statement.
 */
export function statementRuns(runs: readonly Run[]): (readonly Word[])[] {
  if (runs.some(({ text }) => LEADER.test(text))) return [runs.flatMap(({ words }) => words)];
  const parts: Run[][] = [];
  for (const run of runs) {
    const isValue = beginsValue(run.text) || goesOn(run.text);
    if (isValue && parts.length > 0) parts.at(-1)?.push(run);
    else parts.push([run]);
  }
  return parts.flatMap((part) => {
    const [first, ...values] = part;
    const numbers = values.filter(({ text }) => !goesOn(text)).length;
    const hasOwn = first !== undefined && statementOf(first.text) !== null;
    // “A: 1.30 1.60” is a range, as anywhere
    const most = hasOwn && !/[:=]/.test(first.text) ? 0 : 1;
    return numbers > most ? [] : [part.flatMap(({ words }) => words)];
  });
}

/** What lines of text say, as a table of its own; `null` where they do not. */
export function statedInText(lines: readonly string[]): Grid | null {
  const said = lines.map((line) => statementOf(line.trim()));
  const rows = said.flatMap((one) => (one ? [[one.letter, one.name, one.value]] : []));
  const context = lines.filter((_, i) => said[i] === null).join(' ');
  return rows.length >= FEWEST ? { ...gridOfTexts(rows, context), isPart: true } : null;
}

/**
 * What lines of words say, as a table of its own; `null` where they do not.
 * @param lines words that stand together on one line each, from the left
 */
export function stated(lines: readonly (readonly Word[])[]): Grid | null {
  const rows: Cell[][] = [];
  const others: string[] = [];
  for (const words of lines) {
    const text = words.map((word) => word.text).join(' ');
    const said = statementOf(text);
    if (!said) {
      others.push(text);
      continue;
    }
    let length = 0;
    const starts = words.map((word) => {
      const start = length;
      length += word.text.length + 1;
      return start;
    });
    const first = Math.max(
      0,
      starts.findLastIndex((start) => start <= said.at),
    );
    const cell = (of: readonly Word[], content: string, column: number): Cell[] =>
      content === ''
        ? []
        : [
            {
              text: content,
              column,
              span: 1,
              area: areaRound(of.map(({ area }) => area)),
              sure: Math.min(1, ...of.map(({ sure }) => sure)),
            },
          ];
    const [before, value] = [words.slice(0, Math.max(1, first)), words.slice(first)];
    rows.push([
      ...cell(before, said.letter, 0),
      ...cell(before, said.name, 1),
      ...cell(value, said.value, 2),
    ]);
  }
  return rows.length >= FEWEST ? { rows, columns: 3, context: others.join(' '), isPart: true } : null;
}
