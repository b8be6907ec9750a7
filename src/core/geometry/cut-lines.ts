import { quantise } from '../units/length';
import { boxOfPoints, gapBetween, type Box } from './box';
import type { Point } from './point';
import type { Polygon } from './polygon';

/** A straight line from one point to another, mm. */
export type Segment = readonly [from: Point, to: Point];

/** A stretch of a segment: 0 at its start, 1 at its end. */
type Stretch = readonly [from: number, to: number];

/** A shorter piece is none, mm. */
const LEAST = 1e-6;

/**
 * The parts of straight lines that lie outside all given outlines, to the nanometre: in the lines'
 * order, each in its line's direction.
 * @param outside simple outlines of either direction
 */
export function cutLines(lines: readonly Segment[], outside: readonly Polygon[]): Segment[] {
  const outlines = outside.map((outline) => ({ outline, box: boxOfPoints(outline) as Box }));
  return lines.flatMap((line): Segment[] => {
    const box = boxOfPoints(line) as Box;
    const near = outlines.filter((other) => gapBetween(other.box, box) <= 0);
    if (near.length === 0) return [line];
    const covered = near.flatMap(({ outline }) => stretchesIn(line, outline));
    return leftOf(covered, LEAST / lengthOf(line)).map((part) => partOf(line, part));
  });
}

/** Where a line runs through an outline: between its first and second crossing, its third and fourth, … */
function stretchesIn([a, b]: Segment, outline: Polygon): Stretch[] {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const square = dx * dx + dy * dy;
  const crossings: number[] = [];
  let p = outline[outline.length - 1] as Point;
  let before = dx * (p.y - a.y) - dy * (p.x - a.x);
  for (const q of outline) {
    const side = dx * (q.y - a.y) - dy * (q.x - a.x);
    // a corner on the line counts to its right, so that crossings always come in pairs
    if (side > 0 !== before > 0) {
      const share = before / (before - side);
      const [x, y] = [p.x + share * (q.x - p.x) - a.x, p.y + share * (q.y - p.y) - a.y];
      crossings.push((x * dx + y * dy) / square);
    }
    p = q;
    before = side;
  }
  if (crossings.length > 2) crossings.sort((s, t) => s - t);
  const stretches: Stretch[] = [];
  for (let i = 0; i < crossings.length; i += 2) {
    const [s, t] = [crossings[i] as number, crossings[i + 1] as number];
    stretches.push(s < t ? [s, t] : [t, s]);
  }
  return stretches;
}

/** What stretches that may overlap leave of a whole line. */
function leftOf(covered: Stretch[], least: number): Stretch[] {
  const left: Stretch[] = [];
  let done = 0;
  for (const [from, to] of [...covered.sort((s, t) => s[0] - t[0]), [1, 1] as const]) {
    const end = Math.min(1, from);
    if (end - done > least) left.push([done, end]);
    done = Math.max(done, to);
  }
  return left;
}

function partOf([a, b]: Segment, [from, to]: Stretch): Segment {
  const at = (t: number): Point =>
    t === 0 ? a : t === 1 ? b : { x: quantise(a.x + t * (b.x - a.x)), y: quantise(a.y + t * (b.y - a.y)) };
  return [at(from), at(to)];
}

function lengthOf([a, b]: Segment): number {
  return Math.hypot(b.x - a.x, b.y - a.y);
}
