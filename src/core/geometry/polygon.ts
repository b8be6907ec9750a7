// from its parts: its index brings triangles and other shapes of clipping along, which nobody here asks for
import { ClipType, FillRule, PathType, type Path64, type Paths64 } from 'clipper2-ts/dist/Core.js';
import { Clipper64 } from 'clipper2-ts/dist/Engine.js';
import { Minkowski } from 'clipper2-ts/dist/Minkowski.js';
import { ClipperOffset, EndType, JoinType } from 'clipper2-ts/dist/Offset.js';
import { quantise } from '../units/length';
import type { Point } from './point';

/** A closed polygon; counter-clockwise is solid, clockwise a hole. mm. */
export type Polygon = readonly Point[];

/** An open chain of points, mm. */
export type Polyline = readonly Point[];

// The clipping library works on whole numbers; a unit is a nanometre.
export const NM = 1e6;
export const toNm = (path: readonly Point[]): Path64 =>
  path.map(({ x, y }) => ({ x: Math.round(x * NM), y: Math.round(y * NM) }));
export const toMm = (path: Path64): Point[] =>
  path.map(({ x, y }) => ({ x: quantise(x / NM), y: quantise(y / NM) }));
const allToNm = (paths: readonly (readonly Point[])[]): Paths64 => paths.map(toNm);

/** Signed area, mm²; positive for counter-clockwise. */
export function area(polygon: Polygon): number {
  let twice = 0;
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length] as Point;
    twice += p.x * q.y - q.x * p.y;
  });
  return twice / 2;
}

/** Whether a point lies in a polygon of at least three corners: an odd number of edges to its right. */
export function encloses(polygon: Polygon, { x, y }: Point): boolean {
  let within = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i, i += 1) {
    const [a, b] = [polygon[i] as Point, polygon[j] as Point];
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) within = !within;
  }
  return within;
}

/** Whether a point lies in an area whose holes are polygons of it too. */
export const covers = (areas: readonly Polygon[], at: Point): boolean =>
  areas.filter((polygon) => encloses(polygon, at)).length % 2 === 1;

/** What is made of solids and others, by the winding of their outlines. */
function combined(kind: ClipType, solids: readonly Polygon[], others: readonly Polygon[]): Polygon[] {
  const clipper = new Clipper64();
  clipper.addPaths(allToNm(solids), PathType.Subject);
  clipper.addPaths(allToNm(others), PathType.Clip);
  const result: Paths64 = [];
  clipper.execute(kind, FillRule.NonZero, result);
  return result.map(toMm);
}

/** Union of polygons of either direction. */
export function unite(polygons: readonly Polygon[]): Polygon[] {
  const solid = polygons.map((p) => (area(p) < 0 ? [...p].reverse() : p));
  return combined(ClipType.Union, solid, []);
}

/** Union of areas whose holes run clockwise: these stay free where nothing else covers them. */
export function uniteAreas(areas: readonly Polygon[]): Polygon[] {
  return combined(ClipType.Union, areas, []);
}

/** Solids without the parts that others cover; holes come out clockwise. */
export function subtract(solids: readonly Polygon[], others: readonly Polygon[]): Polygon[] {
  return combined(ClipType.Difference, solids, others);
}

/** What solids and others have in common. */
export function intersect(solids: readonly Polygon[], others: readonly Polygon[]): Polygon[] {
  return combined(ClipType.Intersection, solids, others);
}

/** How far a sharp corner may reach, in distances: sharper ones are cut off. */
const MITRE = 4;
/** Distance that chords of rounded corners may lie inside their arcs, nm. */
const ARC_TOLERANCE = 2000;

/**
 * Polygons grown (or shrunk, where `by` is negative) on every side; mm.
 * @param corners `round` keeps the distance all round, `sharp` lets corners stay corners
 */
export function inflate(
  polygons: readonly Polygon[],
  by: number,
  corners: 'sharp' | 'round' = 'sharp',
): Polygon[] {
  const join = corners === 'round' ? JoinType.Round : JoinType.Miter;
  const offset = new ClipperOffset(MITRE, ARC_TOLERANCE);
  offset.addPaths(allToNm(polygons), join, EndType.Polygon);
  const result: Paths64 = [];
  offset.execute(by * NM, result);
  return result.map(toMm);
}

/** What a round pen of a width covers along a line; outlines counter-clockwise, holes clockwise. mm */
export function stroked(line: Polyline, width: number): Polygon[] {
  const offset = new ClipperOffset(MITRE, ARC_TOLERANCE / 10);
  offset.addPaths(allToNm([line]), JoinType.Round, EndType.Round);
  const result: Paths64 = [];
  offset.execute((width / 2) * NM, result);
  return result.map(toMm);
}

/** What an outline covers on its straight way between two places. mm */
export function swept(outline: Polygon, from: Point, to: Point): Polygon[] {
  const at = (place: Point) => outline.map((p) => ({ x: p.x + place.x, y: p.y + place.y }));
  return unite([...Minkowski.sum(toNm(outline), toNm([from, to]), false).map(toMm), at(from), at(to)]);
}

/** The convex polygon round points: lower corners from left to right, then the upper ones back. */
export function hullOf(points: readonly Point[]): Polygon {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const chain = (along: readonly Point[]): Point[] => {
    const made: Point[] = [];
    for (const p of along) {
      while (made.length > 1 && !turnsLeft(made.at(-2) as Point, made.at(-1) as Point, p)) made.pop();
      made.push(p);
    }
    return made.slice(0, -1);
  };
  return [...chain(sorted), ...chain(sorted.reverse())];
}

const turnsLeft = (a: Point, b: Point, c: Point): boolean =>
  (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x) > 0;

/** Length of a polyline, mm. */
export function lengthOf(line: Polyline): number {
  let sum = 0;
  for (let i = 1; i < line.length; i += 1) {
    const [a, b] = [line[i - 1] as Point, line[i] as Point];
    sum += Math.hypot(b.x - a.x, b.y - a.y);
  }
  return sum;
}
