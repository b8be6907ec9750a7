import { boxOfPoints, type Box } from '../../geometry/box';
import { flatten } from '../../geometry/contour';
import { contourOf, place, sizeOf as sidesOf, type Placed } from '../../geometry/figure';
import { neighboursOf } from '../../geometry/neighbours';
import { distance, type Point } from '../../geometry/point';
import {
  area,
  encloses,
  hullOf,
  inflate,
  stroked,
  subtract,
  uniteAreas,
  type Polygon,
} from '../../geometry/polygon';
import { formatNumber, quantise } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import { figuresOf } from './read-macro';
import type { FilmObject } from './read-gerber';

// What is dark on a film once everything is laid over each other in its order: what is taken away is taken
// away, and areas that were filled stroke by stroke are told from conductors.

/** A dark area of a film. */
export interface Ink {
  readonly placed: Placed;
  /** What is free within it. */
  readonly openings: readonly Polygon[];
  /** What the film says of it. */
  readonly said: Pick<FilmObject, 'use' | 'component' | 'number' | 'pinName' | 'kind'>;
  /** Whether it was filled by strokes. */
  readonly isPainted: boolean;
}

/** A film as areas, and what of it is none. */
export interface Inked {
  readonly areas: readonly Ink[];
  /** Strokes that fill nothing: conductors, on copper. */
  readonly strokes: readonly FilmObject[];
  /** Whether strokes were too many to be looked through for areas. */
  readonly isUnsought: boolean;
  /** Lone straight strokes, which are conductors or lands: what they cover, and where they start. */
  readonly lone: readonly Ink[];
}

/** Pairs of dark and clear things that may meet, and strokes that are looked through for areas, at most. */
const MOST_PAIRS = 40_000;
const MOST_STROKES = 5000;

/** Areas are as wide as this many of their strokes at least; a film's share of them that is. */
const WIDER = 1.1;
const FILLED = 0.8;
/** What opens where two conductors cross is smaller than this many squares of their width. */
const CROSSING = 4;

/** The areas of a film. @returns or why they cannot be told */
export function inkOf(objects: readonly FilmObject[]): Result<Inked, string> {
  const strokes: FilmObject[] = [];
  const dark: { readonly ink: Ink; readonly order: number }[] = [];
  const clear: { readonly outline: readonly Polygon[]; readonly order: number }[] = [];
  objects.forEach((object, order) => {
    if (object.clear) clear.push({ outline: outlinesOf(object), order });
    else if (object.kind === 'line') strokes.push(object);
    else if (object.placed)
      dark.push({
        ink: { placed: object.placed, openings: object.openings ?? [], said: object, isPainted: false },
        order,
      });
  });
  const painted = paintedOf(strokes);
  const orderOf = new Map(objects.map((object, order) => [object, order]));
  dark.push(...painted.areas.map(({ ink, last }) => ({ ink, order: orderOf.get(last) ?? objects.length })));
  const cut = clear.length === 0 ? ok(dark.map(({ ink }) => ink)) : cutBy(dark, clear);
  if (!cut.ok) return cut;
  const isUnsought = strokes.length > 0 && painted.strokes === strokes;
  return ok({ areas: cut.value, strokes: painted.strokes, lone: painted.lone, isUnsought });
}

/** What an area covers: its outline, and what is free within it the other way round. */
export const coveredBy = ({ placed, openings }: Pick<Ink, 'placed' | 'openings'>): readonly Polygon[] =>
  openings.length > 0
    ? subtract([flatten(contourOf(placed))], openings.map(solid))
    : [flatten(contourOf(placed))];

/** What an object covers: outlines counter-clockwise, what is free within clockwise. */
function outlinesOf({ placed, openings = [], points, width = 0, swept }: FilmObject): readonly Polygon[] {
  if (placed) return coveredBy({ placed, openings });
  if (swept) return [swept];
  return points && width > 0 ? stroked(points, width) : [];
}

const solid = (polygon: Polygon): Polygon => (area(polygon) < 0 ? [...polygon].reverse() : polygon);

/** Dark areas without what is taken away after they were drawn. */
function cutBy(
  dark: readonly { readonly ink: Ink; readonly order: number }[],
  clear: readonly { readonly outline: readonly Polygon[]; readonly order: number }[],
): Result<readonly Ink[], string> {
  const index = neighboursOf(clear.map(({ outline }) => boxOfPoints(outline.flat()) ?? NOWHERE));
  const met: (readonly number[])[] = [];
  let pairs = 0;
  for (const { ink, order } of dark) {
    const over = index.near(ink.placed).filter((i) => (clear[i]?.order ?? 0) > order);
    met.push(over);
    pairs += over.length;
    if (pairs > MOST_PAIRS)
      return fail(
        `It takes away from its areas more often than is read (${formatNumber(MOST_PAIRS)} crossings).`,
      );
  }
  const made: Ink[] = [];
  for (const [i, { ink }] of dark.entries()) {
    const over = met[i] ?? [];
    if (over.length === 0) {
      made.push(ink);
      continue;
    }
    const whole = [flatten(contourOf(ink.placed)), ...ink.openings.map((one) => [...solid(one)].reverse())];
    const left = subtract(
      whole,
      over.flatMap((i) => clear[i]?.outline ?? []),
    );
    const before = whole.reduce((sum, polygon) => sum + area(polygon), 0);
    const after = left.reduce((sum, polygon) => sum + area(polygon), 0);
    if (before - after < 1e-7) made.push(ink);
    else made.push(...figuresOf(left).map((figure) => ({ ...ink, ...figure })));
  }
  return ok(made);
}

