import type { Level } from '../document/document';
import type { SpotForm } from '../package/terminal';

type Triple = Readonly<Record<Level, number>>;
const abc = (A: number, B: number, C: number): Triple => ({ A, B, C });

/** A row of the table of lands for collapsing balls, mm. */
export interface BallRow {
  readonly ball: number;
  readonly land: Triple;
}

/** Where the ball table comes from. */
export const BALL_SOURCE = 'IPC-7351B, table 14-3: lands for collapsing balls';

/** Lands for collapsing balls by nominal ball diameter (IPC-7351B, tables 14-2 and 14-3). */
export const BALL_ROWS: readonly BallRow[] = [
  { ball: 0.75, land: abc(0.6, 0.55, 0.5) },
  { ball: 0.65, land: abc(0.55, 0.5, 0.45) },
  { ball: 0.6, land: abc(0.5, 0.45, 0.4) },
  { ball: 0.55, land: abc(0.45, 0.4, 0.35) },
  { ball: 0.5, land: abc(0.45, 0.4, 0.35) },
  { ball: 0.45, land: abc(0.4, 0.35, 0.3) },
  { ball: 0.4, land: abc(0.35, 0.3, 0.25) },
  { ball: 0.35, land: abc(0.35, 0.3, 0.25) },
  { ball: 0.3, land: abc(0.25, 0.25, 0.2) },
  { ball: 0.25, land: abc(0.25, 0.2, 0.17) },
  { ball: 0.2, land: abc(0.2, 0.17, 0.14) },
  { ball: 0.17, land: abc(0.18, 0.15, 0.12) },
  { ball: 0.15, land: abc(0.15, 0.13, 0.1) },
];

/** Step to which lands between the rows of the ball table are rounded, mm. */
export const BALL_STEP = 0.01;

/** Non-collapsing balls: land over ball (IPC-7351B, table 14-4). */
export const HARD_BALL_FACTOR: Triple = abc(1.15, 1.1, 1.05);

/** Courtyard excess round grids and exposed pads, mm. */
export const GRID_COURTYARD: Triple = abc(2, 1, 0.5);

/**
 * Grids take the grid's courtyard, lands that are given the usual one; a thermal land adds nothing to
 * that of its package, a probe needs none.
 */
export function spotCourtyard(form: SpotForm, level: Level): number {
  if (form === 'given') return PIN_COURTYARD[level];
  return form === 'thermal' || form === 'probe' ? 0 : GRID_COURTYARD[level];
}

/** Where the hole allowances come from. */
export const HOLE_SOURCE = 'IPC-2222A, clause 9.2.3; IPC-7251, table 3-1';

/** Finished hole over the largest lead diagonal, mm. */
export const HOLE_ALLOWANCE: Triple = abc(0.25, 0.2, 0.15);
/** Largest hole over the smallest lead, mm. */
export const HOLE_MOST: Triple = abc(0.7, 0.7, 0.6);
/** Land over hole and rings, mm. */
export const LAND_ALLOWANCE: Triple = abc(0.6, 0.5, 0.4);
/** Courtyard excess round through-hole parts, and round most others, mm. */
export const PIN_COURTYARD: Triple = abc(0.5, 0.25, 0.1);
/** Step to which the land of a hole is rounded, mm. */
export const HOLE_LAND_STEP = 0.05;
