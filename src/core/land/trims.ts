import type { TrimId } from '../document/document';
import type { SpanGroup } from '../package/terminal';
import type { Process } from '../process/process';
import type { Step } from './derivation';
import { quantise } from '../units/length';
import { landFrom, roundDown, roundUp } from './rounding';
import type { SpanSolution } from './solution';
import type { LandSize } from './solver';

/** What a trim is told about the land's surroundings. */
export interface TrimContext {
  readonly group: SpanGroup;
  readonly process: Process;
  /** Rounding step, mm. */
  readonly rounding: number;
  /** Half of the exposed pad along the span, mm; `null` where there is none. */
  readonly thermalReach: number | null;
  /** Inner distance at which the heels have just their reduced goal, mm. */
  readonly leastHeel: number;
}

/** Fits a rounded land to its surroundings. */
export interface Trim {
  readonly id: TrimId;
  readonly title: string;
  /** Returns the trimmed land and its derivation, or `null` where nothing is in the way. */
  readonly apply: (land: LandSize, context: TrimContext) => { land: LandSize; steps: Step[] } | null;
}

/**
 * A land does not run under a body that sits lower than the process's minimum standoff, as far as its
 * heel keeps the reduced goal; what still runs under it is a finding.
 */
const bodyHeel: Trim = {
  id: 'body-heel',
  title: 'Heel out from under a low body',
  apply({ Z, G, X, Y }, { group: { body }, process, rounding, leastHeel }) {
    if (!body || body.standoff.min >= process.minStandoff - 1e-9) return null;
    const edge = Math.min(body.size.max, leastHeel);
    // a body as wide as the lands leaves nothing to trim to; the rules report it
    const length = Math.max(roundDown((Z - edge) / 2, rounding), roundUp((Z - leastHeel) / 2, rounding));
    if (G >= edge - 1e-9 || length <= 0 || length >= Y) return null;
    const land = landFrom(length, X, Z - length);
    const upTo = edge < body.size.max ? 'the heel is cut to its reduced goal' : 'the land ends at the body';
    const note = `standoff ${body.standoff.min} mm is below ${process.minStandoff} mm: ${upTo}`;
    return {
      land,
      steps: [
        { symbol: 'G', formula: 'Z − 2·Y', values: { Z, Y: length }, result: land.G, note },
        { symbol: 'Y', formula: '(Z − edge)/2', values: { Z, edge }, result: length, note },
        { symbol: 'C', formula: 'Z − Y', values: { Z, Y: length }, result: land.C, note },
      ],
    };
  },
};

/** Lands of one row keep the process's minimum gap and, between their openings, its mask web. */
const rowGap: Trim = {
  id: 'row-gap',
  title: 'Width for the gap in the row',
  apply({ X, Y, C }, { group: { pitch }, process, rounding }) {
    if (pitch === null) return null;
    const gap = clearGap(process);
    // where that leaves no land, the copper's gap alone is kept, and the web is a finding
    const room = pitch - (pitch - gap >= process.minWidth - 1e-9 ? gap : process.minGap);
    if (X <= room + 1e-9 || room <= 0) return null;
    // rounding must not take the whole land where the step is coarse
    const width = roundDown(room, rounding) || room;
    const left = quantise(pitch - room);
    const note = `the row keeps a gap of ${left} mm for copper and mask web`;
    return {
      land: landFrom(Y, width, C),
      steps: [{ symbol: 'X', formula: 'e − gap', values: { e: pitch, gap: left }, result: width, note }],
    };
  },
};

/** Distance at which two lands keep both the copper gap and a web of mask between their openings, mm. */
export function clearGap({ minGap, minMaskWeb, maskMargin }: Process): number {
  return quantise(Math.max(minGap, minMaskWeb + 2 * maskMargin));
}

/** A heel keeps clear of the exposed pad. */
const thermalGap: Trim = {
  id: 'thermal-gap',
  title: 'Heel clear of the exposed pad',
  apply({ Z, G, X, Y }, { process, rounding, thermalReach }) {
    if (thermalReach === null) return null;
    const gap = clearGap(process);
    if (G / 2 >= thermalReach + gap - 1e-9) return null;
    const length = roundDown(Z / 2 - thermalReach - gap, rounding);
    // a pad as wide as the package leaves nothing to trim to; the rules report it
    if (length <= 0 || length >= Y) return null;
    const note = `the exposed pad reaches ${quantise(thermalReach)} mm from the middle; the gap to it is ${gap} mm`;
    const values = { Z, reach: thermalReach, gap };
    return {
      land: landFrom(length, X, Z - length),
      steps: [
        { symbol: 'Y', formula: 'Z/2 − reach − gap', values, result: length, note },
        { symbol: 'C', formula: 'Z − Y', values: { Z, Y: length }, result: Z - length, note },
        { symbol: 'G', formula: 'Z − 2·Y', values: { Z, Y: length }, result: Z - 2 * length, note },
      ],
    };
  },
};

