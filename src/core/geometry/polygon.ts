import {
  Clipper,
  Clipper64,
  ClipType,
  EndType,
  FillRule,
  JoinType,
  type Path64,
  type Paths64,
} from 'clipper2-ts';
import { quantise } from '../units/length';
import type { Point } from './point';

/** A closed polygon; counter-clockwise is solid, clockwise a hole. mm. */
export type Polygon = readonly Point[];

/** An open chain of points, mm. */
export type Polyline = readonly Point[];

// The clipping library works on whole numbers; a unit is a nanometre.
const NM = 1e6;
const toNm = (path: readonly Point[]): Path64 =>
  path.map(({ x, y }) => ({ x: Math.round(x * NM), y: Math.round(y * NM) }));
const toMm = (path: Path64): Point[] =>
  path.map(({ x, y }) => ({ x: quantise(x / NM), y: quantise(y / NM) }));
const allToNm = (paths: readonly (readonly Point[])[]): Paths64 => paths.map(toNm);

/** Polygons with fewer corners. @param within how far what is left out may lie from what is kept, mm */
export function simplified(polygons: readonly Polygon[], within: number): Polygon[] {
  return Clipper.simplifyPaths(allToNm(polygons), within * NM).map(toMm);
}

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

/** Union of polygons of either direction. */
export function unite(polygons: readonly Polygon[]): Polygon[] {
  const solid = polygons.map((p) => (area(p) < 0 ? [...p].reverse() : p));
  return Clipper.union(allToNm(solid), FillRule.NonZero).map(toMm);
}

/** Solids without the parts that others cover; holes come out clockwise. */
export function subtract(solids: readonly Polygon[], others: readonly Polygon[]): Polygon[] {
  return Clipper.difference(allToNm(solids), allToNm(others), FillRule.NonZero).map(toMm);
}

/** What solids and others have in common. */
export function intersect(solids: readonly Polygon[], others: readonly Polygon[]): Polygon[] {
  return Clipper.intersect(allToNm(solids), allToNm(others), FillRule.NonZero).map(toMm);
}

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
  return Clipper.inflatePaths(allToNm(polygons), by * NM, join, EndType.Polygon, 4, ARC_TOLERANCE).map(toMm);
}

/** The parts of open lines that lie outside all given polygons. */
export function cutLines(lines: readonly Polyline[], outside: readonly Polygon[]): Polyline[] {
  if (outside.length === 0) return [...lines];
  const clipper = new Clipper64();
  clipper.addOpenSubject(allToNm(lines));
  clipper.addClip(allToNm(outside));
  const closed: Paths64 = [];
  const open: Paths64 = [];
  clipper.execute(ClipType.Difference, FillRule.NonZero, closed, open);
  return open.map(toMm);
}

/** Length of a polyline, mm. */
export function lengthOf(line: Polyline): number {
  let sum = 0;
  for (let i = 1; i < line.length; i += 1) {
    const [a, b] = [line[i - 1] as Point, line[i] as Point];
    sum += Math.hypot(b.x - a.x, b.y - a.y);
  }
  return sum;
}
