import type { Point } from '../../geometry/point';
import { hullCorners, type Shape, type Stroke } from './strokes';

// Ends of dimension lines and leaders: arrows, filled or open, slashes and dots. What is an end shows only by the
// line it stands on; here is what may be one.

/** What may end a dimension line. */
export interface End {
  readonly at: Point;
  readonly kind: 'arrow' | 'slash' | 'dot' | 'bare';
  /** Where an arrow points to, as a unit vector; `null` for what points nowhere. */
  readonly points: Point | null;
  /** How long it is. */
  readonly size: number;
}

/** Arrows of drawings, points. */
const SHORTEST = 1.5;
const LONGEST = 16;
/** Sharpest and bluntest angle at the tip of an arrow, degrees. */
const SHARPEST = 5;
const BLUNTEST = 75;
/** Short strokes that are looked at for open arrows; hatching has more. */
const MOST_SHORT = 20_000;

export function endsOf(shapes: readonly Shape[], strokes: readonly Stroke[]): End[] {
  return [...shapes.flatMap(solid), ...openArrows(strokes), ...slashes(strokes)];
}

/** A filled or outlined triangle is an arrow, a small disc a dot. */
function solid({ area, kind, corners, fill }: Shape): End[] {
  const [w, h] = [area.x1 - area.x0, area.y1 - area.y0];
  const size = Math.max(w, h);
  if (fill === 'paper' || fill === 'hatched' || size > LONGEST || size < SHORTEST / 2) return [];
  if (kind === 'round')
    return fill !== null && size < 6
      ? [{ at: { x: (area.x0 + area.x1) / 2, y: (area.y0 + area.y1) / 2 }, kind: 'dot', points: null, size }]
      : [];
  if (kind !== 'polygon') return [];
  const hull = hullCorners(corners);
  const [p, q, r] = hull;
  if (hull.length !== 3 || !p || !q || !r) return [];
  const found = (
    [
      [p, q, r],
      [q, r, p],
      [r, p, q],
    ] as const
  )
    .map(([tip, one, other]) => arrow(tip, one, other))
    .filter((one) => one !== null);
  const [sharpest] = found.sort((a, b) => b.size - a.size);
  return sharpest ? [sharpest] : [];
}

/** An arrow by its tip and the ends of its two sides; `null` where they are no arrow. */
function arrow(tip: Point, one: Point, other: Point): End | null {
  const [a, b] = [Math.hypot(one.x - tip.x, one.y - tip.y), Math.hypot(other.x - tip.x, other.y - tip.y)];
  if (Math.abs(a - b) > 0.2 * Math.max(a, b) || Math.max(a, b) < SHORTEST || Math.max(a, b) > LONGEST)
    return null;
  const cos = ((one.x - tip.x) * (other.x - tip.x) + (one.y - tip.y) * (other.y - tip.y)) / (a * b);
  const angle = (Math.acos(Math.max(-1, Math.min(1, cos))) * 180) / Math.PI;
  if (angle < SHARPEST || angle > BLUNTEST) return null;
  const back = { x: (one.x + other.x) / 2, y: (one.y + other.y) / 2 };
  const size = Math.hypot(tip.x - back.x, tip.y - back.y);
  return { at: tip, kind: 'arrow', points: { x: (tip.x - back.x) / size, y: (tip.y - back.y) / size }, size };
}

const lengthOf = ({ a, b }: Stroke) => Math.hypot(b.x - a.x, b.y - a.y);

/** Pairs of short strokes that meet at a tip. */
function openArrows(strokes: readonly Stroke[]): End[] {
  const short = strokes
    .filter((one) => !one.isDashed && lengthOf(one) <= LONGEST && lengthOf(one) >= SHORTEST)
    .slice(0, MOST_SHORT);
  const byPlace = new Map<string, { readonly tip: Point; readonly other: Point }[]>();
  for (const { a, b } of short)
    for (const [tip, other] of [
      [a, b],
      [b, a],
    ] as const) {
      const key = `${Math.round(tip.x)} ${Math.round(tip.y)}`;
      byPlace.set(key, [...(byPlace.get(key) ?? []), { tip, other }]);
    }
  const found: End[] = [];
  for (const [key, here] of byPlace) {
    if (here.length > 12) continue;
    const [x = 0, y = 0] = key.split(' ').map(Number);
    // a tip may lie on the border of two places
    const near = [-1, 0, 1].flatMap((dx) =>
      [-1, 0, 1].flatMap((dy) =>
        dx > 0 || (dx === 0 && dy >= 0) ? (byPlace.get(`${x + dx} ${y + dy}`) ?? []) : [],
      ),
    );
    here.forEach((one, i) => {
      for (const other of near.filter((it) => !here.includes(it) || here.indexOf(it) > i)) {
        if (Math.hypot(one.tip.x - other.tip.x, one.tip.y - other.tip.y) > 0.4) continue;
        const made = arrow(one.tip, one.other, other.other);
        if (made) found.push(made);
      }
    });
  }
  return found;
}

/** Short strokes at some 45° to the page, by their middles. */
function slashes(strokes: readonly Stroke[]): End[] {
  return strokes
    .filter((one) => {
      const long = lengthOf(one);
      if (one.isDashed || long < 2.5 || long > 14) return false;
      const steep = Math.abs(one.b.y - one.a.y) / long;
      return steep > 0.45 && steep < 0.9;
    })
    .slice(0, MOST_SHORT)
    .map((one) => ({
      at: { x: (one.a.x + one.b.x) / 2, y: (one.a.y + one.b.y) / 2 },
      kind: 'slash',
      points: null,
      size: lengthOf(one),
    }));
}

/** Ends by where they stand on the page. */
export interface EndsAt {
  /** Those within a distance of a point, which is at most the longest arrow. */
  near(p: Point, within: number): End[];
}

/** Ends in cells as large as the longest arrow, so that those beside a place are found at once. */
export function endsBy(ends: readonly End[]): EndsAt {
  const cells = new Map<number, End[]>();
  const cell = LONGEST + 2;
  const key = (x: number, y: number) => Math.floor(x / cell) * 100_003 + Math.floor(y / cell);
  for (const end of ends) {
    const at = key(end.at.x, end.at.y);
    const here = cells.get(at);
    if (here) here.push(end);
    else cells.set(at, [end]);
  }
  return {
    near: ({ x, y }, within) => {
      const found: End[] = [];
      for (let dx = -1; dx <= 1; dx += 1)
        for (let dy = -1; dy <= 1; dy += 1)
          for (const end of cells.get(key(x + dx * cell, y + dy * cell)) ?? [])
            if (Math.hypot(end.at.x - x, end.at.y - y) <= within) found.push(end);
      return found;
    },
  };
}
