import type { Cell, Grid } from './grid';
import { isValue, letterOf } from './words';

// Pictures of small print lose decimal points first, 135 for 1.35, and take letters for each other: Al for A1.
// The other numbers of a column tell how many decimals it is printed with. Everything mended is doubted.

/** Mends what readers of letters usually get wrong in a table of dimensions. */
export function restorePoints(grid: Grid): Grid {
  const rows = grid.rows.map((row) => row.map(mendedSigns));
  const inTable = commonDecimals(rows.flat());
  const decimals = Array.from({ length: grid.columns }, (_, column) => {
    const own = rows.flatMap((row) => row.filter((cell) => cell.column === column));
    return commonDecimals(own) ?? inTable ?? 0;
  });
  const mended = rows.map((row) => {
    const isCount = row.some(({ text }) => COUNTS.has(letterOf(text) ?? ''));
    return isCount ? row : row.map((cell) => pointed(cell, decimals[cell.column] ?? 0));
  });
  return { ...grid, rows: mended };
}

const COUNTS = new Set(['n', 'N', 'nE', 'nD', 'ND', 'NE']);

/** Signs that are taken for each other in a number, a range, or a letter with its index. */
function mendedSigns(cell: Cell): Cell {
  let { text } = cell;
  const letter = /^([A-Za-z])[lI|i!]$/.exec(text)?.[1];
  if (letter) text = `${letter}1`;
  else if (/^[([]?pm[)\]]?$/i.test(text)) text = 'µm';
  else if (/\d/.test(text) && !/[a-z]{4}/i.test(text)) {
    text = text
      .replace(/(\d)\s*t\s*[0oO](?=\s*[\d.])/g, '$1 to ')
      .replace(/(\d)\s+[.,]\s*(?=\d)/g, '$1.')
      .replace(/(\d)[.,]\s+(?=\d)/g, '$1.')
      .replace(/(?<=[\d.])[Oo](?=[\d.]|$)|(?<=^|\s)[Oo](?=[.,]\d)/g, '0')
      .replace(/^([\d.]+)\s*[+#*]\s*([\d.]+)$/, '$1 ± $2')
      .replace(/^[-–—−]{2,}\s*(?=[\d.,])/, '-')
      .replace(/^[.,](?=\d)/, '0.');
  }
  return text === cell.text ? cell : { ...cell, text };
}

/** The decimals that most numbers of some cells have; `null` where too few have any. */
function commonDecimals(cells: readonly Cell[]): number | null {
  const counts = new Map<number, number>();
  for (const { text } of cells) {
    if (!isValue(text)) continue;
    for (const [, digits = ''] of text.matchAll(/\d[.,](\d+)/g))
      counts.set(digits.length, (counts.get(digits.length) ?? 0) + 1);
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1]);
  return most && most[1] >= 2 ? most[0] : null;
}

/** A cell whose numbers have lost their points, with these put back. */
function pointed(cell: Cell, decimals: number): Cell {
  if (!isValue(cell.text) || /°/.test(cell.text)) return cell;
  const mended: string[] = [];
  const text = cell.text.replace(/(?<![\d.,])\d{2,5}(?![\d.,])/g, (digits) => {
    // 018 is 0.18 in any table
    const after = digits.startsWith('0') ? digits.length - 1 : decimals;
    if (after === 0 || digits.length <= after) return digits;
    const at = digits.length - after;
    const number = `${digits.slice(0, at)}.${digits.slice(at)}`;
    mended.push(`“${digits}” has lost its point.`);
    return number;
  });
  return mended.length === 0 ? cell : { ...cell, text, doubt: mended.join(' ') };
}

/** Every number that digits may have been before their point was lost or moved: 135 is 135, 13.5, 1.35 or 0.135. */
export function repointed(number: string): string[] {
  const digits = number.replace('.', '');
  if (!/^\d{1,5}$/.test(digits)) return [number];
  const moved = Array.from({ length: digits.length }, (_, i) => {
    const at = digits.length - 1 - i;
    return `${at === 0 ? '0' : digits.slice(0, at)}.${digits.slice(at)}`;
  });
  return [...new Set([number, digits, ...moved])];
}

const NUMBER = /\d+(?:\.\d+)?/g;

/** Every text that an entry of up to three numbers becomes with their points moved. */
export function repointedTexts(text: string): string[] {
  const numbers = text.replaceAll('..', ' ~ ').match(NUMBER) ?? [];
  if (numbers.length === 0 || numbers.length > 3) return [];
  const choices = numbers.reduce<string[][]>(
    (all, number) => all.flatMap((before) => repointed(number).map((one) => [...before, one])),
    [[]],
  );
  const shape = text.replaceAll('..', ' ~ ');
  return choices.map((chosen) => {
    let next = 0;
    return shape.replace(NUMBER, () => chosen[next++] ?? '').replaceAll(' ~ ', '..');
  });
}

/** A text with a point before its last digits in every number; `null` where a number has one already. */
export function withDecimals(text: string, decimals: number): string | null {
  if (/\d\.\d/.test(text)) return null;
  return text.replace(/\d+/g, (digits) => {
    const padded = digits.padStart(decimals + 1, '0');
    return `${padded.slice(0, -decimals)}.${padded.slice(-decimals)}`;
  });
}
