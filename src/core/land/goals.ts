import type { SpanGroup, TerminalForm } from '../package/terminal';
import type { Level, PublishedLevel } from '../standard/levels';
import {
  FINE_PITCH,
  GOAL_ROWS,
  GOAL_SIZES,
  GOALS_SOURCE,
  goalSizeTitle,
  REDUCED_HEEL,
  SMALL_CHIP,
  TALL_CAN,
  type GoalRow,
  type Goals,
  type GoalSize,
} from '../standard/published';
import {
  AS_PUBLISHED,
  asGoalRow,
  cited,
  wanted,
  wantedAt,
  type Band,
  type OwnRow,
  type Standard,
  type Stated,
  type Wanted,
} from '../standard/standard';
import { formatNumber } from '../units/length';
import type { Step } from './derivation';

/** What a house wants of lands, and which package they are of. */
export interface House {
  readonly standard: Standard;
  /** Ids by which rows of a standard may name the package: its family, and its own family. */
  readonly families: readonly string[];
}

/** Lands as they are published. */
export const NO_HOUSE: House = { standard: AS_PUBLISHED, families: [] };

/** How each form finds its published row: by pitch, size or height where the standard tells them apart. */
const ROW_OF: Readonly<Record<TerminalForm, (group: SpanGroup, standard: Standard) => GoalRow>> = {
  'gull-wing': ({ pitch }, standard) =>
    pitch !== null && pitch <= wanted(standard, 'bands/fine-pitch', FINE_PITCH).value + 1e-9
      ? GOAL_ROWS.gullWingFine
      : GOAL_ROWS.gullWing,
  'rectangular-end': ({ span }, standard) =>
    span.nom < wanted(standard, 'bands/small-chip', SMALL_CHIP).value - 1e-9
      ? GOAL_ROWS.rectangularEndSmall
      : GOAL_ROWS.rectangularEnd,
  'j-lead': () => GOAL_ROWS.jLead,
  castellated: () => GOAL_ROWS.castellated,
  'chip-array': () => GOAL_ROWS.chipArray,
  'flat-lug': () => GOAL_ROWS.flatLug,
  'flat-lead': () => GOAL_ROWS.flatLead,
  'no-lead': () => GOAL_ROWS.noLead,
  'pulled-back': () => GOAL_ROWS.pulledBack,
  'cylindrical-end': () => GOAL_ROWS.cylindricalEnd,
  'inward-formed': () => GOAL_ROWS.inwardFormed,
  'under-can': ({ height }, standard) =>
    (height ?? 0) >= wanted(standard, 'bands/tall-can', TALL_CAN).value - 1e-9
      ? GOAL_ROWS.underTallCan
      : GOAL_ROWS.underCan,
};

/** The published row that holds for a group of terminals, by their form, pitch and size. */
export function goalRowFor(group: SpanGroup, standard: Standard = AS_PUBLISHED): GoalRow {
  return ROW_OF[group.form](group, standard);
}

/** The goals of a group at a level, who wants them, and whether its heel has less of them. */
export interface GroupGoals {
  /** The row that holds: one of the house's own, or a published one. */
  readonly row: GoalRow;
  /** The published row that holds, or would without the house's own. */
  readonly published: GoalRow;
  readonly goals: Goals;
  readonly wanted: Readonly<Record<GoalSize, Wanted<number>>>;
  /** Of a gull wing: inside distance and body that decide on its heel, mm; `null` for other forms. */
  readonly heel: { readonly inside: number; readonly body: number; readonly reduced: boolean } | null;
  /** The least that the heel has where the feet reach to the body. */
  readonly leastHeel: number;
}

