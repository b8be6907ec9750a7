import type { Vertex } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import type { Pair } from './drawing';

// Curves of drawings that are no lines and arcs of circles, as chords that lie close to them.

/** Largest distance of a chord from its curve, as a share of the curve's size. */
const CLOSE = 2e-5;
/** Chords of one curve at most. */
const MOST = 720;

/** An ellipse from one parameter to another, in radians; its end is left out where it is whole. */
export function ellipse(
  middle: Point,
  major: Point,
  ratio: number,
  from: number,
  to: number,
): readonly Vertex[] {
  const sweep = to - from;
  const count = Math.min(MOST, Math.max(8, Math.ceil(Math.abs(sweep) / (2 * Math.acos(1 - CLOSE)))));
  const isWhole = Math.abs(Math.abs(sweep) - 2 * Math.PI) < 1e-6;
  return Array.from({ length: isWhole ? count : count + 1 }, (_, i) => {
    const t = from + (sweep * i) / count;
    const [cos, sin] = [Math.cos(t), Math.sin(t)];
    return {
      x: middle.x + major.x * cos - major.y * ratio * sin,
      y: middle.y + major.y * cos + major.x * ratio * sin,
    };
  });
}

/** A circle's arc as two halves with bulges, so that none is a whole turn. @param sweep radians, counter-clockwise positive */
export function arc(middle: Point, radius: number, start: number, sweep: number): readonly Vertex[] {
  const at = (angle: number) => ({
    x: middle.x + radius * Math.cos(angle),
    y: middle.y + radius * Math.sin(angle),
  });
  const bulge = Math.tan(sweep / 8);
  return [{ ...at(start), bulge }, { ...at(start + sweep / 2), bulge }, at(start + sweep)];
}

/** Points of a spline between two knots. */
const PER_KNOT = 24;

/** A (rational) B-spline of its knots, control points and weights, by de Boor's recursion; `null` where it is not whole. */
export function spline(
  degree: number,
  knots: readonly number[],
  points: readonly Point[],
  weights: readonly number[],
): readonly Vertex[] | null {
  const isWhole =
    degree >= 1 && degree <= 10 && points.length > degree && knots.length === points.length + degree + 1;
  if (!isWhole || knots.some((knot, i) => !Number.isFinite(knot) || knot < (knots[i - 1] ?? knot)))
    return null;
  const at = (u: number, k: number): Vertex => {
    const d = Array.from({ length: degree + 1 }, (_, j) => {
      const i = j + k - degree;
      const { x, y } = points[i] as Point;
      const w = weights[i] ?? 1;
      return { x: x * w, y: y * w, w };
    });
    for (let r = 1; r <= degree; r += 1)
      for (let j = degree; j >= r; j -= 1) {
        const low = knots[j + k - degree] as number;
        const span = (knots[j + 1 + k - r] as number) - low;
        const share = span > 0 ? (u - low) / span : 0;
        const [a, b] = [d[j - 1], d[j]] as [(typeof d)[number], (typeof d)[number]];
        d[j] = {
          x: (1 - share) * a.x + share * b.x,
          y: (1 - share) * a.y + share * b.y,
          w: (1 - share) * a.w + share * b.w,
        };
      }
    const { x, y, w } = d[degree] as (typeof d)[number];
    return { x: x / w, y: y / w };
  };
  const made: Vertex[] = [];
  for (let k = degree; k < points.length; k += 1) {
    const [from, to] = [knots[k] as number, knots[k + 1] as number];
    if (to <= from) continue;
    for (let i = 0; i < PER_KNOT; i += 1) made.push(at(from + ((to - from) * i) / PER_KNOT, k));
    if (k === points.length - 1) made.push(at(to - (to - from) * 1e-12, k));
  }
  return made.length > 1 && made.every(({ x, y }) => Number.isFinite(x) && Number.isFinite(y)) ? made : null;
}

/** The boundaries of a hatch; `null` where one is of a kind that is not understood. */
export function hatchPaths(codes: readonly Pair[]): Vertex[][] | null {
  const start = codes.findIndex(([code]) => code === 91);
  let next = start + 1;
  /** The value of a code that has to come next; what stands before it is passed over. */
  const take = (code: number): number => {
    while (next < codes.length && codes[next]?.[0] !== code) next += 1;
    const value = Number(codes[next]?.[1] ?? NaN);
    next += 1;
    return value;
  };
  const peek = (code: number) => codes[next]?.[0] === code;
  const paths: Vertex[][] = [];
  const count = Number(codes[start]?.[1] ?? 0);
  for (let p = 0; p < count && next < codes.length; p += 1) {
    const flags = take(92);
    const corners: Vertex[] = [];
    if ((flags & 2) !== 0) {
      const hasBulges = take(72) === 1;
      take(73);
      const length = take(93);
      for (let i = 0; i < length && next < codes.length; i += 1) {
        const [x, y] = [take(10), take(20)];
        const bulge = hasBulges && peek(42) ? take(42) : 0;
        corners.push({ x, y, ...(bulge === 0 ? {} : { bulge }) });
      }
    } else {
      const edges = take(93);
      for (let i = 0; i < edges && next < codes.length; i += 1) {
        const edge = hatchEdge(take);
        if (!edge) return null;
        for (const corner of edge.slice(0, -1)) corners.push(corner);
      }
    }
    if (corners.some(({ x, y }) => !Number.isFinite(x) || !Number.isFinite(y))) return null;
    paths.push(corners);
  }
  return paths;
}

function hatchEdge(take: (code: number) => number): readonly Vertex[] | null {
  const radians = (degrees: number) => (degrees * Math.PI) / 180;
  switch (take(72)) {
    case 1:
      return [
        { x: take(10), y: take(20) },
        { x: take(11), y: take(21) },
      ];
    case 2: {
      const middle = { x: take(10), y: take(20) };
      const radius = take(40);
      const [from, to] = [radians(take(50)), radians(take(51))];
      const forth = take(73) !== 0;
      const turn = 2 * Math.PI;
      const sweep = (((to - from) % turn) + turn) % turn || turn;
      return forth ? arc(middle, radius, from, sweep) : arc(middle, radius, -from, -sweep);
    }
    case 3: {
      const middle = { x: take(10), y: take(20) };
      const major = { x: take(11), y: take(21) };
      const ratio = take(40);
      const [from, to] = [radians(take(50)), radians(take(51))];
      const forth = take(73) !== 0;
      const made = ellipse(middle, major, ratio, forth ? from : -from, forth ? to : -to);
      return [...made, made[0] as Vertex];
    }
    default:
      return null;
  }
}
