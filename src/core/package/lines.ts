import type { Toleranced } from '../units/toleranced';
import { turn, type Point } from '../geometry/point';

/** The three views of a drawing; plan shows (x, y), front (x, z), side (y, z). */
export type View = 'plan' | 'front' | 'side';

/**
 * A dimension line: the two points it measures between in a view's coordinates (z from the
 * seating plane), and the side of the view it stands off to, nearest tier first.
 */
export interface DimensionLine {
  readonly symbol: string;
  readonly view: View;
  readonly from: Point;
  readonly to: Point;
  readonly side: 'top' | 'bottom' | 'left' | 'right';
  readonly tier: number;
  /** What it states, where that is no dimension of the package: its symbol is then the place of the entry in the document. */
  readonly states?: Toleranced;
}

/** A dimension line from one point of a view to another, standing off to a side. */
export function line(
  symbol: string,
  view: DimensionLine['view'],
  side: DimensionLine['side'],
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
  tier = 0,
): DimensionLine {
  return { symbol, view, side, from: { x: x0, y: y0 }, to: { x: x1, y: y1 }, tier };
}

const SIDE_TURNED = { top: 'left', left: 'bottom', bottom: 'right', right: 'top' } as const;

/** A side of a drawing as it lies when that is turned by quarters counter-clockwise. */
export function turnSide(side: DimensionLine['side'], quarters: number): DimensionLine['side'] {
  return quarters <= 0 ? side : turnSide(SIDE_TURNED[side], quarters - 1);
}

const MIRRORED = { top: 'top', bottom: 'bottom', left: 'right', right: 'left' } as const;

/** A dimension line as it lies when what it measures is turned by quarters counter-clockwise. */
export function turnLine(line: DimensionLine, quarters: number): DimensionLine {
  if (quarters <= 0) return line;
  return turnLine(quarterTurned(line), quarters - 1);
}

function quarterTurned(line: DimensionLine): DimensionLine {
  switch (line.view) {
    case 'plan':
      return { ...line, from: turn(line.from, 90), to: turn(line.to, 90), side: SIDE_TURNED[line.side] };
    case 'front':
      // what was seen along y is now seen along x
      return { ...line, view: 'side' };
    case 'side': {
      const mirror = ({ x, y }: Point) => ({ x: 0 - x, y });
      return {
        ...line,
        view: 'front',
        from: mirror(line.from),
        to: mirror(line.to),
        side: MIRRORED[line.side],
      };
    }
  }
}
