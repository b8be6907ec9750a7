import { boxOfPoints, boxRound, gapBetween, type Box } from './box';
import { segmentsCross } from './distance';
import type { Point } from './point';
import { encloses, type Polygon } from './polygon';

/** The way along a surface from one thing to another, and its length, mm. */
export interface Way {
  readonly length: number;
  /** From the first thing to the second; two points at least. */
  readonly points: readonly Point[];
}

/**
 * The shortest way over a flat surface between two outlines, round what is cut out of it: straight where nothing
 * is between them, otherwise along corners of the cuts. Ways touch cuts and do not cross them.
 * @param cuts outlines of holes and slots, counter-clockwise; chords inside of their arcs give no longer way
 *   than the true one
 * @returns length 0 where the outlines meet; `null` where a cut parts them for good
 */
export function wayRound(from: Polygon, to: Polygon, cuts: readonly Polygon[]): Way | null {
  const straight = nearest(from, to);
  if (straight.length <= EPSILON || cuts.length === 0) return straight;
  const near = reachable(from, to, cuts.map(cutOf), straight);
  const [a = ORIGIN, b = ORIGIN] = straight.points;
  if (near.every((cut) => !isCrossed(a, b, cut))) return straight;
  return shortest(from, to, near);
}

/** A cut with the box round it. */
interface Cut {
  readonly polygon: Polygon;
  readonly box: Box;
}

const known = new WeakMap<Polygon, Cut>();
function cutOf(polygon: Polygon): Cut {
  const cut = known.get(polygon) ?? { polygon, box: boxOfPoints(polygon) as Box };
  known.set(polygon, cut);
  return cut;
}

const EPSILON = 1e-9;
const ORIGIN: Point = { x: 0, y: 0 };

/** Two points of two outlines that are nearest to each other. */
function nearest(from: Polygon, to: Polygon): Way {
  const [a, b] = [edgesOf(from), edgesOf(to)];
  let best: Way = { length: Infinity, points: [] };
  const [first, second] = [from[0], to[0]];
  if (
    first &&
    second &&
    (encloses(to, first) ||
      encloses(from, second) ||
      a.some(([p, q]) => b.some(([r, s]) => segmentsCross(p, q, r, s))))
  )
    return { length: 0, points: [first, first] };
  const take = (p: Point, q: Point) => {
    const length = Math.hypot(p.x - q.x, p.y - q.y);
    if (length < best.length) best = { length, points: [p, q] };
  };
  for (const p of from) for (const [r, s] of b) take(p, footOn(p, r, s));
  for (const q of to) for (const [r, s] of a) take(footOn(q, r, s), q);
  return best;
}

type Edge = readonly [Point, Point];

const edgesOf = (polygon: Polygon): Edge[] =>
  polygon.map((p, i): Edge => [p, polygon[(i + 1) % polygon.length] as Point]);

/** The point of a segment that is nearest to another. */
function footOn(p: Point, a: Point, b: Point): Point {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length2));
  return { x: a.x + t * dx, y: a.y + t * dy };
}

function nearestOn(polygon: Polygon, p: Point): Point {
  let best: Point = polygon[0] ?? p;
  let least = Infinity;
  for (const [a, b] of edgesOf(polygon)) {
    const foot = footOn(p, a, b);
    const apart = Math.hypot(foot.x - p.x, foot.y - p.y);
    if (apart < least) [best, least] = [foot, apart];
  }
  return best;
}

/** Cuts that may lie in the way: those that the straight way meets, and what those in turn push it against. */
function reachable(from: Polygon, to: Polygon, cuts: readonly Cut[], straight: Way): Cut[] {
  const [a = ORIGIN, b = ORIGIN] = straight.points;
  const found = new Set(cuts.filter((cut) => isCrossed(a, b, cut)));
  if (found.size === 0) return [];
  let reach = boxOfPoints([...from, ...to, ...[...found].flatMap(({ polygon }) => polygon)]) as Box;
  for (let again = true; again;) {
    again = false;
    for (const cut of cuts) {
      if (found.has(cut) || gapBetween(cut.box, reach) > 0) continue;
      found.add(cut);
      reach = boxRound([reach, cut.box]) as Box;
      again = true;
    }
  }
  return [...found];
}