/** The inner ends of lands that face each other keep clear of one another. */
const facingGap: Trim = {
  id: 'facing-gap',
  title: 'Inner ends clear of each other',
  apply({ Z, G, X, Y }, { group: { places }, process, rounding }) {
    if (new Set(places.map(({ end }) => end)).size < 2) return null;
    const gap = clearGap(process);
    const length = roundDown((Z - gap) / 2, rounding);
    if (G >= gap - 1e-9 || length <= 0 || length >= Y) return null;
    const note = `the two lands keep ${gap} mm for copper and mask web`;
    return {
      land: landFrom(length, X, Z - length),
      steps: [
        { symbol: 'Y', formula: '(Z − gap)/2', values: { Z, gap }, result: length, note },
        { symbol: 'C', formula: 'Z − Y', values: { Z, Y: length }, result: Z - length, note },
        { symbol: 'G', formula: 'Z − 2·Y', values: { Z, Y: length }, result: Z - 2 * length, note },
      ],
    };
  },
};

/** Trims of one row by its surroundings, in the order in which they are applied. */
export const TRIMS: readonly Trim[] = [bodyHeel, thermalGap, facingGap, rowGap];

/** All trims a person can switch off, with those that fit rows and holes to one another. */
export const TRIM_TITLES: readonly { readonly id: TrimId; readonly title: string }[] = [
  ...TRIMS,
  { id: 'quad-corner', title: 'Corner lands clear of the next row' },
  { id: 'oblong', title: 'Oblong lands for the gap between holes' },
];

/**
 * Shortens the inner ends of the lands at the corners of a quad package until the two rows keep
 * the process's gap. Both rows give the same amount.
 * @returns the two solutions with their corner lands, or `null` where nothing is in the way
 */
export function trimCorners(
  a: SpanSolution,
  b: SpanSolution,
  process: Process,
): [SpanSolution, SpanSolution] | null {
  const end = ({ terminals: { places } }: SpanSolution) =>
    Math.max(0, ...places.map(({ along }) => Math.abs(along)));
  // from the end land's corner of one row to the inner end of the other
  const dx = a.land.G / 2 - (end(b) + b.land.X / 2);
  const dy = b.land.G / 2 - (end(a) + a.land.X / 2);
  if (end(a) === 0 || end(b) === 0) return null;
  const { minGap: gap, minMaskWeb, maskMargin } = process;
  // openings come closer at their corners than the copper does
  const exact = Math.max(cutFor(dx, dy, gap), cutFor(dx - 2 * maskMargin, dy - 2 * maskMargin, minMaskWeb));
  if (exact <= 1e-9) return null;
  const step = Math.max(a.rounding, b.rounding);
  const cut = roundUp(exact, step);
  const shortened = (solution: SpanSolution): SpanSolution | null => {
    const { Y, X, Z } = solution.land;
    const length = quantise(Y - cut);
    if (length <= 0) return null;
    const note = `lands at the corners only: they keep gap and mask web to the next row`;
    return {
      ...solution,
      corner: landFrom(length, X, Z - length),
      trims: [...solution.trims, 'quad-corner'],
      derivation: [
        ...solution.derivation,
        { symbol: 'Y (corner)', formula: 'Y − cut', values: { Y, cut }, result: length, note },
      ],
    };
  };
  const [first, second] = [shortened(a), shortened(b)];
  return first && second ? [first, second] : null;
}

/**
 * How far two corners that are dx and dy apart have to be moved, both along their own row, until
 * they keep a gap; 0 where they keep it already.
 */
function cutFor(dx: number, dy: number, gap: number): number {
  const apart = dx > 0 && dy > 0 ? Math.hypot(dx, dy) : Math.max(dx, dy);
  if (apart >= gap - 1e-9) return 0;
  // equal cuts: (dx + cut)² + (dy + cut)² = gap², or the further one alone reaches the gap
  const root = Math.sqrt(Math.max(0, (gap * gap - ((dx - dy) * (dx - dy)) / 2) / 2));
  return Math.min(gap - Math.max(dx, dy), Math.max(root - (dx + dy) / 2, -Math.min(dx, dy)));
}
