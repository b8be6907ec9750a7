import { grow, type Box } from '../../geometry/box';
import { neighboursOf, type Neighbours } from '../../geometry/neighbours';
import type { Area } from '../page';
import { areaRound } from '../page';
import type { Shape } from './strokes';
import type { DrawnText } from './texts';

// Which shapes of a drawing are lands: those that are filled or hatched, or the outlines that repeat. What lies in
// them, round them and beside them follows from that.

/** A land as it is drawn. */
export interface LandShape {
  readonly shape: Shape;
  /** Empty where none stands in it or beside it. */
  readonly number: string;
  /** The hole through its middle. */
  readonly hole: Shape | null;
  /** Openings in the stencil that are drawn in it, and small holes. */
  readonly windows: readonly Shape[];
  readonly vias: readonly Shape[];
}

/** The lands of one view. */
export interface LandView {
  readonly lands: readonly LandShape[];
  /** Circles that lie in no land. */
  readonly holes: readonly Shape[];
  readonly body: Shape | null;
  readonly area: Area;
  /** What is to be looked at. */
  readonly doubts: readonly string[];
}

/** Shapes that are looked at as lands; a pattern of more is a table of places. */
const MOST_LANDS = 2500;
/** Shapes of a page among which lands are looked for. */
const MOST_THINGS = 6000;
/** The smallest land, points. */
const SMALLEST = 2.2;

const wide = ({ area }: Shape) => area.x1 - area.x0;
const tall = ({ area }: Shape) => area.y1 - area.y0;
const middle = ({ area }: Shape) => ({ x: (area.x0 + area.x1) / 2, y: (area.y0 + area.y1) / 2 });
const isFilled = ({ fill }: Shape) => fill !== null && fill !== 'paper';
const holds = (a: Area, b: Area, slack = 0.3) =>
  b.x0 >= a.x0 - slack && b.x1 <= a.x1 + slack && b.y0 >= a.y0 - slack && b.y1 <= a.y1 + slack;
const overlaps = (a: Area, b: Area, slack = 0) =>
  a.x0 < b.x1 - slack && b.x0 < a.x1 - slack && a.y0 < b.y1 - slack && b.y0 < a.y1 - slack;

/** Whether two shapes are drawn alike. */
export function alike(a: Shape, b: Shape): boolean {
  const slack = Math.max(0.35, 0.012 * Math.max(wide(a), tall(a)));
  return Math.abs(wide(a) - wide(b)) < slack && Math.abs(tall(a) - tall(b)) < slack;
}

/**
 * The views of a page that show lands.
 * @param shapes without the heads of arrows
 */
export function landViews(
  shapes: readonly Shape[],
  texts: readonly DrawnText[],
  page: { readonly width: number; readonly height: number },
): LandView[] {
  const things = shapes.filter(
    (shape) =>
      wide(shape) > SMALLEST &&
      tall(shape) > SMALLEST &&
      wide(shape) < 0.7 * page.width &&
      tall(shape) < 0.7 * page.height &&
      !isCell(shape, texts),
  );
  if (things.length > MOST_THINGS) return [];
  const filled = things.filter(isFilled);
  const doubts: string[] = [];
  const overFilled = neighboursOf(filled.map(boxOf));
  let lands = filled.filter((one) => !isGround(one, filled, overFilled));
  // a drop of ink is no pattern: where next to nothing is filled the outlines are meant
  const isBare = lands.length < 2;
  if (isBare) {
    const outlines = things.filter(({ outline }) => outline > 0);
    const repeated = repeatedAmong(outlines.filter(({ kind }) => kind !== 'round'));
    const near = neighboursOf(outlines.map(boxOf));
    const rings = outlines.filter(
      (one) => one.kind === 'round' && near.near(boxOf(one)).some((i) => isRing(one, outlines[i] as Shape)),
    );
    lands = repeated.length > 0 ? apartFromEachOther(repeated) : rings;
    if (lands.length === 0) {
      // two lands of two sizes repeat nothing
      lands = apartFromEachOther(outlines.filter((one) => one.kind !== 'round' && !one.isDashed));
      if (lands.length < 2) lands = [];
      doubts.push('Outlines that do not repeat are taken for lands.');
    }
    const among = areaRound(lands.map(({ area }) => area));
    for (const one of outlines) {
      if (!among || lands.includes(one) || one.kind === 'round' || one.isDashed) continue;
      const isClear = lands.every((land) => !overlaps(land.area, one.area));
      const isOwn = lands.some((land) => Math.abs(land.outline - one.outline) < 0.05);
      const isAbreast = lands.some((land) => isNear(land.area, one.area, APART));
      if (!isClear || !isOwn || !isAbreast) continue;
      lands = [...lands, one];
      if (holds(among, one.area))
        doubts.push('The outline in the middle is taken for a land; it may be the body.');
    }
  }
  if (lands.length === 0 || lands.length > MOST_LANDS) return [];
  const circles = things.filter((one) => one.kind === 'round' && !isFilled(one) && !lands.includes(one));
  const others = things.filter((one) => !lands.includes(one) && !circles.includes(one));
  return clusters([...lands, ...circles])
    .map((cluster) => viewOf(cluster, lands, circles, others, things, texts, isBare ? doubts : []))
    .filter((view) => view.lands.length > 0);
}

