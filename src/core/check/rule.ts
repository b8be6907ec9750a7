import type { Finding, Measured, Remedy, Severity, Stage } from '../document/finding';
import type { Box } from '../geometry/box';
import type { Placed } from '../geometry/figure';
import { gapBetweenFigures } from '../geometry/gaps';
import { neighboursOf, type Neighbours } from '../geometry/neighbours';
import type { Compiled, Footprint, Land } from '../footprint/footprint';
import type { Point } from '../geometry/point';
import type { SolvedGroup } from '../land/solution';
import { formatMm, formatNumber, quantise } from '../units/length';
import type { Process } from '../process/process';
import type { Subject } from './subjects';

/** What a rule looks at. The index answers for the lands, in their order. */
export interface CheckContext {
  readonly compiled: Compiled;
  readonly footprint: Footprint;
  readonly process: Process;
  readonly lands: Neighbours;
  /** The group of terminals that a land belongs to. */
  readonly groupOf: (land: Land) => SolvedGroup;
}

/** Something that misses its limit, and where. */
export interface Miss {
  readonly value: number;
  readonly at: Point;
  readonly lands: readonly Land[];
}

/** A finding without what its rule says already. */
export type RuleFinding = Pick<Finding, 'message' | 'place'> &
  Partial<Pick<Finding, 'severity' | 'measured' | 'remedies' | 'title'>>;

/** One check: what it holds against which limit, from which source. */
export interface Rule {
  readonly id: string;
  readonly title: string;
  /** Where the limit comes from: a clause, the process, or geometry. */
  readonly source: string;
  readonly severity: Severity;
  /** Where it is mended. */
  readonly stage: Stage;
  /** What a footprint has to have for the rule to say anything. */
  readonly looksAt: readonly Subject[];
  readonly check: (context: CheckContext) => readonly RuleFinding[];
}

/** Fills a message's `{name}` places. Throws where a name has no value: that is a fault of the rule. */
export function fill(template: string, values: Readonly<Record<string, string | number>>): string {
  return template.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = values[name];
    if (value === undefined) throw new Error(`message names {${name}}, which has no value`);
    return String(value);
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

/**
 * All pairs that come closer than a limit, the closest first.
 * @param limit mm
 * @param meant which pairs have to keep a distance at all
 * @param index over the figures in their order, where there is one already
 */
export function closerThan<T>(
  items: readonly T[],
  figureOf: (item: T) => Placed,
  limit: number,
  meant: (a: T, b: T) => boolean = () => true,
  index: Neighbours = neighboursOf(items.map(figureOf)),
): CloseCall<T>[] {
  const found: (CloseCall<T> & { readonly order: readonly [number, number] })[] = [];
  for (const [i, j] of index.pairs(limit)) {
    const [a, b] = [items[i] as T, items[j] as T];
    if (!meant(a, b)) continue;
    const gap = gapBetweenFigures(figureOf(a), figureOf(b));
    if (gap < limit - 1e-9)
      found.push({
        gap,
        a,
        b,
        at: between(figureOf(a), figureOf(b)),
        order: [Math.min(i, j), Math.max(i, j)],
      });
  }
  // of equals the first: the last bits of a sum do not choose
  return found.sort(
    (p, q) => quantise(p.gap) - quantise(q.gap) || p.order[0] - q.order[0] || p.order[1] - q.order[1],
  );
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
