import type { Point } from './point';
import type { Polygon } from './polygon';

/**
 * A corner of a closed contour. `bulge` bends the edge that leaves it into an arc:
 * the tangent of a quarter of the arc's angle, positive counter-clockwise, 0 straight.
 */
export interface Vertex extends Point {
  readonly bulge?: number;
}

/** A closed outline of straight and circular edges, counter-clockwise. mm. */
export type Contour = readonly Vertex[];

/** Points along an open line whose vertices may bend into arcs, ends included. */
export function flattenOpen(line: readonly Vertex[], tolerance = 0.002): Point[] {
  return line.flatMap((from, i) => {
    const to = line[i + 1];
    const arc = from.bulge && to ? arcPoints(from, to, tolerance) : [];
    return [{ x: from.x, y: from.y }, ...arc];
  });
}

/** A line with its corners rounded to a radius, as vertices with arcs; short legs take a smaller one. */
export function rounded(line: readonly Point[], radius: number): Vertex[] {
  return line.flatMap((at, i): Vertex[] => {
    const [before, after] = [line[i - 1], line[i + 1]];
    if (!before || !after) return [at];
    const [a, b] = [unitVector(before, at), unitVector(at, after)];
    const turn = Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y);
    const legs = [before, after].map((p) => Math.hypot(p.x - at.x, p.y - at.y) / 2.001);
    const reach = Math.min(radius * Math.tan(Math.abs(turn) / 2), ...legs);
    if (reach < 1e-9) return [at];
    return [
      { x: at.x - a.x * reach, y: at.y - a.y * reach, bulge: Math.tan(turn / 4) },
      { x: at.x + b.x * reach, y: at.y + b.y * reach },
    ];
  });
}

/** A closed outline walked the other way, its arcs bent the other way: what a mirror makes of it. */
export function backwards(contour: Contour): Vertex[] {
  const n = contour.length;
  return contour.map((_, i): Vertex => {
    const { x, y } = contour[(n - i) % n] as Vertex;
    // walked backwards, an arc leaves from its other end
    const { bulge } = contour[n - 1 - i] as Vertex;
    return bulge ? { x, y, bulge } : { x, y };
  });
}

/**
 * Turns a contour into a polygon whose chords stay within a tolerance of the arcs.
 * @param tolerance largest distance between chord and arc, mm
 */
export function flatten(contour: Contour, tolerance = 0.002): Polygon {
  const points: Point[] = [];
  contour.forEach((from, i) => {
    points.push({ x: from.x, y: from.y });
    if (from.bulge) points.push(...arcPoints(from, contour[(i + 1) % contour.length] as Vertex, tolerance));
  });
  return points;
}

/** The middle of the circle that the edge from `a` to `b` bends along; `a` has a bulge. */
export function arcCentre(a: Vertex, b: Point): Point {
  const angle = 4 * Math.atan(a.bulge ?? 0);
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  // from the chord's middle, along its left normal
  const rise = (chord / (2 * Math.tan(Math.abs(angle) / 2))) * Math.sign(angle);
  const normal = { x: -(b.y - a.y) / chord, y: (b.x - a.x) / chord };
  return { x: (a.x + b.x) / 2 + normal.x * rise, y: (a.y + b.y) / 2 + normal.y * rise };
}

/** Chords of one arc at most. */
const MOST_CHORDS = 4000;

/** Points strictly between the ends of the arc from `a` to `b`. */
function arcPoints(a: Vertex, b: Point, tolerance: number): Point[] {
  const angle = 4 * Math.atan(a.bulge ?? 0);
  const centre = arcCentre(a, b);
  const radius = Math.hypot(a.x - centre.x, a.y - centre.y);
  const start = Math.atan2(a.y - centre.y, a.x - centre.x);
  // never coarser than 17°, so that chords of small arcs still read as a curve
  const step = Math.min(0.3, 2 * Math.acos(Math.max(0, 1 - tolerance / radius)));
  // an even count: the middle of a half circle, its lowest point, is one of the corners
  // an arc as wide as a house keeps to a number of corners that can be drawn
  const count = Math.min(MOST_CHORDS, 2 * Math.ceil(Math.abs(angle) / step / 2) || 2);
  return Array.from({ length: count - 1 }, (_, k) => {
    const at = start + (angle * (k + 1)) / count;
    return { x: centre.x + radius * Math.cos(at), y: centre.y + radius * Math.sin(at) };
  });
}

/**
 * The outline of a strip of constant thickness along a bent centre line, such as a formed lead.
 * Corners of the centre line become arcs whose inner edge has the given radius.
 * @param line centre line, at least two points, no turns of 180°
 * @param thickness mm
 * @param innerRadius mm
 * @returns contour, counter-clockwise
 */
export function strip(line: readonly Point[], thickness: number, innerRadius: number): Contour {
  const half = thickness / 2;
  const right: Vertex[] = [];
  const left: Vertex[] = [];
  const put = (p: Point, direction: Point, bulge: { right: number; left: number }) => {
    const across = { x: -direction.y * half, y: direction.x * half };
    right.push({ x: p.x - across.x, y: p.y - across.y, bulge: bulge.right });
    left.push({ x: p.x + across.x, y: p.y + across.y, bulge: bulge.left });
  };
  const straight = { right: 0, left: 0 };
  const directions = line.slice(1).map((b, i) => unitVector(line[i] as Point, b));
  put(line[0] as Point, directions[0] as Point, straight);
  for (let i = 1; i < directions.length; i += 1) {
    const [a, b] = [directions[i - 1] as Point, directions[i] as Point];
    const at = line[i] as Point;
    const turn = Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y);
    const reach = (innerRadius + half) * Math.tan(Math.abs(turn) / 2);
    const bulge = Math.tan(turn / 4);
    // the left edge is walked backwards, so its arc leaves from the bend's far end
    put({ x: at.x - a.x * reach, y: at.y - a.y * reach }, a, { right: bulge, left: 0 });
    put({ x: at.x + b.x * reach, y: at.y + b.y * reach }, b, { right: 0, left: -bulge });
  }
  put(line.at(-1) as Point, directions.at(-1) as Point, straight);
  return [...right, ...left.reverse()];
}

function unitVector(from: Point, to: Point): Point {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  return { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
}
