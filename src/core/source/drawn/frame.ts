import type { Point } from '../../geometry/point';
import type { Area } from '../page';

// A page is looked at along any direction: u runs along it, v to its right, as x and y do on an upright page.

/** A direction on the page, as whole axes: degrees counter-clockwise as seen, from 0 to under 180. */
export interface Frame {
  readonly angle: number;
  readonly c: number;
  readonly s: number;
}

/** A part of the page in a frame. */
export interface Span {
  readonly u0: number;
  readonly u1: number;
  readonly v0: number;
  readonly v1: number;
}

/** The frame of a direction; quarters are exact. */
export function frameAt(angle: number): Frame {
  const turned = ((angle % 360) + 360) % 360;
  const radians = (turned * Math.PI) / 180;
  const exact = turned % 90 === 0;
  return {
    angle: turned,
    c: exact ? Math.round(Math.cos(radians)) : Math.cos(radians),
    s: exact ? Math.round(Math.sin(radians)) : Math.sin(radians),
  };
}

export const LEVEL: Frame = frameAt(0);
export const UPRIGHT: Frame = frameAt(90);

export const uOf = ({ c, s }: Frame, { x, y }: Point): number => x * c - y * s;
export const vOf = ({ c, s }: Frame, { x, y }: Point): number => x * s + y * c;

/** The point of the page at a place of a frame. */
export function pointAt({ c, s }: Frame, u: number, v: number): Point {
  return { x: u * c + v * s, y: v * c - u * s };
}

/** The box round points in a frame. */
export function spanOf(frame: Frame, points: readonly Point[]): Span {
  const us = points.map((p) => uOf(frame, p));
  const vs = points.map((p) => vOf(frame, p));
  return { u0: Math.min(...us), u1: Math.max(...us), v0: Math.min(...vs), v1: Math.max(...vs) };
}

/** The corners of an area. */
export function cornersOf({ x0, y0, x1, y1 }: Area): Point[] {
  return [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
}

/** How far apart two intervals are; 0 where they meet. */
export function apart(a0: number, a1: number, b0: number, b1: number): number {
  return Math.max(0, b0 - a1, a0 - b1);
}
