import { hullOf } from '../../geometry/polygon';
import type { Point } from '../../geometry/point';
import type { Filling, Ink, InkLine } from '../ink';
import type { Area } from '../page';

// What the ink of a drawing is made of: straight strokes, and closed shapes. Thin areas are strokes too, and lines
// that meet all round are a shape.

/** A straight stroke. */
export interface Stroke {
  readonly a: Point;
  readonly b: Point;
  readonly width: number;
  readonly isDashed: boolean;
}

/** A closed shape. */
export interface Shape {
  readonly area: Area;
  readonly kind: 'box' | 'round' | 'oblong' | 'rounded' | 'polygon';
  /** Its corners, curves as chords. */
  readonly corners: readonly Point[];
  /** Radius of rounded corners, points. */
  readonly radius: number;
  /** `null` where it is only outlined. */
  readonly fill: Filling | 'hatched' | null;
  /** Width of its outline; 0 where it has none. */
  readonly outline: number;
  readonly isDashed: boolean;
}

/** What was found. */
export interface Strokes {
  readonly strokes: readonly Stroke[];
  readonly shapes: readonly Shape[];
  /** Ends of bent lines that are not closed: arcs and leaders. */
  readonly bends: readonly InkLine[];
}

/** An area thinner than this is a line, points. */
const THIN = 1.6;
/** Corners of a run that is looked at as a shape. */
const MOST_CORNERS = 400;

export function strokesOf({ paths }: Ink): Strokes {
  const strokes: Stroke[] = [];
  const shapes: Shape[] = [];
  const bends: InkLine[] = [];
  for (const { lines, stroke, fill } of paths) {
    for (const line of lines) {
      const corners = cornersOf(line);
      const isClosed = corners.length > 2 && (line.isClosed || fill !== undefined || closes(line));
      const thin = fill !== undefined && fill !== 'paper' && !line.isCurved ? thinStroke(corners) : null;
      if (thin) strokes.push(thin);
      else if (isClosed && corners.length <= MOST_CORNERS) {
        const shape = shapeOf(corners, line.isCurved);
        if (shape && (fill !== undefined || stroke))
          shapes.push({
            ...shape,
            fill: fill ?? null,
            outline: stroke?.width ?? 0,
            isDashed: stroke?.isDashed ?? false,
          });
      } else if (stroke && !line.isCurved) {
        for (let i = 1; i < corners.length; i += 1) {
          const [a, b] = [corners[i - 1], corners[i]];
          if (a && b) strokes.push({ a, b, ...stroke });
        }
      } else if (stroke) bends.push(line);
    }
  }
  return { strokes, shapes: together(shapes), bends };
}

/** The corners of a run without those that say nothing: doubled ones, and those on a straight line. */
function cornersOf({ points, isCurved }: InkLine): Point[] {
  const out: Point[] = [];
  for (let i = 0; i + 1 < points.length; i += 2) {
    const p = { x: points[i] ?? 0, y: points[i + 1] ?? 0 };
    const last = out.at(-1);
    if (last && Math.hypot(p.x - last.x, p.y - last.y) < 1e-3) continue;
    const before = out.at(-2);
    if (before && last && !isCurved && isBetween(before, last, p)) out.pop();
    out.push(p);
  }
  const [first, last] = [out[0], out.at(-1)];
  if (out.length > 2 && first && last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-2) out.pop();
  return out;
}

function isBetween(a: Point, m: Point, b: Point): boolean {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const long = Math.hypot(dx, dy);
  if (long < 1e-6) return false;
  const off = Math.abs((m.x - a.x) * dy - (m.y - a.y) * dx) / long;
  const along = ((m.x - a.x) * dx + (m.y - a.y) * dy) / long;
  return off < 0.01 && along > 0 && along < long;
}

function closes({ points }: InkLine): boolean {
  const n = points.length;
  return (
    n > 6 &&
    Math.hypot((points[0] ?? 0) - (points[n - 2] ?? 0), (points[1] ?? 0) - (points[n - 1] ?? 0)) < 0.05
  );
}

/** A filled area that is no wider than a line. */
function thinStroke(corners: readonly Point[]): Stroke | null {
  if (corners.length === 2) {
    const [a, b] = corners;
    return a && b ? { a, b, width: 0.1, isDashed: false } : null;
  }
  const [p, q, r, s] = corners;
  if (corners.length !== 4 || !p || !q || !r || !s) return null;
  const [side, other] = [Math.hypot(q.x - p.x, q.y - p.y), Math.hypot(r.x - q.x, r.y - q.y)];
  const [wide, opposite] = [Math.hypot(s.x - r.x, s.y - r.y), Math.hypot(p.x - s.x, p.y - s.y)];
  if (Math.abs(side - wide) > 0.1 || Math.abs(other - opposite) > 0.1) return null;
  const half = (one: Point, two: Point) => ({ x: (one.x + two.x) / 2, y: (one.y + two.y) / 2 });
  const [narrow, long] = [Math.min(side, other), Math.max(side, other)];
  if (narrow > THIN || long < 3 * narrow) return null;
  return side < other
    ? { a: half(p, q), b: half(r, s), width: narrow, isDashed: false }
    : { a: half(q, r), b: half(s, p), width: narrow, isDashed: false };
}

