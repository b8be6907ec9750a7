import type { Area } from '../page';
import { areaRound } from '../page';
import type { Dimension } from './dimensions';
import { endsBy, type EndsAt } from './ends';
import { apart, pointAt, spanOf, type Frame } from './frame';
import type { DrawnPage } from './page';
import { around, between } from './sorted';
import type { Shape, Stroke } from './strokes';

// What belongs to one view: ink that hangs together, without the lines that only measure. A dimension is told by
// where it lies in its view, as shares of the view's own size; that holds at any scale.

/** Where a dimension lies in a view. */
export interface DrawnPlace {
  /** Number of its label on the page. */
  readonly id: number;
  /** The letter that stands there; empty for a number. */
  readonly letter: string;
  /** Which view of the page it is of. */
  readonly view: number;
  /** Across the page or up it. */
  readonly axis: 'x' | 'y';
  /** As shares of the view, from its left or lower end. */
  readonly from: number;
  readonly to: number;
  /** Drawn length and how long the view is along it, points. */
  readonly points: number;
  readonly whole: number;
}

/** A cell of the page in which ink is looked for, points. */
const CELL = 4;
/** Views that are looked at. */
const MOST_VIEWS = 40;
/** Cells of a page that are looked at. */
const MOST_CELLS = 400_000;

/** The views of a page, and where its dimensions lie in them. */
export function placesOf(
  drawn: DrawnPage,
  page: { readonly width: number; readonly height: number },
): { readonly views: readonly Area[]; readonly places: readonly DrawnPlace[] } {
  const level = drawn.dimensions.filter(({ frame }) => frame.angle % 90 === 0);
  const along = alongEach(level);
  const ends = endsBy(drawn.ends);
  const strokes = drawn.strokes.filter(
    (one) => !one.isDashed && !isMeasuring(one, along) && !isLeader(one, ends),
  );
  const shapes = drawn.shapes.filter(
    ({ area, fill, outline }) =>
      (outline > 0 || (fill !== null && fill !== 'paper')) &&
      !(area.x1 - area.x0 > 0.7 * page.width && area.y1 - area.y0 > 0.5 * page.height) &&
      !isSmallEnd(area, ends),
  );
  const inked = clustersOf(strokes, shapes, page).filter(
    ({ x0, x1, y0, y1 }) => !(x1 - x0 > 0.7 * page.width && y1 - y0 > 0.5 * page.height),
  );
  const joined = linked(inked, level);
  const views = joined
    .filter((area) => level.some((one) => one.feet.every((_, i) => isAt(area, footPoint(one, i)))))
    .slice(0, MOST_VIEWS);
  const places = level.flatMap((one): DrawnPlace[] => {
    const view = views.findIndex((area) => one.feet.every((_, i) => isAt(area, footPoint(one, i))));
    const area = views[view];
    if (!area) return [];
    const axis = one.frame.angle === 0 ? 'x' : 'y';
    const [lo, hi] = axis === 'x' ? [area.x0, area.x1] : [-area.y1, -area.y0];
    const whole = hi - lo;
    if (whole <= 0) return [];
    const [a, b] = one.feet.map(({ u }) => (u - lo) / whole) as [number, number];
    return [
      {
        id: one.label.id,
        letter: one.label.kind === 'letter' ? one.label.said : '',
        view,
        axis,
        from: Math.min(a, b),
        to: Math.max(a, b),
        points: Math.abs(b - a) * whole,
        whole,
      },
    ];
  });
  return { views, places };
}

const footPoint = ({ feet, frame }: Dimension, i: number) => {
  const foot = feet[i] ?? feet[0];
  return pointAt(frame, foot.u, foot.v1);
};

/** How far from its view a dimension's line may end, points. */
const NEAR = 9;

const isAt = ({ x0, x1, y0, y1 }: Area, { x, y }: { readonly x: number; readonly y: number }): boolean =>
  x > x0 - NEAR && x < x1 + NEAR && y > y0 - NEAR && y < y1 + NEAR;

