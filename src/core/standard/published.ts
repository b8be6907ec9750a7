import type { PublishedLevel } from './levels';

// What is wanted of footprints as it is published: IPC-7351B and its companions. A house standard says
// where it wants something else; nothing else repeats these numbers.

/** Solder joint goals of one level, mm. */
export interface Goals {
  /** Beyond the outer end of the terminal (toe of a gull wing). */
  readonly outer: number;
  /** Beyond its inner end (heel of a gull wing). */
  readonly inner: number;
  readonly side: number;
  /** Courtyard excess round lands and body. */
  readonly courtyard: number;
}

/** A row of the goal table. */
export interface GoalRow {
  readonly id: string;
  readonly title: string;
  /** What the inner and outer ends are called for this lead form. */
  readonly ends: { readonly outer: 'toe' | 'heel'; readonly inner: 'toe' | 'heel' };
  /** Land dimensions take the process's small rounding step. */
  readonly small?: boolean;
  readonly levels: Readonly<Record<PublishedLevel, Goals>>;
}

/** The four sizes of a row of goals, in the order of a drawing. */
export const GOAL_SIZES = ['outer', 'inner', 'side', 'courtyard'] as const satisfies readonly (keyof Goals)[];
export type GoalSize = (typeof GOAL_SIZES)[number];

/** What a size of a row of goals is called: toe and heel where the lead form says so. */
export function goalSizeTitle({ ends }: Pick<GoalRow, 'ends'>, size: GoalSize): string {
  if (size === 'outer' || size === 'inner') return ends[size];
  return size === 'side' ? 'side' : 'courtyard excess';
}

/** The lead forms that the goals tell apart, and how each is called. */
export const LEAD_FORMS = {
  'gull-wing': 'gull wing',
  'j-lead': 'J lead',
  'rectangular-end': 'rectangular end',
  'cylindrical-end': 'cylindrical end cap',
  castellated: 'castellated carrier',
  'chip-array': 'chip array',
  'inward-formed': 'inward-formed ribbon',
  'flat-lug': 'flat lug of a tab',
  'flat-lead': 'flat lead',
  'no-lead': 'flat no-lead',
  'pulled-back': 'no-lead, pulled back',
  'under-can': 'can or crystal',
} as const;
export type LeadForm = keyof typeof LEAD_FORMS;

export const GOALS_SOURCE = 'IPC-7351B, tables 3-2 to 3-6';

/** Pitch above which gull-wing leads take the wider side goals (IPC-7351B tables 3-2 and 3-3). */
export const FINE_PITCH = 0.625;

/** Chips shorter than this take the goals for small chips: below 1608 metric. */
export const SMALL_CHIP = 1.6;

/** Height from which cans and crystals take the larger goals. */
export const TALL_CAN = 10;

type Triple = readonly [a: number, b: number, c: number];

function levels(
  outer: Triple,
  inner: Triple,
  side: Triple,
  courtyard: Triple,
): Record<PublishedLevel, Goals> {
  const row = (i: 0 | 1 | 2): Goals => ({
    outer: outer[i],
    inner: inner[i],
    side: side[i],
    courtyard: courtyard[i],
  });
  return { A: row(0), B: row(1), C: row(2) };
}

const TOE_OUT = { outer: 'toe', inner: 'heel' } as const;