/** Whether an outline is a cell or a box of text: it holds words that are no number. */
function isCell(shape: Shape, texts: readonly DrawnText[]): boolean {
  if (isFilled(shape)) return false;
  const inside = texts.filter(({ area }) => holds(shape.area, area, 0.5));
  return inside.some(({ text }) => /\p{L}{3}|\d[-/ ]\s?\d|\d{4}-\d\d/u.test(text)) && inside.length < 20;
}

/** Whether a filled shape is the ground that others lie on: a body that is tinted, and not a land with windows. */
function isGround(one: Shape, all: readonly Shape[], index: Neighbours): boolean {
  const on = index
    .near(boxOf(one))
    .map((i) => all[i] as Shape)
    .filter((other) => other !== one && overlaps(one.area, other.area, 0.3));
  if (on.length < 2) return false;
  const under = new Set(on);
  return !all.some((other) => other !== one && !under.has(other) && other.fill === one.fill);
}

const isRing = (outer: Shape, inner: Shape): boolean => {
  const [a, b] = [middle(outer), middle(inner)];
  return (
    inner !== outer &&
    inner.kind === 'round' &&
    wide(inner) < wide(outer) - 0.5 &&
    Math.hypot(a.x - b.x, a.y - b.y) < 0.5
  );
};

/** Of outlines that lie over each other the smaller ones, unless they are windows in a larger one. */
function apartFromEachOther(all: readonly Shape[]): Shape[] {
  const index = neighboursOf(all.map(boxOf));
  return all.filter((one) => {
    const over = index
      .near(boxOf(one))
      .map((i) => all[i] as Shape)
      .filter((other) => other !== one && overlaps(one.area, other.area, 0.3));
    return over.every(
      (other) => holds(one.area, other.area) || wide(other) * tall(other) > wide(one) * tall(one),
    );
  });
}

/** Outlines of one size of which there are several. */
function repeatedAmong(outlines: readonly Shape[]): Shape[] {
  const bySize = new Map<string, Shape[]>();
  const key = (w: number, h: number) => `${w} ${h}`;
  for (const one of outlines) {
    const at = key(Math.round(wide(one)), Math.round(tall(one)));
    bySize.set(at, [...(bySize.get(at) ?? []), one]);
  }
  return outlines.filter((one) => {
    const [w, h] = [Math.round(wide(one)), Math.round(tall(one))];
    return [-1, 0, 1].some((dw) =>
      [-1, 0, 1].some((dh) =>
        (bySize.get(key(w + dw, h + dh)) ?? []).some((other) => other !== one && alike(one, other)),
      ),
    );
  });
}

const boxOf = ({ area }: Shape): Box => ({ minX: area.x0, maxX: area.x1, minY: area.y0, maxY: area.y1 });

const isNear = (a: Area, b: Area, within: number): boolean =>
  a.x0 - b.x1 < within && b.x0 - a.x1 < within && a.y0 - b.y1 < within && b.y0 - a.y1 < within;

/** Shapes that stand together, each near the next. */
function clusters(shapes: readonly Shape[]): Shape[][] {
  const boxes = shapes.map(boxOf);
  const index = neighboursOf(boxes);
  const seen = new Set<number>();
  return shapes.flatMap((_, start) => {
    if (seen.has(start)) return [];
    seen.add(start);
    const group = [start];
    for (let k = 0; k < group.length; k += 1) {
      const at = group[k] as number;
      for (const next of index.near(grow(boxes[at] as Box, APART)))
        if (!seen.has(next)) {
          seen.add(next);
          group.push(next);
        }
    }
    return [group.map((i) => shapes[i] as Shape)];
  });
}

/** Lands of one view are nearer than this, points. */
const APART = 130;

function viewOf(
  cluster: readonly Shape[],
  lands: readonly Shape[],
  circles: readonly Shape[],
  others: readonly Shape[],
  things: readonly Shape[],
  texts: readonly DrawnText[],
  doubts: readonly string[],
): LandView {
  const own = cluster.filter((one) => lands.includes(one));
  const outer = own.filter(
    (one) => !own.some((other) => other !== one && holds(other.area, one.area) && !alike(one, other)),
  );
  const area = areaRound(outer.map((one) => one.area)) ?? { x0: 0, y0: 0, x1: 0, y1: 0 };
  const within = (land: Shape) =>
    things.filter(
      (one) =>
        one !== land && holds(land.area, one.area) && wide(one) * tall(one) < 0.95 * wide(land) * tall(land),
    );
  const used = new Set<Shape>();
  const made = outer.map((shape): Omit<LandShape, 'number'> => {
    const inner = within(shape);
    const round = inner.filter(({ kind, fill }) => kind === 'round' && (fill === null || fill === 'paper'));
    const [p] = [middle(shape)];
    const hole =
      round.find((one) => Math.hypot(middle(one).x - p.x, middle(one).y - p.y) < 0.6 && round.length === 1) ??
      null;
    const vias = hole ? [] : round;
    for (const one of inner) used.add(one);
    return { shape, hole, windows: inner.filter((one) => !round.includes(one)), vias };
  });
  const numbers = numbersOf(outer, texts, area);
  const bodies = others.filter(
    (one) =>
      !used.has(one) &&
      outer.filter((land) => overlaps(one.area, land.area)).length + (holds(area, one.area) ? 2 : 0) >= 2 &&
      wide(one) > 0.3 * (area.x1 - area.x0),
  );
  const [body] = bodies.sort((a, b) => a.outline - b.outline);
  return {
    lands: made.map((land, i) => ({ ...land, number: numbers[i] ?? '' })),
    holes: circles.filter((one) => cluster.includes(one) && !used.has(one)),
    body: body ?? null,
    area,
    doubts,
  };
}