/** Dimensions along one direction, by where their lines lie and where their ends stand. */
interface Along {
  readonly frame: Frame;
  readonly lines: readonly Dimension[];
  readonly feet: readonly { readonly u: number; readonly one: Dimension }[];
}

function alongEach(dimensions: readonly Dimension[]): Along[] {
  const frames = new Set(dimensions.map(({ frame }) => frame));
  return [...frames].map((frame) => {
    const own = dimensions.filter((one) => one.frame === frame);
    return {
      frame,
      lines: [...own].sort((a, b) => a.v - b.v),
      feet: own.flatMap((one) => one.feet.map(({ u }) => ({ u, one }))).sort((a, b) => a.u - b.u),
    };
  });
}

/** Whether a stroke is a dimension's own line, or leads from it to the thing. */
function isMeasuring(stroke: Stroke, along: readonly Along[]): boolean {
  return along.some(({ frame, lines, feet }) => {
    const { u0, u1, v0, v1 } = spanOf(frame, [stroke.a, stroke.b]);
    const isAlong = v1 - v0 < 0.4;
    if (isAlong || (u1 - u0 > 0.4 && u1 - u0 < 14 && v1 - v0 < 14))
      return between(lines, ({ v }) => v, v0 - 0.8, v1 + 0.8).some(({ feet: [a, b], label }) => {
        // a slash or a side of an arrow lies across the line
        const beside = isAlong ? 30 + label.size * label.printed.length : 8;
        return u0 > Math.min(a.u, b.u) - beside && u1 < Math.max(a.u, b.u) + beside;
      });
    if (u1 - u0 > 0.4) return false;
    return around(feet, ({ u }) => u, (u0 + u1) / 2, 0.5).some(
      ({ one: { v } }) => apart(v0, v1, v, v) < 6 && Math.min(Math.abs(v0 - v), Math.abs(v1 - v)) < 8,
    );
  });
}

/** Whether an arrow stands at one end of a stroke. */
function isLeader({ a, b }: Stroke, ends: EndsAt): boolean {
  const long = Math.hypot(a.x - b.x, a.y - b.y);
  return [a, b].some((p) =>
    ends
      .near(p, LONGEST_ARROW)
      .some(
        ({ at, kind, size }) =>
          kind === 'arrow' && Math.hypot(p.x - at.x, p.y - at.y) < size + 0.5 && long > size,
      ),
  );
}

const LONGEST_ARROW = 16;

const isSmallEnd = ({ x0, x1, y0, y1 }: Area, ends: EndsAt): boolean =>
  x1 - x0 < 17 &&
  y1 - y0 < 17 &&
  ends
    .near({ x: (x0 + x1) / 2, y: (y0 + y1) / 2 }, 12)
    .some(
      ({ at, kind }) =>
        kind !== 'slash' && at.x > x0 - 0.3 && at.x < x1 + 0.3 && at.y > y0 - 0.3 && at.y < y1 + 0.3,
    );

