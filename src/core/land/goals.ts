import type { Level } from '../document/document';
import type { SpanGroup, TerminalForm } from '../package/terminal';

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
  readonly levels: Readonly<Record<Level, Goals>>;
}

export const GOALS_SOURCE = 'IPC-7351B, tables 3-2 to 3-6';

/** Pitch above which gull-wing leads take the wider side goals (IPC-7351B tables 3-2 and 3-3). */
export const FINE_PITCH = 0.625;

/** Chips shorter than this take the goals for small chips: below 1608 metric. */
export const SMALL_CHIP = 1.6;

/** Height from which cans and crystals take the larger goals. */
export const TALL_CAN = 10;

type Triple = readonly [a: number, b: number, c: number];

function levels(outer: Triple, inner: Triple, side: Triple, courtyard: Triple): Record<Level, Goals> {
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

/** How each form finds its row: by pitch, size or height where the standard tells them apart. */
const ROW_OF: Readonly<Record<TerminalForm, (group: SpanGroup) => GoalRow>> = {
  'gull-wing': ({ pitch }) =>
    pitch !== null && pitch <= FINE_PITCH ? GOAL_ROWS.gullWingFine : GOAL_ROWS.gullWing,
  'rectangular-end': ({ span }) =>
    span.nom < SMALL_CHIP - 1e-9 ? GOAL_ROWS.rectangularEndSmall : GOAL_ROWS.rectangularEnd,
  'j-lead': () => GOAL_ROWS.jLead,
  castellated: () => GOAL_ROWS.castellated,
  'chip-array': () => GOAL_ROWS.chipArray,
  'flat-lug': () => GOAL_ROWS.flatLug,
  'flat-lead': () => GOAL_ROWS.flatLead,
  'no-lead': () => GOAL_ROWS.noLead,
  'pulled-back': () => GOAL_ROWS.pulledBack,
  'cylindrical-end': () => GOAL_ROWS.cylindricalEnd,
  'inward-formed': () => GOAL_ROWS.inwardFormed,
  'under-can': ({ height }) =>
    (height ?? 0) >= TALL_CAN - 1e-9 ? GOAL_ROWS.underTallCan : GOAL_ROWS.underCan,
};

/** The goal row that holds for a group of terminals, by their form, pitch and size. */
export function goalRowFor(group: SpanGroup): GoalRow {
  return ROW_OF[group.form](group);
}

/**
 * Heel goals of gull wings whose feet reach to or under the body, as with most small transistors
 * and diodes (IPC-7351B, table 3-2, note on the heel).
 */
export const REDUCED_HEEL: Readonly<Record<Level, number>> = { A: 0.25, B: 0.15, C: 0.05 };

/** The goals of a group at a level, and whether its heel has less of them. */
export interface GroupGoals {
  readonly goals: Goals;
  /** Of a gull wing: inside distance and body that decide on its heel, mm; `null` for other forms. */
  readonly heel: { readonly inside: number; readonly body: number; readonly reduced: boolean } | null;
}

/** The full heel goal holds where the inside distance clears the largest body: Smin > E1max. */
export function goalsFor(group: SpanGroup, level: Level): GroupGoals {
  const goals = goalRowFor(group).levels[level];
  if (group.form !== 'gull-wing' || !group.body) return { goals, heel: null };
  const inside = group.inside?.min ?? group.span.min - 2 * group.length.max;
  const body = group.body.size.max;
  const reduced = inside <= body + 1e-9;
  return {
    goals: reduced ? { ...goals, inner: REDUCED_HEEL[level] } : goals,
    heel: { inside, body, reduced },
  };
}
