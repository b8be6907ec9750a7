import type { MEASURED } from '../document/intent';
import { wayRound } from '../geometry/creepage';
import type { Point } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';
import { quantise } from '../units/length';
import type { Spread, Thing } from './things';

/** What is measured between two things. */
export type Distance = (typeof MEASURED)[number];

/** Distances in words. */
export const DISTANCE_WORDS: Readonly<Record<Distance, string>> = {
  straight: 'straight',
  x: 'across, x',
  y: 'upright, y',
  height: 'height',
  gap: 'gap',
  centre: 'middle to middle',
  outer: 'over both',
};

/** One measured distance, and the line that shows it. mm */
export interface MeasuredDistance {
  readonly what: Distance;
  /** Least below nothing: the two may overlap. */
  readonly value: Spread;
  /** In the plan, or across and height in an elevation. */
  readonly from: Point;
  readonly to: Point;
  /** Of a straight line, degrees counter-clockwise from the right. */
  readonly angle?: number;
}

/** Everything that can be said of how far two things are apart; nothing where no distance means anything. */
export function measure(a: Thing, b: Thing): MeasuredDistance[] {
  if (a.id === b.id) return [];
  if (a.kind === 'height' || b.kind === 'height') {
    if (a.kind !== 'height' || b.kind !== 'height') return [];
    const x = a.drawn[0]?.x ?? 0;
    return [along('height', a.z, b.z, { x, y: a.z.nom }, { x, y: b.z.nom })];
  }
  if (a.kind === 'outline' && b.kind === 'outline') return outlines(a, b);
  const [x, y] = [across(a, b), upright(a, b)];
  const found: MeasuredDistance[] = [];
  const [p, q] = [nearestOn(a, b), nearestOn(b, a)];
  if (a.kind === 'outline' || b.kind === 'outline') {
    const way = wayRound(polygonOf(a), polygonOf(b), []);
    const [from = p, to = q] = way?.points ?? [];
    found.push({ ...line('straight', from, to), value: exactly(way?.length ?? 0) });
  }
  if (a.kind === 'point' && b.kind === 'point') found.push(line('straight', p, q));
  if (x) found.push(along('x', x[0], x[1], p, { x: q.x, y: p.y }));
  if (y) found.push(along('y', y[0], y[1], p, { x: p.x, y: q.y }));
  return found;
}

const exactly = (v: number): Spread => ({ min: quantise(v), nom: quantise(v), max: quantise(v) });

/** Gap, middles and outsides of two shapes. */
function outlines(a: Thing & { kind: 'outline' }, b: Thing & { kind: 'outline' }): MeasuredDistance[] {
  const way = wayRound(a.outline, b.outline, []);
  const [p, q] = [a.middle, b.middle];
  const [from = p] = way?.points ?? [];
  const to = way?.points.at(-1) ?? q;
  const length = Math.hypot(q.x - p.x, q.y - p.y);
  const found: MeasuredDistance[] = [
    { ...line('gap', from, to), value: exactly(way?.length ?? 0) },
    line('centre', p, q),
  ];
  if (length > 1e-9) {
    // along the line of the middles
    const [ux, uy] = [(q.x - p.x) / length, (q.y - p.y) / length];
    const on = (polygon: Polygon) => polygon.map(({ x, y }) => (x - p.x) * ux + (y - p.y) * uy);
    const [low, high] = [Math.min(...on(a.outline)), Math.max(...on(b.outline))];
    const at = (t: number) => ({ x: p.x + t * ux, y: p.y + t * uy });
    found.push({ ...line('outer', at(low), at(high)), value: exactly(high - low) });
    found.push(along('x', exactly(p.x), exactly(q.x), p, { x: q.x, y: p.y }));
    found.push(along('y', exactly(p.y), exactly(q.y), p, { x: p.x, y: q.y }));
  }
  return found;
}

function line(what: Distance, from: Point, to: Point): MeasuredDistance {
  const angle = quantise((Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI);
  return { what, from, to, value: exactly(Math.hypot(to.x - from.x, to.y - from.y)), angle };
}

/** The distance of two places along one axis, with what their tolerances make of it. */
function along(what: Distance, a: Spread, b: Spread, from: Point, to: Point): MeasuredDistance {
  const isAhead = b.nom >= a.nom;
  const [low, high] = isAhead ? [a, b] : [b, a];
  const value = {
    min: quantise(high.min - low.max),
    nom: quantise(high.nom - low.nom),
    max: quantise(high.max - low.min),
  };
  return { what, value, from, to };
}

type Flat = Exclude<Thing, { kind: 'height' }>;

function across(a: Flat, b: Flat): readonly [Spread, Spread] | null {
  const of = (thing: Flat) => (thing.kind === 'point' || thing.kind === 'upright' ? thing.x : null);
  const [p, q] = [of(a), of(b)];
  return p && q ? [p, q] : null;
}

function upright(a: Flat, b: Flat): readonly [Spread, Spread] | null {
  const of = (thing: Flat) => (thing.kind === 'point' || thing.kind === 'level' ? thing.y : null);
  const [p, q] = [of(a), of(b)];
  return p && q ? [p, q] : null;
}

/** A thing as an outline: a point and an edge have no width. */
const polygonOf = (thing: Flat): Polygon => (thing.kind === 'outline' ? thing.outline : thing.drawn);

/** The place on a thing that a line to another one leaves from. */
function nearestOn(thing: Flat, other: Flat): Point {
  if (thing.kind === 'outline') return thing.middle;
  const [p, q] = [thing.drawn[0], thing.drawn.at(-1)];
  if (!p || !q || thing.kind === 'point') return p ?? { x: 0, y: 0 };
  const to = other.kind === 'outline' ? other.middle : middleOf(other.drawn);
  const within = (v: number, a: number, b: number) => Math.min(Math.max(v, Math.min(a, b)), Math.max(a, b));
  return thing.kind === 'upright'
    ? { x: p.x, y: within(to.y, p.y, q.y) }
    : { x: within(to.x, p.x, q.x), y: p.y };
}

function middleOf(points: readonly Point[]): Point {
  const [p, q] = [points[0], points.at(-1)];
  return p && q ? { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 } : { x: 0, y: 0 };
}

/** The smallest gap between two groups of shapes: which two it is between, and where. */
export function nearestPair(
  some: readonly Thing[],
  others: readonly Thing[],
): { readonly a: Thing; readonly b: Thing; readonly gap: MeasuredDistance } | null {
  let best: { readonly a: Thing; readonly b: Thing; readonly gap: MeasuredDistance } | null = null;
  for (const a of some)
    for (const b of others) {
      if (a.kind !== 'outline' || b.kind !== 'outline' || a.id === b.id) continue;
      const [gap] = outlines(a, b);
      if (gap && gap.value.nom < (best?.gap.value.nom ?? Infinity)) best = { a, b, gap };
    }
  return best;
}
