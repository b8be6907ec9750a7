import { flatten, flattenOpen, type Vertex } from '../../geometry/contour';
import type { Point } from '../../geometry/point';

/** How a block is put into a drawing: x′ = a·x + c·y + e, y′ = b·x + d·y + f. */
export interface Affine {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

export const SAME: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
/** What is drawn with its extrusion towards −Z has its x the other way. */
export const FROM_BELOW: Affine = { ...SAME, a: -1 };

/** First `inner`, then `outer`. */
export function compose(outer: Affine, inner: Affine): Affine {
  return {
    a: outer.a * inner.a + outer.c * inner.b,
    b: outer.b * inner.a + outer.d * inner.b,
    c: outer.a * inner.c + outer.c * inner.d,
    d: outer.b * inner.c + outer.d * inner.d,
    e: outer.a * inner.e + outer.c * inner.f + outer.e,
    f: outer.b * inner.e + outer.d * inner.f + outer.f,
  };
}

export const shifted = (x: number, y: number): Affine => ({ ...SAME, e: x, f: y });
export const scaled = (x: number, y: number): Affine => ({ ...SAME, a: x, d: y });

/** @param degrees counter-clockwise */
export function turnedBy(degrees: number): Affine {
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { ...SAME, a: cos, b: sin, c: -sin, d: cos };
}

export function applied({ a, b, c, d, e, f }: Affine, { x, y }: Point): Point {
  return { x: a * x + c * y + e, y: b * x + d * y + f };
}

/** How much longer lengths become; `null` where that is not the same in all directions, or nothing is left. */
export function scaleOf({ a, b, c, d }: Affine): number | null {
  const [first, second] = [Math.hypot(a, b), Math.hypot(c, d)];
  const isSquare = Math.abs(a * c + b * d) < 1e-9 * first * second + 1e-15;
  return first > 1e-12 && isSquare && Math.abs(first / second - 1) < 1e-9 ? first : null;
}

/** Chords of arcs that do not stay arcs, in units of the drawing. */
const CHORD = 0.0005;

/** Corners put elsewhere; arcs that are pressed flat become chords. */
export function appliedAll(by: Affine, corners: readonly Vertex[], isClosed: boolean): Vertex[] {
  const keepsArcs = scaleOf(by) !== null || corners.every(({ bulge }) => !bulge);
  if (!keepsArcs) {
    const chords = isClosed ? flatten(corners, CHORD) : flattenOpen(corners, CHORD);
    return chords.map((corner) => applied(by, corner));
  }
  const turns = by.a * by.d - by.b * by.c < 0 ? -1 : 1;
  return corners.map((corner) => ({
    ...applied(by, corner),
    ...(corner.bulge ? { bulge: turns * corner.bulge } : {}),
  }));
}