/** Areas of ink that hang together, found on a coarse grid: as many cells as the page has, however many lines. */
function clustersOf(
  strokes: readonly Stroke[],
  shapes: readonly Shape[],
  page: { readonly width: number; readonly height: number },
): Area[] {
  const cell = Math.max(CELL, Math.sqrt((page.width * page.height) / MOST_CELLS));
  const [nx, ny] = [Math.ceil(page.width / cell) + 2, Math.ceil(page.height / cell) + 2];
  const ink = new Map<number, Area>();
  const put = (x: number, y: number, area: Area) => {
    const [i, j] = [Math.floor(x / cell) + 1, Math.floor(y / cell) + 1];
    if (i < 0 || j < 0 || i >= nx || j >= ny) return;
    const key = j * nx + i;
    const before = ink.get(key);
    ink.set(key, before ? (areaRound([before, area]) ?? area) : area);
  };
  const line = (ax: number, ay: number, bx: number, by: number, area: Area) => {
    const steps = Math.min(2000, Math.ceil(Math.hypot(bx - ax, by - ay) / (0.7 * cell)) || 1);
    for (let k = 0; k <= steps; k += 1) put(ax + ((bx - ax) * k) / steps, ay + ((by - ay) * k) / steps, area);
  };
  for (const { a, b } of strokes)
    line(a.x, a.y, b.x, b.y, {
      x0: Math.min(a.x, b.x),
      x1: Math.max(a.x, b.x),
      y0: Math.min(a.y, b.y),
      y1: Math.max(a.y, b.y),
    });
  for (const { corners, area } of shapes)
    corners.forEach((p, i) => {
      const q = corners[(i + 1) % corners.length];
      if (q) line(p.x, p.y, q.x, q.y, area);
    });
  const seen = new Set<number>();
  const areas: Area[] = [];
  for (const start of ink.keys()) {
    if (seen.has(start)) continue;
    seen.add(start);
    const stack = [start];
    let area = ink.get(start) as Area;
    for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
      area = areaRound([area, ink.get(at) ?? null]) ?? area;
      for (const next of [
        at - 1,
        at + 1,
        at - nx,
        at + nx,
        at - nx - 1,
        at - nx + 1,
        at + nx - 1,
        at + nx + 1,
      ]) {
        if (!ink.has(next) || seen.has(next)) continue;
        seen.add(next);
        stack.push(next);
      }
    }
    areas.push(area);
  }
  return areas;
}

/** How small a part of a view is against the rest, and how near it stands, as shares. */
const SMALL_PART = 0.35;

/** Areas that lie over each other, or that one dimension measures between, as one. */
function linked(areas: readonly Area[], dimensions: readonly Dimension[]): Area[] {
  let parts = [...areas].sort((a, b) => b.x1 - b.x0 - (a.x1 - a.x0)).slice(0, 400);
  const over = (a: Area, b: Area) => apart(a.x0, a.x1, b.x0, b.x1) < 2 && apart(a.y0, a.y1, b.y0, b.y1) < 2;
  const unite = (isOne: (a: Area, b: Area) => boolean) => {
    for (let i = 0; i < parts.length; i += 1)
      for (let j = i + 1; j < parts.length; j += 1) {
        const [a, b] = [parts[i], parts[j]];
        if (!a || !b || !isOne(a, b)) continue;
        const both = areaRound([a, b]);
        parts = parts.filter((_, k) => k !== i && k !== j);
        if (both) parts.push(both);
        // it may lie over others now
        i = -1;
        break;
      }
  };
  unite(over);
  // a small part beside a large one is a lead of it
  unite((a, b) => {
    const [small, large] = (a.x1 - a.x0) * (a.y1 - a.y0) < (b.x1 - b.x0) * (b.y1 - b.y0) ? [a, b] : [b, a];
    const [w, h] = [large.x1 - large.x0, large.y1 - large.y0];
    const isSmall = small.x1 - small.x0 < SMALL_PART * w && small.y1 - small.y0 < SMALL_PART * h;
    const isAbreast = small.y0 > large.y0 - 3 && small.y1 < large.y1 + 3;
    return isSmall && isAbreast && apart(small.x0, small.x1, large.x0, large.x1) < SMALL_PART * w;
  });
  for (const one of dimensions) {
    const [p, q] = [footPoint(one, 0), footPoint(one, 1)];
    const [a, b] = [parts.find((part) => isAt(part, p)), parts.find((part) => isAt(part, q))];
    // parts of one view stand abreast of each other
    if (!a || !b || a === b || (apart(a.x0, a.x1, b.x0, b.x1) > 0 && apart(a.y0, a.y1, b.y0, b.y1) > 0))
      continue;
    const both = areaRound([a, b]);
    parts = parts.filter((part) => part !== a && part !== b);
    if (both) parts.push(both);
    unite(over);
  }
  return parts;
}