/** Whether a segment passes through a cut; touching its edge or a corner is no crossing. */
function isCrossed(p: Point, q: Point, { polygon: cut, box }: Cut): boolean {
  const length = Math.hypot(q.x - p.x, q.y - p.y);
  if (length <= EPSILON) return false;
  if (
    Math.max(p.x, q.x) <= box.minX + EPSILON ||
    Math.min(p.x, q.x) >= box.maxX - EPSILON ||
    Math.max(p.y, q.y) <= box.minY + EPSILON ||
    Math.min(p.y, q.y) >= box.maxY - EPSILON
  )
    return false;
  // the parts between the places where it meets the edge: one whose middle lies inside is a crossing
  const at = [0, 1];
  for (const [a, b] of edgesOf(cut)) {
    const [dx, dy, ex, ey] = [q.x - p.x, q.y - p.y, b.x - a.x, b.y - a.y];
    const cross = dx * ey - dy * ex;
    if (Math.abs(cross) < 1e-15) continue;
    const t = ((a.x - p.x) * ey - (a.y - p.y) * ex) / cross;
    const u = ((a.x - p.x) * dy - (a.y - p.y) * dx) / cross;
    if (t > 0 && t < 1 && u >= -EPSILON && u <= 1 + EPSILON) at.push(t);
  }
  const sorted = at.sort((a, b) => a - b);
  return sorted.some((t, i) => {
    const next = sorted[i + 1];
    if (next === undefined || (next - t) * length < 1e-7) return false;
    const middle = (t + next) / 2;
    const m = { x: p.x + middle * (q.x - p.x), y: p.y + middle * (q.y - p.y) };
    return encloses(cut, m) && depth(cut, m) > 1e-7;
  });
}

/** How far a point is from the edge of a polygon. */
function depth(polygon: Polygon, p: Point): number {
  const foot = nearestOn(polygon, p);
  return Math.hypot(foot.x - p.x, foot.y - p.y);
}

/** Corners of all cuts that a way can turn at: those that bend outwards. */
function turnsOf(cuts: readonly Cut[]): Point[] {
  return cuts.flatMap((own) =>
    own.polygon.filter((p, i, all) => {
      const before = all[(i + all.length - 1) % all.length] as Point;
      const after = all[(i + 1) % all.length] as Point;
      if (bend(before, p, after) <= 0) return false;
      // a corner that lies in another cut is no place to be
      return !cuts.some(
        ({ polygon }) => polygon !== own.polygon && encloses(polygon, p) && depth(polygon, p) > 1e-7,
      );
    }),
  );
}

const bend = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);

/** Corners of an outline that a way may begin at beside the nearest points: none where it bends one way only. */
function startsOf(polygon: Polygon): Polygon {
  const isConvex = polygon.every(
    (p, i) =>
      bend(p, polygon[(i + 1) % polygon.length] as Point, polygon[(i + 2) % polygon.length] as Point) >=
      -1e-12,
  );
  return isConvex ? [] : polygon;
}

/** The shortest way by corners of cuts, nearest first (E. W. Dijkstra, 1959). */
function shortest(from: Polygon, to: Polygon, cuts: readonly Cut[]): Way | null {
  const isOpen = (p: Point, q: Point) => cuts.every((cut) => !isCrossed(p, q, cut));
  const turns = turnsOf(cuts);
  const [starts, ends] = [startsOf(from), startsOf(to)];
  const nodes: Point[] = [...starts, ...turns, ...ends];
  const [firstTurn, firstTo] = [starts.length, starts.length + turns.length];
  const far = nodes.map(() => Infinity);
  const via: { readonly before: number; readonly start: Point }[] = [];
  const done = new Set<number>();
  const offer = (node: number, length: number, before: number, start: Point) => {
    if (length >= (far[node] ?? 0) - EPSILON) return;
    far[node] = length;
    via[node] = { before, start };
  };
  starts.forEach((p, i) => offer(i, 0, -1, p));
  turns.forEach((turn, k) => {
    const start = nearestOn(from, turn);
    if (isOpen(start, turn)) offer(firstTurn + k, Math.hypot(start.x - turn.x, start.y - turn.y), -1, start);
  });
  let end: { readonly length: number; readonly node: number; readonly at: Point } | null = null;
  for (;;) {
    let node = -1;
    far.forEach((length, i) => {
      if (!done.has(i) && length < (node < 0 ? Infinity : (far[node] ?? Infinity))) node = i;
    });
    if (node < 0 || (end && (far[node] ?? 0) >= end.length)) break;
    done.add(node);
    const [p, so] = [nodes[node] as Point, far[node] ?? 0];
    // straight to the second outline from here
    const foot = nearestOn(to, p);
    for (const at of node >= firstTo ? [p] : [foot]) {
      const length = so + Math.hypot(at.x - p.x, at.y - p.y);
      if (length < (end?.length ?? Infinity) && isOpen(p, at)) end = { length, node, at };
    }
    nodes.forEach((q, i) => {
      if (i < firstTurn || done.has(i)) return;
      const length = so + Math.hypot(q.x - p.x, q.y - p.y);
      if (length < (far[i] ?? 0) && length < (end?.length ?? Infinity) && isOpen(p, q))
        offer(i, length, node, p);
    });
  }
  if (!end) return null;
  const points: Point[] = [end.at];
  for (let node = end.node; node >= 0;) {
    points.push(nodes[node] as Point);
    const { before = -1, start = points[0] as Point } = via[node] ?? {};
    if (before < 0) points.push(start);
    node = before;
  }
  return { length: end.length, points: withoutDoubles(points.reverse()) };
}

const withoutDoubles = (points: readonly Point[]): Point[] =>
  points.filter((p, i) => {
    const before = points[i - 1];
    return !before || Math.hypot(before.x - p.x, before.y - p.y) > EPSILON;
  });