type Form = Pick<Shape, 'area' | 'kind' | 'corners' | 'radius'>;

/** What kind of shape closed corners are; `null` where they enclose nothing. */
export function shapeOf(corners: readonly Point[], isCurved: boolean): Form | null {
  const xs = corners.map(({ x }) => x);
  const ys = corners.map(({ y }) => y);
  const area = { x0: Math.min(...xs), y0: Math.min(...ys), x1: Math.max(...xs), y1: Math.max(...ys) };
  const [w, h] = [area.x1 - area.x0, area.y1 - area.y0];
  if (!(w > 0.3 && h > 0.3)) return null;
  const mid = { x: (area.x0 + area.x1) / 2, y: (area.y0 + area.y1) / 2 };
  const slack = Math.max(0.12, 0.012 * Math.max(w, h));
  const onEdge = ({ x, y }: Point) => Math.min(x - area.x0, area.x1 - x, y - area.y0, area.y1 - y) < slack;
  if (!isCurved && corners.length === 4 && corners.every((p) => nearCorner(p, area, slack)))
    return { area, kind: 'box', corners, radius: 0 };
  if (corners.length > 7) {
    const radii = corners.map(({ x, y }) => Math.hypot(x - mid.x, y - mid.y));
    if (Math.max(...radii) - Math.min(...radii) < 2 * slack)
      return { area, kind: 'round', corners, radius: w / 2 };
    // round corners: away from the edges only near the corners of the box
    const inner = corners.filter((p) => !onEdge(p));
    const radius = roundness(corners, area, slack);
    if (isCurved && radius > 0 && inner.every((p) => inCorner(p, area, radius + slack)))
      return {
        area,
        kind: Math.abs(2 * radius - Math.min(w, h)) < 3 * slack ? 'oblong' : 'rounded',
        corners,
        radius,
      };
  }
  return { area, kind: 'polygon', corners, radius: 0 };
}

const nearCorner = ({ x, y }: Point, { x0, y0, x1, y1 }: Area, slack: number): boolean =>
  Math.min(Math.abs(x - x0), Math.abs(x - x1)) < slack &&
  Math.min(Math.abs(y - y0), Math.abs(y - y1)) < slack;

const inCorner = ({ x, y }: Point, { x0, y0, x1, y1 }: Area, reach: number): boolean =>
  Math.min(x - x0, x1 - x) <= reach && Math.min(y - y0, y1 - y) <= reach;

/** The radius of the corners of a box, from where its edges end; 0 where they are none. */
function roundness(corners: readonly Point[], { x0, y0, x1, y1 }: Area, slack: number): number {
  const onTop = corners
    .filter(({ y }) => y - y0 < slack / 2 || y1 - y < slack / 2)
    .map(({ x }) => Math.min(x - x0, x1 - x));
  const onSide = corners
    .filter(({ x }) => x - x0 < slack / 2 || x1 - x < slack / 2)
    .map(({ y }) => Math.min(y - y0, y1 - y));
  const [a, b] = [Math.min(...onTop), Math.min(...onSide)];
  return Number.isFinite(a) && Number.isFinite(b) && Math.abs(a - b) < Math.max(1, 0.25 * Math.max(a, b))
    ? (a + b) / 2
    : 0;
}

/** Shapes that are drawn twice, filled and outlined, as one. */
function together(shapes: readonly Shape[]): Shape[] {
  const byPlace = new Map<string, Shape>();
  const key = ({ area: { x0, y0, x1, y1 } }: Shape) =>
    [x0, y0, x1, y1].map((v) => Math.round(2 * v)).join(' ');
  for (const shape of shapes) {
    const other = byPlace.get(key(shape));
    byPlace.set(
      key(shape),
      other
        ? {
            ...other,
            fill: other.fill === null || other.fill === 'paper' ? (shape.fill ?? other.fill) : other.fill,
            outline: Math.max(other.outline, shape.outline),
            isDashed: other.isDashed && shape.isDashed,
          }
        : shape,
    );
  }
  return [...byPlace.values()];
}

/** The hull of a shape as few corners: what an arrow's head is told by. */
export function hullCorners(corners: readonly Point[]): Point[] {
  const hull = hullOf(corners);
  return hull.filter((p, i) => {
    const [before, after] = [hull[(i + hull.length - 1) % hull.length], hull[(i + 1) % hull.length]];
    return !before || !after || !isBetween(before, p, after);
  });
}