/** A number of a land: digits, or a letter with digits. */
const NUMBER = /^(?:\d{1,3}|[A-Z]{1,2}\d{0,2}|EP|PAD)$/;

/** The number in each land, or the one that stands beside it at the place where those of its row stand. */
function numbersOf(lands: readonly Shape[], texts: readonly DrawnText[], area: Area): string[] {
  const near = texts.filter(({ text, area: at }) => NUMBER.test(text) && isNear(at, area, 16));
  const inside = lands.map((land) => near.find(({ area: at }) => holds(land.area, at, 1))?.text ?? '');
  const found = inside.some((number) => number !== '') ? inside : numbersBeside(lands, near);
  // a number that stands at two lands says nothing of either, and a few texts beside many lands are something else
  const said = found.filter((number) => number !== '');
  const isUnique = new Set(said).size === said.length;
  return isUnique && (2 * said.length > lands.length || lands.length < 5) ? found : lands.map(() => '');
}

/** Numbers beside lands: in each row at one offset from its lands, that at which most of them have one. */
function numbersBeside(lands: readonly Shape[], near: readonly DrawnText[]): string[] {
  const found = lands.map(() => '');
  const taken = new Set<DrawnText>();
  const rows = rowsOf(lands).map((row) => ({
    row,
    votes: votesFor(
      row.map((i) => lands[i] as Shape),
      near,
    ),
  }));
  // rows whose numbers are all there go first
  for (const { row, votes } of rows.sort((a, b) => share(b) - share(a))) {
    const [best] = votes;
    // where some of a row have none there, they may all be those of their neighbours
    if (!best || best.pairs.length < row.length) continue;
    for (const { k, text } of best.pairs) {
      const i = row[k];
      if (i === undefined || taken.has(text)) continue;
      taken.add(text);
      found[i] = text.text;
    }
  }
  return found;
}

interface Vote {
  readonly pairs: { readonly k: number; readonly text: DrawnText }[];
}

const share = ({
  row,
  votes,
}: {
  readonly row: readonly number[];
  readonly votes: readonly Vote[];
}): number => (votes[0]?.pairs.length ?? 0) / row.length;

/** Offsets from lands at which numbers stand, that of most lands first. */
function votesFor(row: readonly Shape[], near: readonly DrawnText[]): Vote[] {
  const votes = new Map<string, Vote>();
  row.forEach((land, k) => {
    const p = middle(land);
    for (const text of near) {
      if (gapTo(land.area, text.area) > 1.3 * text.size) continue;
      const { x0, x1, y0, y1 } = text.area;
      const key = [(x0 + x1) / 2 - p.x, (y0 + y1) / 2 - p.y].map((off) => Math.round(off / 2.5)).join(' ');
      const vote = votes.get(key) ?? { pairs: [] };
      if (!vote.pairs.some((pair) => pair.k === k)) vote.pairs.push({ k, text });
      votes.set(key, vote);
    }
  });
  return [...votes.values()].sort((a, b) => b.pairs.length - a.pairs.length);
}

/** Lands of one size in one line, by their indices; the longest lines first. */
function rowsOf(lands: readonly Shape[]): number[][] {
  const lines = new Map<string, number[]>();
  lands.forEach((land, i) => {
    const p = middle(land);
    const size = `${Math.round(wide(land))} ${Math.round(tall(land))}`;
    for (const key of [`x ${Math.round(p.x)} ${size}`, `y ${Math.round(p.y)} ${size}`])
      lines.set(key, [...(lines.get(key) ?? []), i]);
  });
  const seen = new Set<number>();
  return [...lines.values()]
    .sort((a, b) => b.length - a.length)
    .flatMap((line) => {
      const own = line.filter((i) => !seen.has(i));
      for (const i of own) seen.add(i);
      return own.length > 0 ? [own] : [];
    });
}

const gapTo = (a: Area, b: Area): number =>
  Math.hypot(Math.max(0, a.x0 - b.x1, b.x0 - a.x1), Math.max(0, a.y0 - b.y1, b.y0 - a.y1));
