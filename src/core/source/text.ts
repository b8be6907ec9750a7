import Papa from 'papaparse';
import { isNotGiven, plainText } from '../units/entry-text';
import { gridOfTexts, type Cell, type Grid, type GridRow } from './grid';
import { gridsOfWords } from './layout';
import type { Word } from './page';
import { statedInText } from './statements';
import { headSays, letterOf } from './words';

/** Longest text that is read, in characters. */
export const LONGEST_TEXT = 200_000;

/**
 * The tables of a plain text: cells between tabs, bars, semicolons or commas, in columns of blanks, or
 * between single blanks as a page's text comes out of a reader.
 */
export function gridsOfText(text: string): Grid[] {
  const lines = text
    .slice(0, LONGEST_TEXT)
    .split(/\r\n?|\n/)
    .map((line) => line.replace(/\s+$/, ''));
  const filled = lines.filter((line) => line.trim() !== '' && !/^[\s|:+=_─━┼│┃-]+$/.test(line));
  const share = (test: (line: string) => boolean) => filled.filter(test).length / Math.max(1, filled.length);
  if (share((line) => line.includes('\t')) > 0.5) return [separated(filled, (line) => line.split('\t'))];
  if (share((line) => /[|│┃]/.test(line)) > 0.5)
    return [separated(filled, (line) => (/[|│┃]/.test(line) ? barred(line) : [line]))];
  for (const delimiter of [';', ','] as const) {
    // commas may be decimal signs
    const enough = delimiter === ';' ? 1 : 2;
    if (
      share((line) => line.split(delimiter).length > enough) > 0.7 &&
      !(delimiter === ',' && decimal(filled))
    )
      return [separated(filled, (line) => Papa.parse<string[]>(line, { delimiter }).data[0] ?? [])];
  }
  // blanks in columns, or by chance in lines that say one thing each
  if (share((line) => / {2,}\S/.test(line.trim())) > 0.5)
    return [...gridsOfWords(wordsOfLines(lines), 1.5), { ...looseGrid(filled), isPart: true }];
  const said = statedInText(filled);
  return [looseGrid(filled), ...(said ? [said] : [])];
}

const decimal = (lines: readonly string[]) => lines.some((line) => /\d,\d+\s/.test(`${line} `));

function barred(line: string): string[] {
  return line
    .replace(/^\s*[|│┃]/, '')
    .replace(/[|│┃]\s*$/, '')
    .split(/[|│┃]/);
}

function separated(lines: readonly string[], cellsOf: (line: string) => readonly string[]): Grid {
  const rows = lines.map((line) => cellsOf(line).map((cell) => cell.replace(/\s+/g, ' ').trim()));
  const single = rows.filter((row) => row.filter((cell) => cell !== '').length === 1);
  return gridOfTexts(rows, single.flat().join(' '));
}

/** Words with the place that their letters have in a text of fixed width; a line is one high. */
function wordsOfLines(lines: readonly string[]): Word[] {
  return lines.flatMap((line, y) =>
    [...line.replaceAll('\t', '        ').matchAll(/\S+/g)].map(({ 0: text, index }): Word => ({
      text,
      area: { x0: index, x1: index + text.length, y0: y, y1: y + 0.9 },
      sure: 1,
    })),
  );
}

