import { formatLength, type DisplayUnit } from '../units/length';

/** One line of a derivation: a symbol, its formula, the values put in, and what came out. mm. */
export interface Step {
  readonly symbol: string;
  readonly formula: string;
  /** Values of the formula's names. */
  readonly values: Readonly<Record<string, number>>;
  readonly result: number;
  /** Why the step was taken, or where its numbers come from. */
  readonly note?: string;
}

// Longest names first, so that Smax' is not read as Smax.
const NAME = /[A-Za-zΔ_][A-Za-z0-9_]*'?/g;

/**
 * Writes a step's formula with its values in place of the names.
 * @example `6.20 + 2·0.35 + √(0.40² + 0.10² + 0.05²)`
 */
export function substituted(step: Step, unit: DisplayUnit): string {
  return step.formula.replace(NAME, (name) => {
    const value = Object.hasOwn(step.values, name) ? step.values[name] : undefined;
    if (value === undefined) return name;
    const text = formatLength(value, unit);
    return value < 0 ? `(${text})` : text;
  });
}
