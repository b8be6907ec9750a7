import { plainScope, readEntry, type Reading } from './entry';
import { formatNumber, type LengthUnit } from './length';

/** Whether a text has words, of which one may be a unit. */
export function hasWords(text: string): boolean {
  return /[A-Za-z"'″µ%]/.test(text);
}

/** Whether a text says numbers and no unit: what it means rests on where it stands. */
export function isBare(text: string): boolean {
  return /\d/.test(text) && !hasWords(text);
}

/** Numbers of a text that are not percentages. */
const NUMBER = /(?:\d+(?:[.,]\d+)?|[.,]\d+)(?![\d.,]*\s*%)/g;

/**
 * An entry that means the same wherever it stands: its plain lengths get the unit that they are read in.
 * It is written as closely to what was typed as its meaning allows.
 * @param unit in which plain numbers of the text are read
 * @returns `null` for a text that cannot be read
 */
export function sayingUnit(text: string, unit: LengthUnit): string | null {
  const meant = readIn(text, unit);
  if (!meant) return null;
  const stands = (other: string) =>
    (['mm', 'mil', 'in'] as const).every((column) => isSame(readIn(other, column), meant));
  const each = [...text.matchAll(NUMBER)].reverse().reduce((current, { index, 0: number }) => {
    const end = index + number.length;
    const said = `${current.slice(0, end)}${unit}${current.slice(end)}`;
    // a count, a factor or a share is no length: with a unit it would mean something else
    return isSame(readIn(said, unit), meant) ? said : current;
  }, text);
  const inFull = [meant.value.min, meant.value.nom, meant.value.max]
    .map((mm) => formatNumber(mm, 0, 6))
    .join('/');
  return [text, `${text}${unit}`, each].find(stands) ?? `${inFull} mm`;
}

function readIn(text: string, unit: LengthUnit): Reading | null {
  const read = readEntry(text, plainScope(unit));
  return read.ok ? read.value : null;
}

function isSame(a: Reading | null, b: Reading): boolean {
  if (a?.doubts.length !== b.doubts.length) return false;
  return (['min', 'nom', 'max'] as const).every((key) => a.value[key] === b.value[key]);
}
