import { apart, uOf, type Frame } from './frame';
import type { Foot } from './dimensions';
import { alike } from './lands';
import type { Thing, Used } from './solve';
import type { Shape, Stroke } from './strokes';

// What the ends of a dimension stand on: edges and middles of things, or the middle of all.

/** How far a foot may stand from what it measures, points. */
const OFF = 0.75;
/** What is drawn nearer than this is drawn at one place, points. */
export const SAME = 0.4;

interface Feature {
  readonly thing: number;
  /** −1 its low edge, 1 its high one, 0 its middle. */
  readonly edge: -1 | 0 | 1;
}

export const sameKind = (a: Thing | undefined, b: Thing | undefined) =>
  a?.role === b?.role && a?.shape.kind === b?.shape.kind;

/** How far a thing reaches along an axis and across it. */
export interface Extent {
  readonly lo: number;
  readonly hi: number;
  readonly low: number;
  readonly high: number;
}

/** The extent of a shape along an axis; up the page is up. */
export function extentOf({ area }: Shape, axis: 'x' | 'y'): Extent {
  return axis === 'x'
    ? { lo: area.x0, hi: area.x1, low: area.y0, high: area.y1 }
    : { lo: -area.y1, hi: -area.y0, low: area.x0, high: area.x1 };
}

export type Bound = Feature | 'centre';

/** What a foot stands on: an edge or the middle of a thing that its line leads to, or the middle of all. */
export function bind(
  foot: Foot,
  {
    things,
    spans,
    foreign,
    centre,
    strokes,
    frame,
  }: {
    readonly things: readonly Thing[];
    readonly spans: readonly Extent[];
    readonly foreign: readonly Extent[];
    readonly centre: Mirror | null;
    readonly strokes: readonly Stroke[];
    readonly frame: Frame;
  },
): Bound | 'foreign' | null {
  let best: { readonly bound: Bound | 'foreign'; readonly cost: number } | null = null;
  const [v0, v1] = [Math.min(foot.v0, foot.v1), Math.max(foot.v0, foot.v1)];
  const consider = (
    { lo, hi, low, high }: Extent,
    dear: number,
    bound: (edge: -1 | 0 | 1) => Bound | 'foreign',
  ) => {
    for (const edge of [-1, 1, 0] as const) {
      const at = edge === 0 ? (lo + hi) / 2 : edge < 0 ? lo : hi;
      const off = Math.abs(at - foot.u);
      if (off > OFF) continue;
      // the line ends at the thing or in it, and a thing that it passes is not meant
      const gap = apart(foot.v1, foot.v1, low, high);
      const passed = gap > 0 && apart(v0, v1, low, high) === 0 ? 4 : 0;
      const cost = 6 * off + gap + passed + dear;
      if (!best || cost < best.cost) best = { bound: bound(edge), cost };
    }
  };
  spans.forEach((span, thing) =>
    consider(span, things[thing]?.role === 'land' ? 0 : 2, (edge) => ({ thing, edge })),
  );
  for (const span of foreign) consider(span, 3, () => 'foreign');
  const found = best as { readonly bound: Bound | 'foreign'; readonly cost: number } | null;
  if (
    centre &&
    Math.abs(centre.at - foot.u) < OFF &&
    (found === null || found.cost > 25 || leadsTo(foot, strokes, frame))
  )
    return 'centre';
  return found && found.cost < FARTHEST ? found.bound : null;
}

/** A line that ends farther from everything leads to nothing that is known, points. */
const FARTHEST = 60;

/** Whether a foot stands on a centre line. */
function leadsTo(foot: Foot, strokes: readonly Stroke[], frame: Frame): boolean {
  return strokes.some(
    ({ a, b, isDashed }) =>
      isDashed &&
      Math.abs(uOf(frame, a) - foot.u) < OFF &&
      Math.abs(uOf(frame, b) - foot.u) < OFF &&
      Math.hypot(a.x - b.x, a.y - b.y) > 30,
  );
}

