import { rectangleCorners, type Loft } from '../../geometry/solid';

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
