import { quantise } from '../units/length';
import type { Step } from './derivation';
import type { LandSize } from './solver';

// Tolerates the last bits of a sum such as 0.1 + 0.2, so that ties are ties.
const HAIR = 1e-9;

/**
 * Rounds to the nearest multiple of a step, ties up.
 * @param step mm; 0 leaves the value as it is
 */
export function roundTo(value: number, step: number): number {
  return step > 0 ? quantise(Math.floor(value / step + 0.5 + HAIR) * step) : quantise(value);
}

/** Rounds down to a multiple of a step; 0 leaves the value. */
export function roundDown(value: number, step: number): number {
  return step > 0 ? quantise(Math.floor(value / step + HAIR) * step) : quantise(value);
}

/** Rounds up to a multiple of a step; 0 leaves the value. */
export function roundUp(value: number, step: number): number {
  return step > 0 ? quantise(Math.ceil(value / step - HAIR) * step) : quantise(value);
}

/** A land size from its length, width and centre distance. */
export function landFrom(Y: number, X: number, C: number): LandSize {
  return { Z: quantise(C + Y), G: quantise(C - Y), X: quantise(X), Y: quantise(Y), C: quantise(C) };
}

/**
 * Rounds X, Y and C/2 (so that each land centre falls on the step) and derives Z and G anew.
 * A land never rounds away: X and Y keep at least one step.
 */
export function roundLand(land: LandSize, step: number, steps: Step[]): LandSize {
  const least = step || 0.001;
  const Y = Math.max(roundTo(land.Y, step), least);
  const X = Math.max(roundTo(land.X, step), least);
  const C = 2 * roundTo(land.C / 2, step);
  const rounded = landFrom(Y, X, C);
  if (step > 0) {
    const note = 'to the nearest step, ties up';
    const rounding = (symbol: 'X' | 'Y'): Step => ({
      symbol,
      formula: `⌊${symbol}/step + ½⌋·step`,
      values: { [symbol]: land[symbol], step },
      result: rounded[symbol],
      note,
    });
    const values = { C: land.C, step };
    steps.push(rounding('X'), rounding('Y'), {
      symbol: 'C',
      formula: '2·⌊C/(2·step) + ½⌋·step',
      values,
      result: rounded.C,
      note: `half of C ${note}`,
    });
  }
  return rounded;
}