const NOWHERE: Box = { minX: 1e9, minY: 1e9, maxX: 1e9, maxY: 1e9 };

/** How many pairs of strokes may cross, counted up to what is too many. */
function crossings(strokes: readonly FilmObject[]): number {
  const boxes = strokes.map(({ points = [], swept }) => boxOfPoints(swept ?? points) ?? NOWHERE);
  const index = neighboursOf(boxes);
  let count = 0;
  for (const box of boxes) {
    count += index.near(box).length - 1;
    if (count > 2 * MOST_PAIRS) break;
  }
  return count / 2;
}

interface Painted {
  readonly areas: readonly { readonly ink: Ink; readonly last: FilmObject }[];
  readonly strokes: readonly FilmObject[];
  readonly lone: readonly Ink[];
}

/** Strokes that lie over each other fill an area where that is wider than they are. */
function paintedOf(strokes: readonly FilmObject[]): Painted {
  if (strokes.length === 0 || strokes.length > MOST_STROKES || crossings(strokes) > MOST_PAIRS)
    return { areas: [], strokes, lone: [] };
  const areas: { ink: Ink; last: FilmObject }[] = [];
  const rest: FilmObject[] = [];
  const lone: Ink[] = [];
  for (const own of touching(strokes)) {
    const said = own.find(({ number, use }) => number !== '' || use !== '') ?? (own[0] as FilmObject);
    const only = own.length === 1 && own[0] ? barOf(own[0]) : null;
    if (only) {
      lone.push({ placed: only, openings: [], said, isPainted: true });
      rest.push(...own);
      continue;
    }
    const outlines = uniteAreas(own.flatMap((stroke) => outlinesOf(stroke)));
    const pen = Math.max(...own.map(penOf));
    const core = inflate(outlines, (-pen / 2) * WIDER);
    const wide = core.length > 0 ? inflate(core, (pen / 2) * WIDER, 'round') : [];
    const isFilled = sizeOf(wide) >= FILLED * sizeOf(outlines);
    // where conductors run on, what is wider than a crossing of them is an area
    const filled = isFilled ? outlines : wide.filter((one) => Math.abs(area(one)) > CROSSING * pen * pen);
    for (const figure of figuresOf(filled.length === 1 ? filled.map(smooth) : filled))
      areas.push({ ink: { ...figure, said, isPainted: true }, last: own.at(-1) as FilmObject });
    if (!isFilled) rest.push(...own);
  }
  return { areas, strokes: rest, lone };
}

/** Round ends of strokes side by side leave notches: an area that is all but convex has none. */
function smooth(outline: Polygon): Polygon {
  const hull = hullOf(outline);
  return area(hull) - area(outline) < NOTCHES * area(hull) ? hull : outline;
}

/** Share of an area that notches may be. */
const NOTCHES = 0.05;

const sizeOf = (polygons: readonly Polygon[]): number => polygons.reduce((sum, one) => sum + area(one), 0);

/** Across the narrow side of a stroke's pen. mm */
function penOf({ width, swept }: FilmObject): number {
  if (width !== undefined) return width;
  const box = swept && boxOfPoints(swept);
  return box ? Math.min(box.maxX - box.minX, box.maxY - box.minY) : 0;
}

/** What one straight stroke covers; `null` where it bends. */
function barOf({ points = [], width, swept }: FilmObject): Placed | null {
  const [from, to] = [points[0], points.at(-1)];
  if (!from || !to || points.length !== 2) return null;
  if (swept) return figuresOf([swept])[0]?.placed ?? null;
  if (!width) return null;
  const long = distance(from, to);
  const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  return place(
    { kind: 'oblong', width: quantise(long + width), height: width },
    { x: quantise((from.x + to.x) / 2), y: quantise((from.y + to.y) / 2) },
    quantise((angle + 360) % 180),
  );
}

/** Groups of strokes that lie over each other, each in the order in which they were drawn. */
function touching(strokes: readonly FilmObject[]): FilmObject[][] {
  const outlines = uniteAreas(strokes.flatMap((stroke) => outlinesOf(stroke))).filter((one) => area(one) > 0);
  const index = neighboursOf(outlines.map((one) => boxOfPoints(one) as Box));
  const groups = new Map<number, FilmObject[]>();
  for (const stroke of strokes) {
    const [start] = stroke.points ?? [];
    if (!start) continue;
    const at = index.near(boxAt(start)).find((i) => encloses(outlines[i] as Polygon, start)) ?? -1;
    groups.set(at, [...(groups.get(at) ?? []), stroke]);
  }
  return [...groups.values()];
}

const boxAt = ({ x, y }: Point): Box => ({ minX: x, minY: y, maxX: x, maxY: y });

/** A lone stroke that may be a land is at most this many times as long as it is wide. */
export const isShort = ({ figure }: Placed): boolean => {
  const { width, height } = sidesOf(figure);
  return Math.max(width, height) <= 4 * Math.min(width, height);
};
