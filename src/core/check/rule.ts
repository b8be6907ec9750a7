import type { Finding, Measured, Remedy, Severity, Stage } from '../document/finding';
import { gapBetween, type Box } from '../geometry/box';
import type { Placed } from '../geometry/figure';
import { gapBetweenFigures } from '../geometry/gaps';
import { neighboursOf } from '../geometry/neighbours';
import type { Footprint, Land } from '../footprint/footprint';
import type { Point } from '../geometry/point';
import type { Padstack } from '../padstack/padstack';
import { formatMm, formatNumber, quantise } from '../units/length';
import type { CheckContext } from './context';
import type { Nearest, Probe } from './probes';
import type { Subject } from './subjects';

/** Something that misses its limit, and where. */
export interface Miss {
  readonly value: number;
  readonly at: Point;
  readonly lands: readonly Land[];
}

/** A finding without what its rule says already. */
export type RuleFinding = Pick<Finding, 'message' | 'place'> &
  Partial<Pick<Finding, 'severity' | 'measured' | 'remedies' | 'title' | 'source'>>;

/** One check: what it holds against which limit, from which source. */
export interface Rule {
  readonly id: string;
  /** What it holds to: how it is called where it holds. */
  readonly title: string;
  /** What is wrong where it does not hold: the headline of its findings. */
  readonly fault: string;
  /** Where the limit comes from: a clause, the process, or geometry. */
  readonly source: string;
  readonly severity: Severity;
  /** Where it is mended. */
  readonly stage: Stage;
  /** What a footprint has to have for the rule to say anything. */
  readonly looksAt: readonly Subject[];
  /** Places of a house standard that its limits come from, where a house says them. */
  readonly clauses?: readonly string[];
  readonly check: (context: CheckContext) => readonly RuleFinding[];
  /** Stricter limits under which it tells what comes nearest where it holds. */
  readonly probes?: readonly Probe[];
  /** What comes nearest, where a stricter limit does not tell. */
  readonly nearest?: (context: CheckContext) => readonly Nearest[];
}

/** Names of lands in messages: one that has no number is called so. */
const LANDS = new Set(['land', 'other', 'a', 'b']);

/**
 * Fills a message's `{name}` places; one that stands alone is not counted. Throws where a name has no value: that is a
 * fault of the rule.
 */
export function fill(template: string, values: Readonly<Record<string, string | number>>): string {
  const said = values['count'] === 1 ? template.replace('; {count} such in all', '') : template;
  return said.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = values[name];
    if (value === undefined) throw new Error(`message names {${name}}, which has no value`);
    return value === '' && LANDS.has(name) ? 'without a number' : String(value);
  });
}

/** Millimetres as messages print them. */
export function mm(value: number): string {
  return formatMm(value);
}

/**
 * One finding for all that miss a limit: the worst is told, all are lit up.
 * @param template may name `{value}`, `{limit}`, `{land}`, `{other}` and `{count}`, and what `values` adds
 * @param worse whether smaller or larger values are worse
 */
export function worstOf(
  misses: readonly Miss[],
  limit: number,
  unit: Measured['unit'],
  template: string,
  worse: 'smaller' | 'larger' = 'smaller',
  values: Readonly<Record<string, string | number>> = {},
): RuleFinding[] {
  const sign = worse === 'smaller' ? 1 : -1;
  // of equals the first: the last bits of a sum do not choose
  const [worst] = [...misses].sort((a, b) => sign * (quantise(a.value) - quantise(b.value)));
  if (!worst) return [];
  const [land, other] = worst.lands;
  const number = ({ number: name = '' }: Partial<Land> = {}) => name;
  const show = unit === 'share' ? (v: number) => `${formatNumber(v * 100, 0, 1)} %` : mm;
  return [
    {
      message: fill(template, {
        value: show(worst.value),
        limit: show(limit),
        land: number(land),
        other: number(other),
        count: misses.length,
        ...values,
      }),
      measured: { value: worst.value, limit, unit },
      place: { at: worst.at, lands: idsOf(misses.flatMap((miss) => miss.lands)) },
    },
  ];
}

