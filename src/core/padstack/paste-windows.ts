import {
  areaOf,
  place,
  sizeOf,
  type Corner,
  type Figure,
  type Placed,
  type Rectangle,
} from '../geometry/figure';
import { quantise } from '../units/length';

/** Windows are about this long; larger openings scoop paste out of their middle. mm */
const WINDOW = 1.5;
/** Smallest bar between two windows that a stencil keeps, mm. */
const LEAST_BAR = 0.2;

/**
 * Splits the paste of an exposed pad into a grid of equal windows that cover a share of it.
 * Bars between windows are twice as wide as the margin round them; a window at a cut corner is
 * cut as well.
 * @param pad the land, a rectangle or a circle
 * @param coverage share of the pad's bounding rectangle, 0 to 1
 * @returns windows about the pad's centre, row by row from upper left
 */
export function pasteWindows(pad: Figure, coverage: number): Placed[] {
  const { width, height } = sizeOf(pad);
  if (width <= 0 || height <= 0) return [];
  const scale = Math.sqrt(coverage);
  // a circle is covered by one smaller circle
  if (pad.kind !== 'rectangle') return [place(shrunk(pad, scale), CENTRE)];
  const [columns, rows] = [countFor(width, scale), countFor(height, scale)];
  const cell = { width: width / columns, height: height / rows };
  const size = { width: quantise(cell.width * scale), height: quantise(cell.height * scale) };
  const windows: Placed[] = [];
  for (let row = 0; row < rows; row += 1) {
    for (let column = 0; column < columns; column += 1) {
      const at = {
        x: quantise((column + 0.5) * cell.width - width / 2),
        y: quantise(height / 2 - (row + 0.5) * cell.height),
      };
      const corner = cornerAt(row, column, rows, columns);
      windows.push(place(windowFigure(pad, size, cell, corner), at));
    }
  }
  return windows;
}

const CENTRE = { x: 0, y: 0 };

/** Windows along one side: about as long as they should be, with bars that a stencil keeps. */
function countFor(side: number, scale: number): number {
  const wanted = Math.max(1, Math.round(side / WINDOW));
  const most = Math.max(1, Math.floor((side * (1 - scale)) / LEAST_BAR + 1e-9));
  return Math.min(wanted, most);
}

/** The corner of the pad that a window lies in; none for windows along its sides and inside. */
function cornerAt(row: number, column: number, rows: number, columns: number): Corner[] {
  const vertical = [...(row === 0 ? ['upper'] : []), ...(row === rows - 1 ? ['lower'] : [])];
  const level = [...(column === 0 ? ['left'] : []), ...(column === columns - 1 ? ['right'] : [])];
  return vertical.flatMap((v) => level.map((l) => `${v}-${l}` as Corner));
}

function windowFigure(
  { chamfer }: Rectangle,
  size: { width: number; height: number },
  cell: { width: number; height: number },
  corners: readonly Corner[],
): Rectangle {
  const window: Rectangle = { kind: 'rectangle', ...size };
  const cut = corners.filter((corner) => chamfer?.corners.includes(corner));
  if (!chamfer || cut.length === 0) return window;
  const margin = [(cell.width - size.width) / 2, (cell.height - size.height) / 2] as const;
  // the cut edge keeps the smaller margin too
  const length = quantise(chamfer.size + Math.min(...margin) * Math.SQRT2 - margin[0] - margin[1]);
  return length > 0 ? { ...window, chamfer: { size: length, corners: cut } } : window;
}

function shrunk(figure: Exclude<Figure, Rectangle>, scale: number): Figure {
  if (figure.kind === 'round') return { kind: 'round', diameter: quantise(figure.diameter * scale) };
  return { ...figure, width: quantise(figure.width * scale), height: quantise(figure.height * scale) };
}

/** Share of a pad that its paste openings cover. */
export function coverageOf(pad: Figure, windows: readonly Placed[]): number {
  const whole = areaOf(pad);
  return whole > 0 ? windows.reduce((sum, { figure }) => sum + areaOf(figure), 0) / whole : 0;
}
