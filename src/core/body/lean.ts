import type { Point3 } from '../geometry/point';
import { after, rotationOf, type Matrix } from './pose';

/** How far a model's own axis that is nearest to upright is from it, degrees. */
export function leanOf(frame: Matrix, turn: Point3): number {
  const m = axesOn(frame, turn);
  const most = Math.max(Math.abs(m[6]), Math.abs(m[7]), Math.abs(m[8]));
  return (Math.acos(Math.min(1, most)) * 180) / Math.PI;
}

/** The model's own axes on the board, as columns. */
export function axesOn(frame: Matrix, turn: Point3): Matrix {
  // the frame takes its own axes onto the file's: its inverse has them as columns
  const [a, b, c, d, e, f, g, h, i] = frame;
  return after(rotationOf(turn), [a, d, g, b, e, h, c, f, i]);
}