export interface Mirror {
  readonly at: number;
  /** Things that are each other's image. */
  readonly pairs: readonly (readonly [number, number])[];
}

/** The middle of lands that are the same on both sides of it; `null` where they are not. */
export function mirror(things: readonly Thing[], spans: readonly Extent[]): Mirror | null {
  const lands = things.flatMap(({ role }, i) => (role === 'land' ? [i] : []));
  if (lands.length === 0) return null;
  const lo = Math.min(...lands.map((i) => spans[i]?.lo ?? 0));
  const hi = Math.max(...lands.map((i) => spans[i]?.hi ?? 0));
  const at = (lo + hi) / 2;
  const image = (i: number): number | undefined => {
    const one = spans[i];
    if (!one) return undefined;
    return things.findIndex((other, j) => {
      const to = spans[j];
      return (
        to !== undefined &&
        sameKind(things[i], other) &&
        alike((things[i] as Thing).shape, other.shape) &&
        Math.abs(2 * at - (one.lo + one.hi) / 2 - (to.lo + to.hi) / 2) < 2 * SAME &&
        Math.abs(one.low - to.low) < 2 * SAME
      );
    });
  };
  const pairs: (readonly [number, number])[] = [];
  for (const [i] of things.entries()) {
    const j = image(i);
    if (j === undefined || j < 0) {
      if (things[i]?.role === 'land') return null;
      continue;
    }
    if (j >= i) pairs.push([i, j]);
  }
  return { at, pairs };
}

/** Things of one size in one line, in order. */
export function rowsOf(things: readonly Thing[], spans: readonly Extent[]): number[][] {
  const rows: number[][] = [];
  things.forEach((thing, i) => {
    const row = rows.find(
      ([first]) =>
        first !== undefined &&
        sameKind(thing, things[first]) &&
        alike(thing.shape, (things[first] as Thing).shape) &&
        Math.abs((spans[first]?.low ?? 0) - (spans[i]?.low ?? 0)) < SAME,
    );
    if (row) row.push(i);
    else rows.push([i]);
  });
  return rows
    .filter((row) => row.length > 2)
    .map((row) => row.sort((a, b) => (spans[a]?.lo ?? 0) - (spans[b]?.lo ?? 0)));
}

/** What kind of length lies between two places. */
export function kindOf(a: Bound, b: Bound, things: readonly Thing[]): Used['kind'] {
  if (a === 'centre' || b === 'centre') return 'other';
  if (a.thing === b.thing) return a.edge !== 0 && b.edge !== 0 ? 'size' : 'other';
  if (a.edge === 0 && b.edge === 0) {
    const [p, q] = [things[a.thing], things[b.thing]];
    return p && q && sameKind(p, q) && alike(p.shape, q.shape) ? 'pitch' : 'centre';
  }
  if (a.edge === 1 && b.edge === -1) return 'gap';
  return a.edge === -1 && b.edge === 1 ? 'outer' : 'other';
}

/** A length in words: what is measured of one thing, or between which two. */
export function lengthWords(a: Bound, b: Bound, things: readonly Thing[], axis: 'x' | 'y'): string {
  const kind = kindOf(a, b, things);
  if (a !== 'centre' && b !== 'centre') {
    const [p, q] = [things[a.thing]?.name ?? '', things[b.thing]?.name ?? ''];
    if (kind === 'size') return `${axis === 'x' ? 'width' : 'height'} of ${p}`;
    if (kind === 'pitch' || kind === 'centre') return `${p} to ${q}, centre to centre`;
    if (kind === 'gap') return `gap between ${p} and ${q}`;
    if (kind === 'outer') return `over ${p} and ${q}`;
  }
  return `${edgeWords(a, things)} to ${edgeWords(b, things)}`;
}

function edgeWords(bound: Bound, things: readonly Thing[]): string {
  if (bound === 'centre') return 'the centre line';
  const name = things[bound.thing]?.name ?? '';
  return bound.edge === 0 ? `centre of ${name}` : `edge of ${name}`;
}