/** The full heel goal holds where the inside distance clears the largest body: Smin > E1max. */
export function goalsFor(
  group: SpanGroup,
  level: Level,
  { standard, families }: House = NO_HOUSE,
): GroupGoals {
  const published = goalRowFor(group, standard);
  const own = standard.rows.find((row) => holdsFor(row, group, families));
  const row = own ? { ...asGoalRow(own), ends: published.ends, small: published.small ?? false } : published;
  const goalAt = (size: GoalSize): Wanted<number> => {
    const usual = wantedAt(standard, `goals/${published.id}/${size}`, level, bySize(published, size));
    if (!own) return usual;
    const said = wantedAt(standard, `goals/${own.id}/${size}`, level, bySize(published, size));
    return said.stated ? said : usual;
  };
  const sizes = Object.fromEntries(GOAL_SIZES.map((size) => [size, goalAt(size)])) as Record<
    GoalSize,
    Wanted<number>
  >;
  const least = wantedAt(standard, 'goals/heel-to-body', level, REDUCED_HEEL);
  const goals = Object.fromEntries(GOAL_SIZES.map((size) => [size, sizes[size].value])) as unknown as Goals;
  if (group.form !== 'gull-wing' || !group.body)
    return { row, published, goals, wanted: sizes, heel: null, leastHeel: least.value };
  const inside = group.inside?.min ?? group.span.min - 2 * group.length.max;
  const body = group.body.size.max;
  const reduced = inside <= body + 1e-9;
  return {
    row,
    published,
    goals: reduced ? { ...goals, inner: least.value } : goals,
    wanted: reduced ? { ...sizes, inner: least } : sizes,
    heel: { inside, body, reduced },
    leastHeel: least.value,
  };
}

function bySize({ levels }: GoalRow, size: GoalSize): Record<PublishedLevel, number> {
  return { A: levels.A[size], B: levels.B[size], C: levels.C[size] };
}

/** Whether a row of a house's own holds for a group of terminals. */
function holdsFor(
  { form, families, pitch, size, height }: OwnRow,
  group: SpanGroup,
  names: readonly string[],
): boolean {
  return (
    (form === undefined || form === group.form) &&
    (families === undefined || families.some((name) => names.includes(name))) &&
    within(pitch, group.pitch) &&
    within(size, group.span.nom) &&
    within(height, group.height ?? null)
  );
}

function within(band: Band | undefined, value: number | null): boolean {
  if (!band) return true;
  if (value === null) return false;
  const [above, upTo] = band;
  return (above === null || value > above + 1e-9) && (upTo === null || value <= upTo + 1e-9);
}

/** Symbols of the goals in the land formulas. */
const SYMBOLS = { outer: 'J_outer', inner: 'J_inner', side: 'J_side' } as const;

/** Steps that name the goals which a house wants otherwise than they are published. */
export function goalSteps({ row, wanted: sizes }: GroupGoals): Step[] {
  return (Object.entries(SYMBOLS) as [keyof typeof SYMBOLS, string][]).flatMap(([size, symbol]): Step[] => {
    const { stated, value, published } = sizes[size];
    return stated ? [houseStep(symbol, value, published, stated, goalSizeTitle(row, size))] : [];
  });
}

/** A step that says what a house wants in place of what is published. */
export function houseStep(
  symbol: string,
  value: number,
  published: number,
  stated: Stated,
  what?: string,
): Step {
  const reason = stated.reason?.trim() ? `: ${stated.reason.trim()}` : '';
  return {
    symbol,
    formula: symbol,
    values: { [symbol]: published },
    result: value,
    note: `${what ? `${what}, ` : ''}${cited(stated)}, over ${formatNumber(published, 2, 4)} as published${reason}`,
  };
}

/** Where goals come from: the clauses of a house, then what is published. */
export function goalsSource({ wanted: sizes }: GroupGoals): string {
  return sourceOver(
    GOAL_SIZES.map((size) => sizes[size].stated),
    GOALS_SOURCE,
  );
}

/** A source with the clauses that go before it. */
export function sourceOver(stated: readonly (Stated | null)[], published: string): string {
  const clauses = [...new Set(stated.flatMap((one) => (one ? [cited(one)] : [])))];
  return [...clauses, published].join('; over ');
}
