import { Clipper, Clipper64, ClipType, FillRule, type Path64, type Paths64 } from 'clipper2-ts';
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

/** Signed area, mm²; positive for counter-clockwise. */
export function area(polygon: Polygon): number {
  let twice = 0;
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length] as Point;
    twice += p.x * q.y - q.x * p.y;
  });
  return twice / 2;
}

/** Union of polygons of either direction. */
export function unite(polygons: readonly Polygon[]): Polygon[] {
  const solid = polygons.map((p) => (area(p) < 0 ? [...p].reverse() : p));
  return Clipper.union(allToNm(solid), FillRule.NonZero).map(toMm);
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