const QUALIFIER =
  /^\(?(bsc|b\.s\.c|basic|ref|reference|typ|typical|nom|nominal|max|min|mm|mil|in|inch|deg|°|")\.?\)?$/i;
const SIGN = /^([-–—~÷±]|to|bis|\+\/-|\.\.+)$/i;
const NUMBER = /^[≤≥<>±+~⌀Ø∅φ(]*[-−]?(\d+([.,]\d+)?|[.,]\d+)["°º]?\)?([¹²³]|\*)?$/;

/** Lines whose cells stand between single blanks: a letter, words, then values in the order of the head. */
function looseGrid(lines: readonly string[]): Grid {
  const heads = lines.findIndex((line) => limitsOf(line).length > 0);
  const limits = heads < 0 ? [] : limitsOf(lines[heads] ?? '');
  const rows = lines.map((line): GridRow | null => looseRow(line, limits));
  const widest = Math.max(0, ...rows.map((row) => row?.at(-1)?.column ?? 0));
  const head: Cell[] = limits.map((text, i) => plainCell(text, 2 + i));
  // a line above the limits that names as many units or sizes as divide them
  const above = heads > 0 ? headsAbove(lines[heads - 1] ?? '', limits.length) : [];
  const body = rows.filter((row) => row !== null);
  const context = lines.filter((_, i) => rows[i] === null && i !== heads).join(' ');
  return {
    rows: [...(above.length > 0 ? [above] : []), ...(head.length > 0 ? [head] : []), ...body],
    columns: Math.max(widest + 1, 2 + limits.length),
    context,
    loose: true,
  };
}

const plainCell = (text: string, column: number, span = 1): Cell => ({
  text,
  column,
  span,
  area: null,
  sure: 1,
});

/** The heads of value columns in a line, each with the unit behind it. */
function limitsOf(line: string): string[] {
  const found: string[] = [];
  for (const word of line.trim().split(/\s+/)) {
    const { limit, unit } = headSays(word);
    if (limit) found.push(word);
    else if (unit && found.length > 0) found[found.length - 1] += ` ${word}`;
    else if (/\d/.test(word)) return [];
  }
  return found.length > 1 ? found : [];
}

function headsAbove(line: string, columns: number): Cell[] {
  const units = line.match(/millimet\w*|\bmm\b|inch\w*|\bmils?\b/gi) ?? [];
  const sizes = line.match(/\d+[\s-]*(leads?|pins?|L)\b/gi) ?? [];
  const heads = sizes.length > 1 ? sizes : units;
  if (heads.length < 2 || columns % heads.length !== 0) return [];
  const span = columns / heads.length;
  return heads.map((text, i) => plainCell(text, 2 + i * span, span));
}

/** One line as letter, name and values; `null` where it has no value. */
function looseRow(line: string, limits: readonly string[]): GridRow | null {
  const words = line.trim().split(/\s+/);
  const first = words.findIndex((_, i) => i > 0 && startsValues(words, i));
  if (first < 1) return null;
  const before = words.slice(0, first);
  const letters = before.map(letterOf);
  // the letter stands first or last of what is not a value
  const at = letters[0] ? 0 : letters.at(-1) ? before.length - 1 : -1;
  const letter = at < 0 ? '' : (before[at] ?? '');
  const name = before.filter((_, i) => i !== at).join(' ');
  const { values, rest } = valuesOf(words.slice(first));
  if (values.length === 0) return null;
  const columns = limits.length;
  const cells = spread(values, limits);
  return [
    ...(letter ? [plainCell(letter, 0)] : []),
    ...(name ? [plainCell(name, 1)] : []),
    ...cells,
    ...(rest ? [plainCell(rest, 2 + Math.max(columns, values.length))] : []),
  ];
}

/** Whether values begin at a word: a number, a dash, or a limit's word before a number. */
function startsValues(words: readonly string[], at: number): boolean {
  const word = words[at] ?? '';
  const next = words[at + 1] ?? '';
  if (NUMBER.test(plainText(word).text) || /^\d[\d.,]*\s*[-±~/]/.test(plainText(word).text)) return true;
  if (isNotGiven(word)) return next === '' || NUMBER.test(plainText(next).text) || isNotGiven(next);
  return /^(min|max|typ|ref|nom)\.?$/i.test(word) && NUMBER.test(plainText(next).text);
}

/** Puts words together that are one value. */
function valuesOf(words: readonly string[]): { readonly values: string[]; readonly rest: string } {
  const values: string[] = [];
  let i = 0;
  for (; i < words.length; i += 1) {
    const word = words[i] ?? '';
    const plain = plainText(word).text;
    const last = values.length - 1;
    const isNumber = NUMBER.test(plain);
    const next = plainText(words[i + 1] ?? '').text;
    if (last >= 0 && QUALIFIER.test(plain)) values[last] += ` ${word}`;
    else if (
      last >= 0 &&
      SIGN.test(plain) &&
      NUMBER.test(next) &&
      !isNotGiven(values[last] ?? '') &&
      !dashColumn(plain, values.length, words, i)
    ) {
      values[last] += ` ${word} ${words[i + 1] ?? ''}`;
      i += 1;
    } else if (/^(min|max|typ|ref|nom)\.?$/i.test(plain) && NUMBER.test(next)) {
      values.push(`${word} ${words[i + 1] ?? ''}`);
      i += 1;
    } else if (last >= 0 && /^[±+]/.test(plain) && isNumber) values[last] += ` ${word}`;
    else if (isNumber || isNotGiven(word) || /^\d[\d.,]*\s*[-±~/x×]/.test(plain)) values.push(word);
    else break;
  }
  return { values, rest: words.slice(i).join(' ') };
}

/** A lone dash between blanks is a cell without a value, and no range, where all other cells are single numbers. */
function dashColumn(plain: string, before: number, words: readonly string[], at: number): boolean {
  if (plain !== '-') return false;
  const numbers = words.filter((word) => NUMBER.test(plainText(word).text)).length;
  // A - 1.75: nothing before it; A 0.10 - 0.25: a range where no third number follows
  return before === 0 || (numbers > 2 && at > 0);
}

/**
 * Values in their columns: all of them, or one for each unit's or size's group of columns, or least and most
 * of each group. What had to be guessed is doubted.
 */
function spread(values: readonly string[], limits: readonly string[]): Cell[] {
  const columns = limits.length;
  const said = limits.map((text) => headSays(text).limit);
  const doubted = (cells: readonly Cell[], doubt: string) => cells.map((cell) => ({ ...cell, doubt }));
  if (columns === 0 || values.length === columns) return values.map((text, i) => plainCell(text, 2 + i));
  if (columns > values.length && columns % values.length === 0) {
    const span = columns / values.length;
    const cells = values.map((text, i) => plainCell(text, 2 + i * span, span));
    const isBare = values.some((text) => /^[\d.,]+$/.test(text.trim()));
    return isBare ? doubted(cells, `One number stands for ${span} columns.`) : cells;
  }
  // 4.40 4.60 under Min Typ Max
  const period =
    Math.max(...[1, 2, 3].filter((n) => said.every((limit, i) => limit === said[i % n])).map((n) => -n)) * -1;
  const groups = Number.isFinite(period) && period > 0 ? columns / period : 1;
  const per = values.length / groups;
  const [first, last] = [said.indexOf('min'), said.lastIndexOf('max') % (columns / groups)];
  if (per === 2 && first >= 0 && last > first) {
    const cells = values.map((text, i) =>
      plainCell(text, 2 + Math.floor(i / 2) * (columns / groups) + (i % 2 === 0 ? first : last)),
    );
    return doubted(cells, 'Two numbers stand for three columns: they are taken as least and most.');
  }
  const cells = values.map((text, i) => plainCell(text, 2 + i));
  return doubted(cells, `${values.length} numbers stand for ${columns} columns.`);
}
