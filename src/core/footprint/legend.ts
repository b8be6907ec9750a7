import { boxOfPoints, cornersOf, gapBetween, grow, type Box } from '../geometry/box';
import { add, turn, type Point, type Quarter } from '../geometry/point';
import { cutLines, lengthOf, type Polygon, type Polyline } from '../geometry/polygon';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { Land, Legend, MaskOpening } from './footprint';

/** What the legend has to keep clear of and what it draws. */
export interface LegendInput {
  readonly lands: readonly Land[];
  readonly maskOpenings: readonly MaskOpening[];
  /** Body at nominal size, whose outline is drawn. */
  readonly body: Box;
  /** Body at most material: a mark outside it stays visible after assembly. */
  readonly bodyMax: Box;
  readonly process: Process;
  readonly outline: boolean;
  readonly pin1: boolean;
}

/** Side of the pin-1 mark in legend line widths. */
const MARK_WIDTHS = 4;

/**
 * Draws the body outline where it keeps the process's gap from lands and openings,
 * and a triangle that points at land 1 from outside the body.
 */
export function drawLegend(input: LegendInput): Legend {
  const { process, outline, pin1 } = input;
  const obstacles = clearOf(input);
  return {
    width: process.legendWidth,
    lines: outline ? outlineLines(input, obstacles) : [],
    pin1: pin1 ? pin1Mark(input, obstacles) : null,
  };
}

/** Lands and mask openings, whichever is larger. */
function clearOf({ lands, maskOpenings }: LegendInput): Box[] {
  return [...lands.map(({ copper }) => copper), ...maskOpenings.map(({ box }) => box)];
}

function outlineLines({ body, process }: LegendInput, obstacles: readonly Box[]): Polyline[] {
  const { legendWidth: width, legendGap: gap } = process;
  // a hair more than the limit, so that rounding to nanometres cannot undercut it
  const keep = obstacles.map((box) => cornersOf(grow(box, gap + width / 2 + 2e-6)));
  const corners = cornersOf(body);
  const sides = corners.map((corner, i) => [corner, corners[(i + 1) % corners.length] as Point]);
  return joined(cutLines(sides, keep)).filter((line) => lengthOf(line) >= 2 * width);
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
 * Tries the places beside land 1, beyond the end of its row first, then beyond its toe,
 * and takes the first that is clear of lands, openings and the body.
 */
function pin1Mark(input: LegendInput, obstacles: readonly Box[]): Polygon | null {
  const { lands, bodyMax, process } = input;
  const first = lands[0];
  if (!first) return null;
  const { legendGap: gap, legendWidth } = process;
  const size = MARK_WIDTHS * legendWidth;
  const opening = input.maskOpenings.find((o) => o.lands.includes(0))?.box ?? first.copper;
  for (const direction of directionsFrom(first)) {
    for (let extra = 0; extra <= 2; extra += 0.1) {
      const mark = triangle(edgePoint(first.at, opening, direction, gap + extra), direction, size);
      const box = boxOfPoints(mark) as Box;
      const clear = obstacles.every((o) => gapBetween(box, o) >= gap - 1e-9);
      if (clear && gapBetween(box, bodyMax) >= 0) return mark;
    }
  }
  return null;
}

/** Directions to try, as quarter turns of +X: away along the row, then outwards. */
function directionsFrom({ at, rotation }: Land): Quarter[] {
  const along: Quarter = rotation % 180 === 0 ? (at.y >= 0 ? 90 : 270) : at.x >= 0 ? 0 : 180;
  return at.x === 0 || at.y === 0 ? [rotation, along] : [along, rotation];
}

function edgePoint(at: Point, box: Box, direction: Quarter, gap: number): Point {
  switch (direction) {
    case 0:
      return { x: box.maxX + gap, y: at.y };
    case 90:
      return { x: at.x, y: box.maxY + gap };
    case 180:
      return { x: box.minX - gap, y: at.y };
    case 270:
      return { x: at.x, y: box.minY - gap };
  }
}

/** A triangle with its apex at a point, widening away along a direction. */
function triangle(apex: Point, direction: Quarter, size: number): Polygon {
  const corners = [
    { x: 0, y: 0 },
    { x: size * 0.85, y: -size / 2 },
    { x: size * 0.85, y: size / 2 },
  ];
  return corners.map((corner) => {
    const { x, y } = add(apex, turn(corner, direction));
    return { x: quantise(x), y: quantise(y) };
  });
}
