import { cornersOf, gapBetween, overhang, type Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import {
  areaOf,
  contourFigure,
  contourOf,
  grown,
  growPlaced,
  ringsOf,
  place,
  rectangle,
  sizeOf,
  type Figure,
  type Placed,
} from '../geometry/figure';
import { gapBetweenFigures } from '../geometry/gaps';
import type { Point } from '../geometry/point';
import { area, encloses, inflate, intersect, subtract, unite, type Polygon } from '../geometry/polygon';
import { quantise } from '../units/length';

/** How the paste of an exposed pad is split; lengths in mm. */
export interface WindowPlan {
  /** Share of the pad that the windows are to cover, 0 to 1. */
  readonly coverage: number;
  /** Least bar between two windows. */
  readonly gap: number;
  /** Corner radius. */
  readonly radius: number;
  /** Windows along and across; as many as their usual size asks for where `null`. */
  readonly columns: number | null;
  readonly rows: number | null;
  /** What windows keep out of, such as open vias with their margin. */
  readonly keepOut: readonly Placed[];
}

/** Windows about the pad's middle, row by row from upper left, and what they come to. */
export interface Windows {
  readonly windows: readonly Placed[];
  readonly columns: number;
  readonly rows: number;
  /** Bar between neighbouring windows, twice the margin at an edge that they are lined up along. mm */
  readonly bar: number;
  /** Share of the pad that is covered, and the most that bars and keep-outs allow. */
  readonly coverage: number;
  readonly achievable: number;
}

/** Windows are about this long; larger openings scoop paste out of their middle. mm */
const USUAL = 1.5;
/** Windows on a side, at most, where nobody says how many: the largest lands get larger windows. */
const MOST_USUAL = 24;
/** Pieces of windows smaller than this share of a whole one are left out: they hold no paste. */
const CRUMB = 0.02;
const TOLERANCE = 0.004;
/** Results that are kept: the same pad is split again with every keystroke elsewhere. */
const REMEMBERED = 32;
const remembered = new Map<string, Windows>();

/**
 * Splits the paste of an exposed pad into a grid of windows with equal bars that cover a share of
 * it, stay inside the pad and keep out of what is named. Where the share cannot be reached, bars
 * are as narrow as the stencil allows.
 */
export function pasteWindows(pad: Figure, plan: WindowPlan): Windows {
  const key = JSON.stringify([pad, plan]);
  const known = remembered.get(key);
  if (known) return known;
  const made = split(pad, plan);
  if (remembered.size >= REMEMBERED) remembered.clear();
  remembered.set(key, made);
  return made;
}

function split(pad: Figure, plan: WindowPlan): Windows {
  const { width, height } = sizeOf(pad);
  if (width <= 0 || height <= 0) {
    return { windows: [], columns: 0, rows: 0, bar: 0, coverage: 0, achievable: 0 };
  }
  const [columns, rows] = windowCounts(pad, plan);
  // a window has half a bar on the sides where it has neighbours, and none where it is alone
  const half = { x: columns > 1 ? plan.gap / 2 : 0, y: rows > 1 ? plan.gap / 2 : 0 };
  const lay = layer(pad, plan, columns, rows, half);
  const whole = areaOf(pad);
  const share = (inset: number) => sumArea(lay(inset)) / whole;
  const most = Math.min(width / columns / 2 - half.x, height / rows / 2 - half.y);
  const achievable = most > 0 ? share(0) : 0;
  let inset = 0;
  let windows = most > 0 ? lay(0) : [];
  if (achievable > plan.coverage) {
    // coverage falls as bars widen; clipped windows cost time, so they settle for less
    const grain = windows.some(({ figure }) => figure.kind === 'contour') ? 5e-4 : 1e-7;
    const wide = closeIn((x) => share(x) - plan.coverage, 0, most, grain);
    inset = wide.above;
    windows = lay(quantise(wide.best));
    inset = wide.best;
    const off = (made: readonly Placed[]) => Math.abs(sumArea(made) / whole - plan.coverage);
    // a piece or a neck that falls away makes coverage jump: slightly smaller pieces take up the rest
    const larger = off(windows) > JUMP ? lay(quantise(wide.above)) : [];
    for (const { trim, only } of off(windows) > JUMP ? trimsOf(larger) : []) {
      if (off(windows) <= JUMP) break;
      const smaller = (by: number) =>
        larger.flatMap((piece) => (only && only !== piece ? [piece] : trim(piece, by, plan.radius)));
      const reach = Math.max(
        ...larger.map((piece) => Math.max(piece.maxX - piece.minX, piece.maxY - piece.minY) / 2),
      );
      const { best } = closeIn((by) => sumArea(smaller(by)) / whole - plan.coverage, 0, reach, grain);
      const finer = smaller(quantise(best));
      if (off(finer) < off(windows)) [windows, inset] = [finer, wide.above];
    }
  }
  return {
    windows,
    columns,
    rows,
    bar: quantise(2 * (quantise(inset) + Math.max(half.x, half.y))),
    coverage: sumArea(windows) / whole,
    achievable,
  };
}

/** Shares further off than this are worth another search. */
const JUMP = 0.003;

/** Areas that are nothing but rounding. mm² */
const SPECK = 1e-4;

/** Ways to make a piece of a window smaller by a length on each side: all round, in length, in height. */
const TRIMS: readonly ((piece: Placed, by: number, radius: number) => Placed[])[] = [
  ({ figure, at }, by) => [place(grown(figure, -by), at)],
  (piece, by, radius) => shortened(piece, { ...piece, minX: piece.minX + by, maxX: piece.maxX - by }, radius),
  (piece, by, radius) => shortened(piece, { ...piece, minY: piece.minY + by, maxY: piece.maxY - by }, radius),
];

/** Trims of all pieces alike, then of one of the larger pieces alone. */
function trimsOf(pieces: readonly Placed[]) {
  const alone = [...pieces].sort((a, b) => areaOf(b.figure) - areaOf(a.figure)).slice(0, 3);
  return [null, ...alone].flatMap((only) => TRIMS.map((trim) => ({ trim, only })));
}

/** What of a piece lies in a box, its corners rounded again; nothing where that would part it. */
function shortened(piece: Placed, within: Box, radius: number): Placed[] {
  if (within.minX >= within.maxX || within.minY >= within.maxY) return [];
  const inside = intersect([flatten(contourOf(piece), TOLERANCE)], [cornersOf(within)]);
  // necks are down to twice the radius: rounding with all of it would cut them
  const r = Math.min(radius / 2, (within.maxX - within.minX) / 4, (within.maxY - within.minY) / 4);
  const kept = r > 0 ? inflate(inflate(inside, -r), r, 'round') : inside;
  return kept.length === 1 && area(kept[0] as Polygon) > SPECK ? placedContour(kept) : [];
}

/**
 * Closes in on the zero of a function that falls from `low` to `high`.
 * @param grain how near is near enough, in x and in f
 * @returns where it came nearest to zero, and the last place where it was not below
 */
function closeIn(
  f: (x: number) => number,
  low: number,
  high: number,
  grain: number,
): { best: number; above: number } {
  let [from, to, over, under] = [low, high, f(low), f(high)];
  let best = Math.abs(over) < Math.abs(under) ? { x: low, off: over } : { x: high, off: under };
  for (let i = 0; i < 20 && to - from > grain; i += 1) {
    // halving now and then keeps one end from sticking
    const t = i % 3 === 2 || under >= over ? 0.5 : Math.min(0.98, Math.max(0.02, over / (over - under)));
    const x = from + (to - from) * t;
    const off = f(x);
    if (Math.abs(off) < Math.abs(best.off)) best = { x, off };
    if (Math.abs(off) < grain) break;
    if (off > 0) [from, over] = [x, off];
    else [to, under] = [x, off];
  }
  return { best: best.x, above: from };
}

/** Windows along both sides: as asked for, or about as long as usual and still able to cover the share. */
export function windowCounts(
  pad: Figure,
  { columns, rows, coverage, gap }: Pick<WindowPlan, 'columns' | 'rows' | 'coverage' | 'gap'>,
): [number, number] {
  const { width, height } = sizeOf(pad);
  const round = pad.kind === 'round';
  const usual = (side: number) => (round ? 1 : Math.min(MOST_USUAL, Math.max(1, Math.round(side / USUAL))));
  // bars of the least width on both sides of every window leave this much of its length
  const scale = Math.sqrt(coverage);
  const most = (side: number) => Math.max(1, Math.floor((side * (1 - scale)) / gap + 1e-9));
  return [columns ?? Math.min(usual(width), most(width)), rows ?? Math.min(usual(height), most(height))];
}

/**
 * Lays windows that are inset from their cells by what is asked for.
 * @param half what they are inset by at the least, across and upright
 */
function layer(
  pad: Figure,
  plan: WindowPlan,
  columns: number,
  rows: number,
  half: Point,
): (inset: number) => Placed[] {
  const { width, height } = sizeOf(pad);
  const cell = { width: width / columns, height: height / rows };
  const plain = pad.kind === 'rectangle' && !pad.chamfer && !pad.radius;
  const [outline, ...openings] = ringsOf(pad, TOLERANCE);
  if (!outline) return () => [];
  const free = openings.map((opening) => [...opening].reverse());
  // chords lie outside of the keep-outs' arcs
  const keepOut = plan.keepOut.map((placed): KeptOut => ({
    placed,
    polygon: flatten(contourOf(growPlaced(placed, TOLERANCE)), TOLERANCE),
  }));
  return (inset) => {
    const size = { width: cell.width - 2 * (inset + half.x), height: cell.height - 2 * (inset + half.y) };
    if (size.width <= 1e-9 || size.height <= 1e-9) return [];
    // a round pad with one window keeps its own shape
    if (!plain && columns * rows === 1 && free.length === 0 && keepOut.length === 0)
      return placedContour(inflate([outline], -inset));
    const without = [...keepOut, ...inflate(free, inset + Math.min(half.x, half.y)).map(keptOut)];
    const inner = plain ? null : inflate([outline], -inset - Math.min(half.x, half.y));
    const windows: Placed[] = [];
    for (let row = 0; row < rows; row += 1) {
      for (let column = 0; column < columns; column += 1) {
        const at = {
          x: (column + 0.5) * cell.width - width / 2,
          y: height / 2 - (row + 0.5) * cell.height,
        };
        const figure = rounded(size.width, size.height, plan.radius);
        const window = place(figure, { x: quantise(at.x), y: quantise(at.y) });
        const met = without.filter(
          ({ placed }) => gapBetween(window, placed) < 0 && gapBetweenFigures(window, placed) < 0,
        );
        const cut = inner && !isWithin(window, inner) ? inner : null;
        if (met.length === 0 && !cut) windows.push(window);
        else windows.push(...bitten(window, plan, cut, met));
      }
    }
    return windows;
  };
}

function rounded(width: number, height: number, radius: number): Figure {
  const r = Math.min(radius, width / 2, height / 2);
  const size = rectangle(quantise(width), quantise(height));
  return r > 0 ? { ...size, radius: quantise(r) } : size;
}

/** Whether all corners of a window lie in an outline; enough where the outline is convex. */
function isWithin(window: Placed, outline: readonly Polygon[]): boolean {
  const corners = flatten(contourOf(window), 0.01);
  // a window that touches the outline lies in it
  const at = ({ x, y }: Point) => ({ x: x + (window.at.x - x) * 1e-4, y: y + (window.at.y - y) * 1e-4 });
  return corners.every((corner) => outline.some((polygon) => encloses(polygon, at(corner))));
}

/** Something that windows keep out of, and its outline. */
interface KeptOut {
  readonly placed: Placed;
  readonly polygon: Polygon;
}

/** A window cut by the pad's outline and by keep-outs, its corners rounded again; crumbs are left out. */
function bitten(
  window: Placed,
  { radius, gap }: WindowPlan,
  within: readonly Polygon[] | null,
  without: readonly KeptOut[],
): Placed[] {
  const whole = flatten(contourOf(window), TOLERANCE);
  const inside = within ? intersect([whole], within) : [whole];
  const left = without.length > 0 ? parted(inside, window, without, gap) : inside;
  // shrunk and grown again: points become round, slivers vanish
  const { width, height } = sizeOf(window.figure);
  const r = Math.min(radius, width / 4, height / 4);
  const kept = r > 0 ? inflate(inflate(left, -r), r, 'round') : left;
  const enough = areaOf(window.figure) * CRUMB;
  return placedContour(
    barred(
      kept.filter((polygon) => area(polygon) > enough),
      gap,
      enough,
    ),
  );
}

/** Pieces of one window kept a bar apart: the larger one stays, the smaller one gives way. */
function barred(pieces: readonly Polygon[], gap: number, enough: number): Polygon[] {
  if (pieces.length < 2) return [...pieces];
  const kept: Polygon[] = [];
  for (const piece of [...pieces].sort((a, b) => area(b) - area(a))) {
    const room = kept.length > 0 ? subtract([piece], inflate(kept, gap + 2 * TOLERANCE, 'round')) : [piece];
    kept.push(...room.filter((polygon) => area(polygon) > enough));
  }
  return kept;
}

/**
 * What keep-outs leave of a window. Where one lies wholly inside, a bar runs across it: a stencil
 * cannot hold an island.
 */
function parted(
  inside: readonly Polygon[],
  window: Placed,
  without: readonly KeptOut[],
  gap: number,
): Polygon[] {
  const polygons = without.map(({ polygon }) => polygon);
  const left = subtract(inside, polygons);
  if (!left.some((polygon) => area(polygon) < 0)) return left;
  const bars = without
    .filter(({ placed }) => overhang(placed, window) < 0)
    .map(({ placed: { at } }) =>
      cornersOf({
        minX: at.x - gap / 2,
        maxX: at.x + gap / 2,
        minY: window.minY - gap,
        maxY: window.maxY + gap,
      }),
    );
  return subtract(inside, unite([...polygons, ...bars]));
}

/** Something free within a pad, as what windows keep out of. */
const keptOut = (polygon: Polygon): KeptOut => {
  const { figure, at } = contourFigure(polygon);
  return { placed: place(figure, at), polygon };
};

/** An aperture in pieces, parted by bars across what is free within it: a stencil cannot hold an island. */
export function withoutIslands(aperture: Figure, gap: number): Placed[] {
  const whole = place(aperture, { x: 0, y: 0 });
  const [edge, ...openings] = ringsOf(aperture, TOLERANCE);
  if (!edge || openings.length === 0) return [whole];
  const free = openings.map((opening) => keptOut([...opening].reverse()));
  return placedContour(parted([edge], whole, free, gap));
}

function placedContour(polygons: readonly Polygon[]): Placed[] {
  return polygons
    .filter((polygon) => polygon.length > 2)
    .map((polygon) => {
      const { figure, at } = contourFigure(polygon);
      return place(figure, at);
    });
}

function sumArea(windows: readonly Placed[]): number {
  return windows.reduce((total, { figure }) => total + areaOf(figure), 0);
}

/** Share of a pad that its paste openings cover. */
export function coverageOf(pad: Figure, windows: readonly Placed[]): number {
  const whole = areaOf(pad);
  return whole > 0 ? sumArea(windows) / whole : 0;
}
