import type { Level } from '../document/document';

/** A number in a standard name: the dimension it states, its value and its implied decimals. */
export interface NameNumber {
  readonly symbol: string;
  /** mm, or a count where `decimals` is 0. */
  readonly value: number;
  readonly decimals: 0 | 1 | 2;
  /** Digits are padded with zeros in front to this many. */
  readonly digits?: number;
}

/** A standard name as its fixed words and its numbers, without the level's letter. */
export type NameTemplate = readonly (string | NameNumber)[];

/** The letter that ends a name: most, nominal and least land density. */
const LEVEL_LETTER: Readonly<Record<Level, string>> = { A: 'M', B: 'N', C: 'L' };

/**
 * Writes a standard name (IPC-7351B, clause 3.1.5.7: numbers without decimal point).
 * @example SOP65P640X120-16N
 */
export function formatName(template: NameTemplate, level: Level): string {
  const parts = template.map((part) => (typeof part === 'string' ? part : digitsOf(part)));
  return parts.join('') + LEVEL_LETTER[level];
}

/** The digits of one number of a name. */
export function digitsOf({ value, decimals, digits = 1 }: NameNumber): string {
  // 0.55 · 100 is 55.000000000000007: settle before rounding halves up
  const scaled = Math.round(value * 10 ** decimals * 1e6) / 1e6;
  return String(Math.round(scaled)).padStart(digits, '0');
}

/** What a standard name states. */
export interface StatedName {
  readonly level: Level;
  /** Values by symbol, in mm or counts. */
  readonly values: Readonly<Record<string, number>>;
}

/**
 * Reads the numbers back from a standard name.
 * @param template the template whose words and order the name should follow; its values are not used
 * @returns `null` where the name does not follow the template
 */
export function parseName(template: NameTemplate, name: string): StatedName | null {
  const numbers = template.filter((part) => typeof part !== 'string');
  const pattern = template
    .map((part) => {
      if (typeof part === 'string') return part.replace(/[.*+?^${}()|[\]\\-]/g, '\\$&');
      return part.digits ? `(\\d{${part.digits},${part.digits + 1}})` : '(\\d+)';
    })
    .join('');
  const match = new RegExp(`^${pattern}([MNL])$`).exec(name.trim());
  if (!match) return null;
  const values = Object.fromEntries(
    numbers.map(({ symbol, decimals }, i) => [symbol, Number(match[i + 1]) / 10 ** decimals]),
  );
  const letter = match.at(-1);
  const level = (['A', 'B', 'C'] as const).find((l) => LEVEL_LETTER[l] === letter) as Level;
  return { level, values };
}

/** A length of a name with two decimals. */
export function hundredths(symbol: string, value: number): NameNumber {
  return { symbol, value, decimals: 2 };
}

/** A count of a name. */
export function counted(symbol: string, value: number): NameNumber {
  return { symbol, value, decimals: 0 };
}

/** Lengths of a name joined by `X`, two decimals each. */
export function byX(...sizes: readonly (readonly [string, number])[]): (string | NameNumber)[] {
  return sizes.flatMap(([symbol, value], i) => [...(i > 0 ? ['X'] : []), hundredths(symbol, value)]);
}
