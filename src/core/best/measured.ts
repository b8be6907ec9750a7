import { readLength } from '../units/entry';
import { fail, ok, type Result } from '../units/result';

/** Measurements of one tolerance, as offsets from what was wanted; mm. */
export interface Measured {
  readonly values: readonly number[];
  /** Mean offset: it moves things and is no part of the spread. */
  readonly bias: number;
  readonly deviation: number;
  readonly least: number;
  readonly most: number;
}

/** How well a process holds limits of ± half a range, with 95 % confidence. */
export interface Capability {
  readonly cp: number;
  readonly cpLow: number;
  readonly cpk: number;
  readonly cpkLow: number;
  readonly cpkHigh: number;
}

/** Fewest measurements that say anything of a spread, and most that are read. */
const FEWEST = 10;
const MOST = 100_000;

/**
 * Reads measurements: one offset a line, or what was wanted and what was measured beside it; in mm, or in the
 * unit that is written. A line of words first is a heading.
 * @returns or the line that cannot be read, and why
 */
export function readMeasured(text: string): Result<Measured, string> {
  const lines = text.split(/\r?\n/).map((line) => line.trim());
  const values: number[] = [];
  for (const [i, line] of lines.entries()) {
    if (line === '') continue;
    const cells = line.split(/[;\t]|,(?=\s*[-+\d.])|,\s+/).map((cell) => cell.trim().replace(/^"|"$/g, ''));
    const numbers = cells.map(lengthOf);
    const wrong = numbers.findIndex((value) => value === null);
    if (wrong >= 0) {
      if (values.length === 0 && i < 2 && cells.every((cell) => /[A-Za-z]/.test(cell))) continue;
      return fail(`Line ${i + 1}: “${(cells[wrong] ?? '').slice(0, 40)}” is not a length.`);
    }
    const [first = 0, second] = numbers as number[];
    if (numbers.length > 2)
      return fail(
        `Line ${i + 1} has ${numbers.length} numbers; one offset, or wanted and measured, are read.`,
      );
    values.push(second === undefined ? first : second - first);
    if (values.length > MOST) return fail(`There are more than ${MOST} measurements.`);
  }
  if (values.length < FEWEST)
    return fail(`There are ${values.length} measurements; ${FEWEST} or more say something.`);
  return ok(measuredOf(values));
}

/** Offsets with their bias and spread. @param values two or more, mm */
export function measuredOf(values: readonly number[]): Measured {
  const bias = values.reduce((sum, value) => sum + value, 0) / values.length;
  const squares = values.reduce((sum, value) => sum + (value - bias) ** 2, 0);
  return {
    values,
    bias,
    deviation: Math.sqrt(squares / Math.max(1, values.length - 1)),
    least: values.reduce((a, b) => Math.min(a, b)),
    most: values.reduce((a, b) => Math.max(a, b)),
  };
}

function lengthOf(cell: string): number | null {
  const [, minus = '', rest = ''] = /^([-−+]?)\s*(.*)$/.exec(cell) ?? [];
  if (/^[\d.,]+$/.test(rest)) {
    const number = Number(rest.replace(',', '.'));
    return Number.isFinite(number) ? (minus === '' || minus === '+' ? number : -number) : null;
  }
  const read = readLength(rest, 'mm');
  if (!read.ok) return null;
  return minus === '' || minus === '+' ? read.value : -read.value;
}

/** Measurements counted in equal bins, the first from `from` on; mm. */
export interface Binned {
  readonly from: number;
  readonly step: number;
  readonly counts: readonly number[];
}

/** As many bins as the root of their number, as histograms are drawn; 6 to 40. */
export function binned({ values, least, most }: Measured): Binned {
  const bins = Math.min(40, Math.max(6, Math.ceil(Math.sqrt(values.length))));
  const step = Math.max(most - least, 1e-6) / bins;
  const counts = Array.from({ length: bins }, () => 0);
  for (const value of values) {
    const i = Math.min(bins - 1, Math.floor((value - least) / step));
    counts[i] = (counts[i] ?? 0) + 1;
  }
  return { from: least, step, counts };
}

/**
 * Capability against limits of ± half a range about what was wanted (ISO 22514-2; confidence of Cpk by
 * Bissell, of Cp by the normal approximation of χ²).
 * @param range of the limits, mm
 */
export function capabilityOf(
  { values: { length: n }, bias, deviation }: Measured,
  range: number,
): Capability {
  const cp = range / (6 * deviation);
  const cpk = (range / 2 - Math.abs(bias)) / (3 * deviation);
  const off = 1.96 * Math.sqrt(1 / (9 * n) + (cpk * cpk) / (2 * (n - 1)));
  // lower 2.5 % point of χ² with n − 1 degrees, over n − 1 (Wilson and Hilferty)
  const degrees = n - 1;
  const low = (1 - 2 / (9 * degrees) - 1.96 * Math.sqrt(2 / (9 * degrees))) ** 3;
  return { cp, cpLow: cp * Math.sqrt(Math.max(0, low)), cpk, cpkLow: cpk - off, cpkHigh: cpk + off };
}