/**
 * Lands that miss a limit by their padstack alone: it is measured once for each padstack.
 * @param valueOf what is measured of a padstack; `null` where it misses nothing
 */
export function missesByStack(
  { lands, padstacks }: Footprint,
  valueOf: (stack: Padstack) => number | null,
): Miss[] {
  const missing = new Map<Padstack, number>();
  for (const stack of padstacks) {
    const value = valueOf(stack);
    if (value !== null) missing.set(stack, value);
  }
  if (missing.size === 0) return [];
  return lands.flatMap((land): Miss[] => {
    const value = missing.get(land.padstack);
    return value === undefined ? [] : [{ value, at: land.copper.at, lands: [land] }];
  });
}

/** What lands are known by, each once. */
export function idsOf(lands: readonly Land[]): string[] {
  return [...new Set(lands.map(({ id }) => id))];
}

/** Two things that come closer than they may. */
export interface CloseCall<T> {
  readonly gap: number;
  readonly a: T;
  readonly b: T;
  readonly at: Point;
}

/** Pairs of things whose boxes come within a limit, in order. @param limit mm */
export function pairsWithin<T>(
  items: readonly T[],
  figureOf: (item: T) => Placed,
  limit: number,
): (readonly [T, T])[] {
  return Array.from(
    neighboursOf(items.map(figureOf)).pairs(limit),
    ([i, j]) => [items[i] as T, items[j] as T] as const,
  );
}

/** Pairs of one of some things with one of others whose boxes come within a limit. @param limit mm */
export function pairsBetween<T>(
  some: readonly T[],
  others: readonly T[],
  figureOf: (item: T) => Placed,
  limit: number,
): (readonly [T, T])[] {
  const found: (readonly [T, T])[] = [];
  for (const a of some)
    for (const b of others) if (gapBetween(figureOf(a), figureOf(b)) < limit) found.push([a, b]);
  return found;
}

/**
 * Those pairs that come closer than a limit, the closest first; of equals the first.
 * @param limit mm
 */
export function closerThan<T>(
  pairs: readonly (readonly [T, T])[],
  figureOf: (item: T) => Placed,
  limit: number,
): CloseCall<T>[] {
  const found: CloseCall<T>[] = [];
  for (const [a, b] of pairs) {
    const gap = gapBetweenFigures(figureOf(a), figureOf(b));
    if (gap < limit - 1e-9) found.push({ gap, a, b, at: between(figureOf(a), figureOf(b)) });
  }
  // the last bits of a sum do not choose
  return found.sort((p, q) => quantise(p.gap) - quantise(q.gap));
}

/** Whether two lands are one electrical node: copper of one number may touch. */
export function areOneNode(a: Land, b: Land): boolean {
  return a.number === b.number && a.number.trim() !== '';
}

/** Whether two lands have copper on the same side of the board; a hole brings it to both. */
export function shareSide(a: Land, b: Land): boolean {
  return a.hole !== null || b.hole !== null || a.far === b.far;
}

/** Drops every land size that was set by hand. */
export const TAKE_COMPUTED: Remedy = {
  label: 'Take the computed lands',
  edits: [
    { at: '/overrides/land', value: undefined },
    { at: '/overrides/lands', value: undefined },
    { at: '/recommended/adopted', value: undefined },
  ],
};

/** The middle of the shortest connection between two boxes: where a gap's balloon points. */
export function between(a: Box, b: Box): { x: number; y: number } {
  const middle = (aMin: number, aMax: number, bMin: number, bMax: number) =>
    (Math.max(aMin, bMin) + Math.min(aMax, bMax)) / 2;
  return {
    x: middle(a.minX, a.maxX, b.minX, b.maxX),
    y: middle(a.minY, a.maxY, b.minY, b.maxY),
  };
}
