import type { LegendStyle } from '../document/document';
import { boxOfPoints, boxRound, cornersOf, gapBetween, grow, overhang, type Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import { cutLines, type Segment } from '../geometry/cut-lines';
import { contourOf, grown, place, type Figure, type Placed } from '../geometry/figure';
import { gapToPolygon } from '../geometry/gaps';
import { add, distance, fullTurn, turn, type Point } from '../geometry/point';
import { inflate, lengthOf, type Polygon, type Polyline } from '../geometry/polygon';
import type { Process } from '../process/process';
import type { BoredHole, Land, Legend, MaskOpening } from './footprint';
import { LEGEND_STYLES } from './legend-styles';
import { isOnOwnSide } from './sides';
import { markAt, type Pin1Shape } from './pin1-shapes';

/** What the legend has to keep clear of and what it draws. */
export interface LegendInput {
  readonly lands: readonly Land[];
  readonly maskOpenings: readonly MaskOpening[];
  readonly bores: readonly BoredHole[];
  /** Outline of the body at most material: what lies beside it stays visible after assembly. */
  readonly body: Polygon;
  /** The box round it. */
  readonly bodyMax: Box;
  /** Lines and marks stay inside it. */
  readonly courtyard: Box;
  readonly process: Process;
  /** `null` draws no lines. */
  readonly style: LegendStyle | null;
  /** Shapes of the mark, the one that is wanted first; none draws no mark. */
  readonly pin1: readonly Pin1Shape[];
  /** The land that is marked. */
  readonly first: Land | undefined;
}

/** Sizes of the pin-1 mark in legend line widths, the usual one first. */
const MARK_WIDTHS = [4, 3, 2.5];

/**
 * Draws the lines of a style where they keep the process's gap from lands and openings,
 * and a mark beside land 1, outside the body.
 */
export function drawLegend(input: LegendInput): Legend {
  const { process, style, pin1 } = input;
  const obstacles = clearOf(input);
  return {
    width: process.legendWidth,
    lines: style ? styledLines({ ...input, style }, obstacles) : [],
    pin1: pin1Mark(input, pin1, obstacles),
  };
}

/** Each land's copper, or the opening that encloses it, in the lands' order; then all other openings. */
function clearOf({ lands, maskOpenings, bores }: LegendInput): Placed[] {
  const own = lands.map(({ copper }) => copper);
  const others = bores.map(({ opening }) => opening);
  for (const { opening, lands: freed, far } of maskOpenings) {
    if (far) continue;
    const [only = -1] = freed.length === 1 ? freed : [];
    const land = lands[only];
    if (land && own[only] === land.copper && isGrown(opening, land.copper)) own[only] = opening;
    else others.push(opening);
  }
  return [...own.filter((_, i) => isNear(lands[i] as Land)), ...others];
}

/** What a legend is printed beside; footprints are drawn on the component side. */
const isNear = (land: Land): boolean => isOnOwnSide({ far: false }, land);

/** Whether a figure is another one grown about the same middle. */
function isGrown(outer: Placed, inner: Placed): boolean {
  return (
    outer.figure.kind === inner.figure.kind &&
    outer.figure.kind !== 'contour' &&
    outer.rotation === inner.rotation &&
    outer.at.x === inner.at.x &&
    outer.at.y === inner.at.y &&
    overhang(inner, outer) <= 0
  );
}

function styledLines(
  { lands, body: largest, bodyMax, courtyard, process, style }: LegendInput & { readonly style: LegendStyle },
  obstacles: readonly Placed[],
): Polyline[] {
  const { legendWidth: width, legendGap: gap } = process;
  // a hair more than the limit, so that rounding to nanometres cannot undercut it
  const reach = gap + width / 2 + 2e-6;
  const body = besideBody(largest, width, -overhang(bodyMax, courtyard));
  const drawn = styleOf(style).lines({ lands, obstacles, body, reach });
  const pieces = drawn.flatMap((line) => line.slice(1).map((to, i): Segment => [line[i] as Point, to]));
  const box = boxOfPoints(pieces.flat());
  if (!box) return [];
  const rectangular = style === 'outline' && body.length === 4;
  const near = obstacles.filter(
    (o) => gapBetween(o, box) < reach && !(rectangular && strictlyInside(o, box, reach)),
  );
  // chords of round obstacles cut inside their arcs by this tolerance
  const wide = widener(reach + CHORD);
  const keep = near.map((o) => flatten(contourOf(wide(o)), CHORD));
  return joined(cutLines(pieces, keep)).filter((line) => lengthOf(line) >= 2 * width);
}

/**
 * Where the middle of a line beside the body runs: its inner edge on the largest body's, or as far
 * out as the courtyard lets it, but never further in than its middle on the body's edge.
 * @param room from the body to the courtyard, mm
 */
function besideBody(body: Polygon, width: number, room: number): Polygon {
  const out = Math.max(0, Math.min(width / 2, room - width / 2));
  if (out < 1e-9) return body;
  const box = boxOfPoints(body) as Box;
  const rectangular =
    body.length === 4 &&
    body.every(({ x, y }) => isEdge(x, box.minX, box.maxX) && isEdge(y, box.minY, box.maxY));
  if (rectangular) return cornersOf(grow(box, out));
  return inflate([body], out, 'round')[0] ?? body;
}

function isEdge(v: number, low: number, high: number): boolean {
  return Math.abs(v - low) < 1e-9 || Math.abs(v - high) < 1e-9;
}

function styleOf(style: LegendStyle) {
  return LEGEND_STYLES.find(({ id }) => id === style) ?? (LEGEND_STYLES[0] as (typeof LEGEND_STYLES)[number]);
}

/** Grows placed figures; those that share a figure share the grown one. */
function widener(by: number): (placed: Placed) => Placed {
  const known = new Map<Figure, Figure>();
  return ({ figure, at, rotation }) => {
    const wide = known.get(figure) ?? grown(figure, by);
    known.set(figure, wide);
    return place(wide, at, rotation);
  };
}

/** Tolerance of chords round round obstacles, mm. */
const CHORD = 0.001;

/** Whether an obstacle lies so far inside a box that it cannot touch its outline. */
function strictlyInside(o: Box, { minX, minY, maxX, maxY }: Box, by: number): boolean {
  return o.minX - by > minX && o.minY - by > minY && o.maxX + by < maxX && o.maxY + by < maxY;
}

/** Joins pieces that meet at the corners of the outline, so that a side does not end in a corner. */
function joined(pieces: readonly Polyline[]): Polyline[] {
  const same = (a: Point | undefined, b: Point | undefined) =>
    a && b && Math.abs(a.x - b.x) < 1e-6 && Math.abs(a.y - b.y) < 1e-6;
  const lines: Polyline[] = [];
  for (const piece of pieces) {
    let current = piece;
    for (let i = lines.length - 1; i >= 0; i -= 1) {
      const other = lines[i] as Polyline;
      const merged = same(other.at(-1), current[0])
        ? [...other, ...current.slice(1)]
        : same(current.at(-1), other[0])
          ? [...current, ...other.slice(1)]
          : same(other[0], current[0])
            ? [...[...other].reverse(), ...current.slice(1)]
            : same(other.at(-1), current.at(-1))
              ? [...other, ...[...current].reverse().slice(1)]
              : null;
      if (!merged) continue;
      lines.splice(i, 1);
      current = merged;
    }
    lines.push(current);
  }
  return lines;
}

/**
 * Tries the places beside land 1, beyond the end of its row first, then beyond its toe, and takes
 * the first that is clear of lands, openings and the body, nearer to land 1 than to any other, and
 * inside the courtyard: in the usual size, smaller, then in the other shapes. Where none fits
 * inside, the usual mark is set outside, and the courtyard has to grow.
 */
function pin1Mark(
  input: LegendInput,
  shapes: readonly Pin1Shape[],
  obstacles: readonly Placed[],
): Polygon | null {
  const [usual] = shapes;
  if (!usual || !input.first) return null;
  const { first, lands, maskOpenings } = input;
  const place = lands.indexOf(first);
  const from = maskOpenings.find((o) => o.lands.includes(place))?.opening ?? first.copper;
  const search = { ...input, first, from, obstacles };
  for (const shape of shapes) {
    for (const widths of MARK_WIDTHS) {
      const size = widths * input.process.legendWidth;
      const { clear } = markBeside(search, shape, size, input.courtyard);
      if (clear) return clear;
    }
  }
  const { clear, ambiguous } = markBeside(
    search,
    usual,
    (MARK_WIDTHS[0] ?? 4) * input.process.legendWidth,
    null,
  );
  return clear ?? ambiguous;
}

interface MarkSearch extends LegendInput {
  readonly first: Land;
  /** Its copper, or the opening round it: what the mark stands beside. */
  readonly from: Box;
  readonly obstacles: readonly Placed[];
}

/** How far out a mark is looked for, and in which steps, mm. */
const SEARCH = { reach: 2, step: 0.1 };

/** The first clear place of a mark, and the first that is clear but nearer to another land. */
function markBeside(
  search: MarkSearch,
  shape: Pin1Shape,
  size: number,
  within: Box | null,
): { readonly clear: Polygon | null; readonly ambiguous: Polygon | null } {
  const { bodyMax, first, obstacles } = search;
  const { legendGap: gap } = search.process;
  let ambiguous: Polygon | null = null;
  for (const direction of directionsFrom(first, bodyMax)) {
    const own = boxOfPoints(markAt(shape, { x: 0, y: 0 }, direction, size)) as Box;
    const from = edgePoint(first.at, search.from, direction, gap);
    // a land under the body is pointed at from beside the body
    const beside = edgePoint(first.at, bodyMax, direction, within ? 0 : gap);
    const body = isBeyond(beside, from, direction) ? distance(beside, from) : 0;
    const step = turn({ x: 1, y: 0 }, direction);
    const apexAt = (out: number): Point => ({ x: from.x + out * step.x, y: from.y + out * step.y });
    for (const start of body > 0 ? [0, body] : [0]) {
      const last = start + SEARCH.reach;
      const [begin, end] = [shifted(own, apexAt(start)), shifted(own, apexAt(last))];
      // further out it does not come back in
      if (within && overhang(begin, within) > 1e-6) continue;
      const swept = boxRound([begin, end]) as Box;
      const near = obstacles.filter((o) => gapBetween(o, swept) < gap);
      let steps = 1;
      for (let out = start; out <= last; out += steps * SEARCH.step) {
        const apex = apexAt(out);
        const box = shifted(own, apex);
        if (within && overhang(box, within) > 1e-6) break;
        let lacking = -gapBetween(box, bodyMax);
        for (const o of near) lacking = Math.max(lacking, gap - gapBetween(box, o));
        // a gap grows by no more than the way that is gone
        steps = Math.max(1, Math.floor(lacking / SEARCH.step));
        if (lacking > 1e-9) continue;
        const mark = markAt(shape, apex, direction, size);
        if (pointsAt(search, mark, box)) return { clear: mark, ambiguous };
        ambiguous ??= mark;
        break;
      }
    }
  }
  return { clear: null, ambiguous };
}

/** Whether a mark lies nearer to the first land than to any other. */
function pointsAt({ first, lands }: MarkSearch, mark: Polygon, box: Box): boolean {
  const own = gapToPolygon(first.copper, mark) + 1e-6;
  return lands.every(
    (land) =>
      land === first ||
      !isNear(land) ||
      gapBetween(land.copper, box) > own ||
      gapToPolygon(land.copper, mark) > own,
  );
}

const shifted = ({ minX, minY, maxX, maxY }: Box, { x, y }: Point): Box => ({
  minX: minX + x,
  minY: minY + y,
  maxX: maxX + x,
  maxY: maxY + y,
});

/** Whether a point lies further along a direction than another. */
function isBeyond(a: Point, b: Point, direction: number): boolean {
  return turn({ x: a.x - b.x, y: a.y - b.y }, -direction).x > 0;
}

/** Directions to try, in degrees: away along the row, then outwards. */
function directionsFrom({ at, rotation, end }: Land, body: Box): number[] {
  if (end === null) {
    // from the nearest side of the body
    const sides: [number, number][] = [
      [180, at.x - body.minX],
      [90, body.maxY - at.y],
      [0, body.maxX - at.x],
      [270, at.y - body.minY],
    ];
    return sides.sort((a, b) => a[1] - b[1]).map(([direction]) => direction);
  }
  // along the row away from its middle; up and left where it has none
  const [one, other] = [fullTurn(rotation + 90), fullTurn(rotation - 90)];
  const usual = one === 90 || one === 180 ? one : other;
  const step = turn({ x: 1, y: 0 }, usual);
  const along = at.x * step.x + at.y * step.y >= 0 ? usual : fullTurn(usual + 180);
  const usualTwo = at.x === 0 || at.y === 0 ? [rotation, along] : [along, rotation];
  return [...usualTwo, fullTurn(along + 180)];
}

/** A point beyond the edge of a box, from a point in it in a direction. */
function edgePoint(at: Point, box: Box, direction: number, gap: number): Point {
  const step = turn({ x: 1, y: 0 }, direction);
  const reach = (from: number, low: number, high: number, by: number) =>
    Math.abs(by) < 1e-12 ? Infinity : ((by > 0 ? high : low) - from) / by;
  const out = Math.min(reach(at.x, box.minX, box.maxX, step.x), reach(at.y, box.minY, box.maxY, step.y));
  return add(at, turn({ x: out + gap, y: 0 }, direction));
}
