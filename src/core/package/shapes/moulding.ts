import { rectangleCorners, type Loft } from '../../geometry/solid';
import type { Point } from '../../geometry/point';

/** The mould parts from its halves at this angle from the vertical, as tangent (7°). */
const DRAFT = 0.123;

/** Heights of a moulded body above the seating plane, mm. */
export interface MouldHeights {
  readonly bottom: number;
  /** Where the halves meet and the leads come out. */
  readonly parting: number;
  readonly top: number;
}

/**
 * Heights of a body between standoff and overall height. A height is a maximum as a rule;
 * a body lower than its standoff is drawn as a thin slab.
 */
export function mouldHeights(standoff: number, height: number): MouldHeights {
  const top = Math.max(height, standoff + 0.05);
  return { bottom: standoff, parting: (standoff + top) / 2, top };
}

/** Two drafted halves that meet at the parting line, `width` along x and `length` along y there. */
export function mouldedBody(width: number, length: number, { bottom, parting, top }: MouldHeights): Loft {
  const section = (z: number) => {
    const inset = Math.min(Math.abs(z - parting) * DRAFT, width / 4, length / 4);
    return { z, corners: rectangleCorners(width - 2 * inset, length - 2 * inset) };
  };
  return { kind: 'loft', sections: [section(bottom), section(parting), section(top)] };
}

/** A tab or lug under a body, in the body's frame: it enters at +x and ends within. mm */
export interface MetalUnder {
  /** Where it ends inside. */
  readonly from: number;
  readonly width: number;
  /** Its upper side. */
  readonly top: number;
}

/**
 * A moulded body round a tab that lies under it: the tab is cut out. The lower part reaches round the
 * tab, the upper one stands on both.
 */
export function mouldedOver(
  width: number,
  length: number,
  heights: MouldHeights,
  { from, width: across, top }: MetalUnder,
): { readonly upper: Loft; readonly lower: Loft } {
  const split = Math.min(Math.max(top, heights.bottom + 0.01), heights.parting - 0.01);
  const upper = mouldedBody(width, length, { ...heights, bottom: split });
  const [x, y] = [width / 2 - 0.05, length / 2 - 0.05];
  const inner = Math.max(from, -x + 0.05);
  const h = across / 2;
  const corners: Point[] =
    h >= y - 0.02
      ? [
          { x: -x, y: -y },
          { x: inner, y: -y },
          { x: inner, y },
          { x: -x, y },
        ]
      : [
          { x: -x, y: -y },
          { x, y: -y },
          { x, y: -h },
          { x: inner, y: -h },
          { x: inner, y: h },
          { x, y: h },
          { x, y },
          { x: -x, y },
        ];
  return { upper, lower: { kind: 'loft', sections: [heights.bottom, split].map((z) => ({ z, corners })) } };
}
