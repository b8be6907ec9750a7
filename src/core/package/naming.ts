import { PUBLISHED_LEVELS, type Level, type LevelWords } from '../standard/levels';

/** A number in a standard name: the dimension it states, its value and its implied decimals. */
export interface NameNumber {
  readonly symbol: string;
  /** mm, or a count where `decimals` is 0. */
  readonly value: number;
  readonly decimals: 0 | 1 | 2;
  /** Digits are padded with zeros in front to this many. */
  readonly digits?: number;
}

/** Ends the name of what is alike at every level, such as a mounting hole: it has no level's letter. */
export const WITHOUT_LEVEL = { level: false } as const;

/** A standard name as its fixed words and its numbers, without the level's letter. */
export type NameTemplate = readonly (string | NameNumber | typeof WITHOUT_LEVEL)[];

/**
 * Writes a standard name (IPC-7351B, clause 3.1.5.7: numbers without decimal point).
 * @param letter of the level, which ends it
 * @example SOP65P640X120-16N
 */
export function formatName(template: NameTemplate, letter: string): string {
  const parts = template.map((part) =>
    typeof part === 'string' ? part : 'level' in part ? '' : digitsOf(part),
  );
  return parts.join('') + (hasLevel(template) ? letter : '');
}

function hasLevel(template: NameTemplate): boolean {
  return !template.includes(WITHOUT_LEVEL);
}

/** The numbers of a name, in their order. */
export function numbersIn(template: NameTemplate): NameNumber[] {
  return template.filter((part) => typeof part !== 'string').filter((part) => 'symbol' in part);
}

/**
 * The digits of one number of a name. Size codes of one decimal are cut off, as the trade's are:
 * a body of 2.0 × 1.25 is 2012.
 */
export function digitsOf({ value, decimals, digits = 1 }: NameNumber): string {
  // 0.55 · 100 is 55.000000000000007: settle before rounding halves up
  const scaled = Math.round(value * 10 ** decimals * 1e6) / 1e6;
  return String(decimals === 1 ? Math.floor(scaled) : Math.round(scaled)).padStart(digits, '0');
}

/** What a standard name states. */
export interface StatedName {
  /** `null` where names of this kind have none. */
  readonly level: Level | null;
  /** Values by symbol, in mm or counts. */
  readonly values: Readonly<Record<string, number>>;
}

/**
 * Reads the numbers back from a standard name.
 * @param template the template whose words and order the name should follow; its values are not used
 * @param levels whose letters may end it
 * @returns `null` where the name does not follow the template
 */
export function parseName(
  template: NameTemplate,
  name: string,
  levels: readonly LevelWords[] = PUBLISHED_LEVELS,
): StatedName | null {
  const numbers = numbersIn(template);
  const pattern = template
    .map((part) => {
      if (typeof part === 'string') return part.replace(/[.*+?^${}()|[\]\\-]/g, '\\$&');
      if ('level' in part) return '';
      return part.digits ? `(\\d{${part.digits},${part.digits + 1}})` : '(\\d+)';
    })
    .join('');
  const match = new RegExp(`^${pattern}${hasLevel(template) ? '([A-Z])' : ''}$`).exec(name.trim());
  if (!match) return null;
  const values = Object.fromEntries(
    numbers.map(({ symbol, decimals }, i) => [symbol, Number(match[i + 1]) / 10 ** decimals]),
  );
  const letter = match.at(-1);
  const level = hasLevel(template) ? levels.find((one) => one.letter === letter) : undefined;
  return hasLevel(template) && !level ? null : { level: level?.id ?? null, values };
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
