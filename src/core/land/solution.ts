import type { Level, TrimId } from '../document/document';
import type { Figure } from '../geometry/figure';
import type { Step } from './derivation';
import type { HoleAllowances } from './solve-pin';
import { NO_HOUSE, type House } from './goals';
import type { GoalRow, Goals } from '../standard/published';
import type { PinGroup, SpanGroup, SpotGroup } from '../package/terminal';
import type { LandSize } from './solver';

/** Symbols of land sizes that a person can set: width, length, centre distance, diameter, hole. */
export type SettableSize = 'X' | 'Y' | 'C' | 'D' | 'H';

/** What stays where it is when a land's length is set by hand. */
export type Hold = 'centre' | 'gap' | 'outer';

/** What the person decided about the lands of one group; lengths in mm. */
export interface GroupChoices {
  readonly sizes: Readonly<Partial<Record<SettableSize, number>>>;
  readonly hold: Hold;
}

/** What the person decided about all lands. */
export interface LandChoices {
  /** Rounding step; `null` takes the process's. */
  readonly rounding: number | null;
  /** Trims that are switched off. */
  readonly untrimmed: ReadonlySet<TrimId>;
  readonly of: (group: string) => GroupChoices;
  readonly house: House;
}

export const NO_GROUP_CHOICES: GroupChoices = { sizes: {}, hold: 'centre' };
export const NO_CHOICES: LandChoices = {
  rounding: null,
  untrimmed: new Set(),
  of: () => NO_GROUP_CHOICES,
  house: NO_HOUSE,
};

interface AnySolution<G> {
  /** The terminals that the lands are for, and where they stand. */
  readonly terminals: G;
  readonly level: Level;
  /** Which row of which table holds. */
  readonly title: string;
  readonly source: string;
  /** Courtyard excess, mm. */
  readonly courtyard: number;
  readonly rounding: number;
  readonly trims: readonly TrimId[];
  readonly derivation: readonly Step[];
}

/** Lands under terminals of one span, by the land formulas. */
export interface SpanSolution extends AnySolution<SpanGroup> {
  readonly kind: 'span';
  readonly goalRow: GoalRow;
  readonly goals: Goals;
  /** Straight from the formulas. */
  readonly computed: LandSize;
  /** After rounding and trims, before anything set by hand. */
  readonly proposed: LandSize;
  /** As used. */
  readonly land: LandSize;
  /** The lands at the corners of a quad package where they had to be shortened. */
  readonly corner: LandSize | null;
}

/** Lands of grids and exposed pads, by table or as large as their terminals. */
export interface SpotSolution extends AnySolution<SpotGroup> {
  readonly kind: 'spot';
  readonly computed: Figure;
  readonly figure: Figure;
}

/** Holes and lands of leads that go through the board. */
export interface PinSolution extends AnySolution<PinGroup> {
  readonly kind: 'pin';
  readonly computed: { readonly hole: number; readonly figure: Figure };
  readonly hole: number;
  readonly figure: Figure;
  readonly allowances: HoleAllowances;
}

/** A group of terminals with its lands at one level, and how they came about. */
export type SolvedGroup = SpanSolution | SpotSolution | PinSolution;

/** One size of a solution as it is listed. */
export interface SizeRow {
  readonly symbol: string;
  readonly name: string;
  /** mm */
  readonly value: number;
  /** Before anything was set by hand, mm. */
  readonly proposed: number;
  /** Whether a person can set it. */
  readonly settable: boolean;
}

/** The sizes of a solution in the order in which a drawing lists them. */
export function sizesOf(solution: SolvedGroup): SizeRow[] {
  if (solution.kind === 'span') {
    const { land, proposed } = solution;
    const row = (symbol: keyof LandSize, name: string, settable: boolean): SizeRow => ({
      symbol,
      name,
      value: land[symbol],
      proposed: proposed[symbol],
      settable,
    });
    // a row that stands alone has no distances
    if (solution.terminals.lone) return [row('Y', 'Land length', true), row('X', 'Land width', true)];
    return [
      row('Z', 'Outer distance', false),
      row('G', 'Inner distance', false),
      row('C', 'Centre distance', true),
      row('Y', 'Land length', true),
      row('X', 'Land width', true),
    ];
  }
  const before = solution.kind === 'pin' ? solution.computed.figure : solution.computed;
  const sizes = figureRows(solution.figure, before);
  if (solution.kind === 'spot') return sizes;
  const { hole, computed } = solution;
  return [
    { symbol: 'H', name: 'Finished hole', value: hole, proposed: computed.hole, settable: true },
    ...sizes,
  ];
}

function figureRows(figure: Figure, before: Figure): SizeRow[] {
  if (figure.kind === 'round') {
    const proposed = before.kind === 'round' ? before.diameter : before.width;
    return [{ symbol: 'D', name: 'Land diameter', value: figure.diameter, proposed, settable: true }];
  }
  const size = before.kind === 'round' ? { width: before.diameter, height: before.diameter } : before;
  return [
    { symbol: 'Y', name: 'Land length', value: figure.width, proposed: size.width, settable: true },
    { symbol: 'X', name: 'Land width', value: figure.height, proposed: size.height, settable: true },
  ];
}

/**
 * The steps that lead to one symbol: those of the symbol itself and of what they are made of,
 * in order. Z and G are derived anew after rounding, so their card ends with that.
 */
export function derivationOf(solution: SolvedGroup, symbol: string): Step[] {
  const needed = new Set<string>([symbol]);
  if (solution.kind === 'span' && (symbol === 'Y' || symbol === 'C')) needed.add('Z').add('G');
  const kept: Step[] = [];
  for (const step of [...solution.derivation].reverse()) {
    if (!needed.has(step.symbol)) continue;
    kept.unshift(step);
    for (const name of Object.keys(step.values)) needed.add(name);
  }
  if (solution.kind !== 'span' || (symbol !== 'Z' && symbol !== 'G')) return kept;
  const final = solution.land[symbol];
  const last = kept.findLast((step) => step.symbol === symbol);
  if (last && Math.abs(last.result - final) > 1e-9) {
    const { C, Y } = solution.land;
    const formula = symbol === 'Z' ? 'C + Y' : 'C − Y';
    kept.push({ symbol, formula, values: { C, Y }, result: final, note: 'from the land as used' });
  }
  return kept;
}