export const GOAL_ROWS = {
  gullWing: {
    id: 'gull-wing',
    title: `Gull wing, pitch above ${FINE_PITCH} mm`,
    ends: TOE_OUT,
    levels: levels([0.55, 0.35, 0.15], [0.45, 0.35, 0.25], [0.05, 0.03, 0.01], [0.5, 0.25, 0.1]),
  },
  gullWingFine: {
    id: 'gull-wing-fine',
    title: `Gull wing, pitch up to ${FINE_PITCH} mm`,
    ends: TOE_OUT,
    levels: levels([0.55, 0.35, 0.15], [0.45, 0.35, 0.25], [0.01, -0.02, -0.04], [0.5, 0.25, 0.1]),
  },
  rectangularEnd: {
    id: 'rectangular-end',
    title: 'Rectangular end, 1608 and larger',
    ends: TOE_OUT,
    levels: levels([0.55, 0.35, 0.15], [0, 0, 0], [0.05, 0, -0.05], [0.5, 0.25, 0.1]),
  },
  rectangularEndSmall: {
    id: 'rectangular-end-small',
    title: 'Rectangular end, below 1608',
    ends: TOE_OUT,
    small: true,
    levels: levels([0.3, 0.2, 0.1], [0, 0, 0], [0.05, 0, -0.05], [0.2, 0.15, 0.1]),
  },
  cylindricalEnd: {
    id: 'cylindrical-end',
    title: 'Cylindrical end cap',
    ends: TOE_OUT,
    levels: levels([0.6, 0.4, 0.2], [0.2, 0.1, 0.02], [0.1, 0.05, 0.01], [0.5, 0.25, 0.1]),
  },
  jLead: {
    id: 'j-lead',
    title: 'J lead',
    ends: { outer: 'heel', inner: 'toe' },
    levels: levels([0.55, 0.35, 0.15], [0.1, 0, -0.1], [0.05, 0.03, 0.01], [0.5, 0.25, 0.1]),
  },
  castellated: {
    id: 'castellated',
    title: 'Castellated leadless carrier',
    ends: TOE_OUT,
    levels: levels([0.65, 0.55, 0.45], [0.25, 0.15, 0.05], [0.05, -0.05, -0.15], [0.5, 0.25, 0.1]),
  },
  chipArray: {
    id: 'chip-array',
    title: 'Chip array: concave, convex or flat',
    ends: TOE_OUT,
    levels: levels([0.55, 0.45, 0.35], [-0.05, -0.07, -0.1], [-0.05, -0.07, -0.1], [0.5, 0.25, 0.1]),
  },
  flatLug: {
    id: 'flat-lug',
    title: 'Flat lug of a tab package',
    ends: TOE_OUT,
    levels: levels([0.55, 0.35, 0.15], [0.45, 0.35, 0.25], [0.05, 0.03, 0.01], [0.5, 0.25, 0.1]),
  },
  flatLead: {
    id: 'flat-lead',
    title: 'Flat lead, small outline',
    ends: TOE_OUT,
    small: true,
    levels: levels([0.3, 0.2, 0.1], [0, 0, 0], [0.05, 0, -0.05], [0.2, 0.15, 0.1]),
  },
  noLead: {
    id: 'no-lead',
    title: 'Quad or dual flat no-lead',
    ends: TOE_OUT,
    levels: levels([0.4, 0.3, 0.2], [0, 0, 0], [-0.04, -0.04, -0.04], [0.5, 0.25, 0.1]),
  },
  pulledBack: {
    id: 'pulled-back',
    title: 'No-lead, pulled back from the edge',
    ends: TOE_OUT,
    levels: levels([0, 0, 0], [0, 0, 0], [0, 0, 0], [0.5, 0.25, 0.1]),
  },
  inwardFormed: {
    id: 'inward-formed',
    title: 'Inward-formed ribbon, moulded body',
    ends: { outer: 'heel', inner: 'toe' },
    levels: levels([0.8, 0.5, 0.2], [0.25, 0.15, 0.07], [0.01, -0.05, -0.1], [0.5, 0.25, 0.1]),
  },
  underCan: {
    id: 'under-can',
    title: `Can or crystal, lower than ${TALL_CAN} mm`,
    ends: TOE_OUT,
    levels: levels([0.7, 0.5, 0.3], [0, -0.05, -0.1], [0.5, 0.4, 0.3], [1, 0.5, 0.25]),
  },
  underTallCan: {
    id: 'under-tall-can',
    title: `Can or crystal, ${TALL_CAN} mm and taller`,
    ends: TOE_OUT,
    levels: levels([1, 0.7, 0.4], [0, -0.05, -0.1], [0.6, 0.5, 0.4], [1, 0.5, 0.25]),
  },
} as const satisfies Record<string, GoalRow>;

/**
 * Heel goals of gull wings whose feet reach to or under the body, as with most small transistors
 * and diodes (IPC-7351B, table 3-2, note on the heel).
 */
export const REDUCED_HEEL: Readonly<Record<PublishedLevel, number>> = { A: 0.25, B: 0.15, C: 0.05 };

type ByLevel = Readonly<Record<PublishedLevel, number>>;
const abc = (A: number, B: number, C: number): ByLevel => ({ A, B, C });

/** A row of the table of lands for collapsing balls, mm. */
export interface BallRow {
  readonly ball: number;
  readonly land: ByLevel;
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
export const HARD_BALL_FACTOR: ByLevel = abc(1.15, 1.1, 1.05);

/** Courtyard excess round grids and exposed pads, mm. */
export const GRID_COURTYARD: ByLevel = abc(2, 1, 0.5);

/** Where the hole allowances come from. */
export const HOLE_SOURCE = 'IPC-2222A, clause 9.2.3; IPC-7251, table 3-1';

/** Finished hole over the largest lead diagonal, mm. */
export const HOLE_ALLOWANCE: ByLevel = abc(0.25, 0.2, 0.15);
/** Largest hole over the smallest lead, mm. */
export const HOLE_MOST: ByLevel = abc(0.7, 0.7, 0.6);
/** Land over hole and rings, mm. */
export const LAND_ALLOWANCE: ByLevel = abc(0.6, 0.5, 0.4);
/** Courtyard excess round through-hole parts, and round most others, mm. */
export const PIN_COURTYARD: ByLevel = abc(0.5, 0.25, 0.1);
/** Step to which the land of a hole is rounded, mm. */
export const HOLE_LAND_STEP = 0.05;
