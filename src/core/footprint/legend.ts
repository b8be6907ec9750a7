import type { LegendStyle } from '../document/document';
import { boxOfPoints, gapBetween, grow, type Box } from '../geometry/box';
import { flatten, type Contour } from '../geometry/contour';
import { contourOf, growPlaced, type Placed } from '../geometry/figure';
import { gapToPolygon } from '../geometry/gaps';
import { neighboursOf } from '../geometry/neighbours';
import { add, distance, fullTurn, turn, type Point } from '../geometry/point';
import { cutLines, lengthOf, type Polygon, type Polyline } from '../geometry/polygon';
import type { Process } from '../process/process';
import type { BoredHole, Land, Legend, MaskOpening } from './footprint';
import { LEGEND_STYLES } from './legend-styles';
import { markAt, type Pin1Shape } from './pin1-shapes';

/** What the legend has to keep clear of and what it draws. */
export interface LegendInput {
  readonly lands: readonly Land[];
  readonly maskOpenings: readonly MaskOpening[];
  readonly bores: readonly BoredHole[];
  /** Outline of the body at nominal size, which is drawn. */
  readonly body: Contour;
  /** Body at most material: a mark outside it stays visible after assembly. */
  readonly bodyMax: Box;
  readonly process: Process;
  /** `null` draws no lines. */
  readonly style: LegendStyle | null;
  /** `null` draws no mark. */
  readonly pin1: Pin1Shape | null;
  /** The land that is marked. */
  readonly first: Land | undefined;
}

/** Side of the pin-1 mark in legend line widths. */
const MARK_WIDTHS = 4;

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
    pin1: pin1 ? pin1Mark(input, pin1, obstacles) : null,
  };
}

/** Lands and mask openings, whichever is larger, and holes. */
function clearOf({ lands, maskOpenings, bores }: LegendInput): Placed[] {
  return [
    ...lands.map(({ copper }) => copper),
    ...maskOpenings.map(({ opening }) => opening),
    ...bores.map(({ opening }) => opening),
  ];
}

function styledLines(
  { lands, body, process, style }: LegendInput & { readonly style: LegendStyle },
  obstacles: readonly Placed[],
): Polyline[] {
  const { legendWidth: width, legendGap: gap } = process;
  // a hair more than the limit, so that rounding to nanometres cannot undercut it
  const reach = gap + width / 2 + 2e-6;
  const drawn = styleOf(style).lines({ lands, obstacles, body, reach });
  const pieces = drawn.flatMap((line) => line.slice(1).map((to, i) => [line[i] as Point, to]));
  const box = boxOfPoints(pieces.flat());
  if (!box) return [];
  const rectangular = style === 'outline' && body.length === 4 && body.every(({ bulge }) => !bulge);
  const near = obstacles.filter(
    (o) => gapBetween(o, box) < reach && !(rectangular && strictlyInside(o, box, reach)),
  );
  // chords of round obstacles cut inside their arcs by this tolerance
  const keep = near.map((o) => flatten(contourOf(growPlaced(o, reach + CHORD)), CHORD));
  return joined(cutLines(pieces, keep)).filter((line) => lengthOf(line) >= 2 * width);
}

function styleOf(style: LegendStyle) {
  return LEGEND_STYLES.find(({ id }) => id === style) ?? (LEGEND_STYLES[0] as (typeof LEGEND_STYLES)[number]);
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
 * the first that is clear of lands, openings and the body and nearer to land 1 than to any other.
 */
function pin1Mark(input: LegendInput, shape: Pin1Shape, obstacles: readonly Placed[]): Polygon | null {
  const { lands, bodyMax, process, first } = input;
  if (!first) return null;
  const { legendGap: gap, legendWidth } = process;
  const size = MARK_WIDTHS * legendWidth;
  const opening = input.maskOpenings.find((o) => o.lands.includes(lands.indexOf(first)))?.opening;
  const index = neighboursOf(obstacles);
  const isClear = (mark: Polygon): boolean => {
    const box = boxOfPoints(mark) as Box;
    const near = index.near(grow(box, gap)).map((i) => obstacles[i] as Placed);
    return near.every((o) => gapBetween(box, o) >= gap - 1e-9) && gapBetween(box, bodyMax) >= 0;
  };
  const pointsAtFirst = (mark: Polygon): boolean => {
    const own = gapToPolygon(first.copper, mark) + 1e-6;
    // the obstacles start with the lands' copper
    const near = index.near(grow(boxOfPoints(mark) as Box, own)).flatMap((i) => lands[i] ?? []);
    return near.every((land) => land === first || gapToPolygon(land.copper, mark) > own);
  };
  let ambiguous: Polygon | null = null;
  for (const direction of directionsFrom(first, bodyMax)) {
    const from = edgePoint(first.at, opening ?? first.copper, direction, gap);
    // a land under the body is pointed at from beside the body
    const beside = edgePoint(first.at, bodyMax, direction, gap);
    const body = isBeyond(beside, from, direction) ? distance(beside, from) : 0;
    for (const start of body > 0 ? [0, body] : [0]) {
      for (let extra = start; extra <= start + 2; extra += 0.1) {
        const mark = markAt(shape, add(from, turn({ x: extra, y: 0 }, direction)), direction, size);
        if (!isClear(mark)) continue;
        if (pointsAtFirst(mark)) return mark;
        ambiguous ??= mark;
        break;
      }
    }
  }
  return ambiguous;
}

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
  return at.x === 0 || at.y === 0 ? [rotation, along] : [along, rotation];
}

/** A point beyond the edge of a box, from a point in it in a direction. */
function edgePoint(at: Point, box: Box, direction: number, gap: number): Point {
  const step = turn({ x: 1, y: 0 }, direction);
  const reach = (from: number, low: number, high: number, by: number) =>
    Math.abs(by) < 1e-12 ? Infinity : ((by > 0 ? high : low) - from) / by;
  const out = Math.min(reach(at.x, box.minX, box.maxX, step.x), reach(at.y, box.minY, box.maxY, step.y));
  return add(at, turn({ x: out + gap, y: 0 }, direction));
}
