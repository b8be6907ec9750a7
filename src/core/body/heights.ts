import type { BodyExtent } from '../package/family';
import type { Process } from '../process/process';
import { quantise } from '../units/length';

/** Heights above the laminate on the component side, mm. */
export interface Heights {
  /** Underside of the board. */
  readonly boardBottom: number;
  readonly landTop: number;
  /** Plane on which the terminals stand: land and solder. */
  readonly seating: number;
  /** Underside of the body: lowest, nominal and highest. */
  readonly underside: { readonly min: number; readonly nom: number; readonly max: number };
  /** Top of the body. */
  readonly top: { readonly min: number; readonly nom: number; readonly max: number };
}

/**
 * Stacks copper, solder, standoff and body over the laminate.
 * @param solder thickness under the terminals, mm
 */
export function heightsOf(body: BodyExtent, process: Process, solder: number): Heights {
  const landTop = process.copperThickness;
  const seating = quantise(landTop + solder);
  const above = ({ min, nom, max }: { min: number; nom: number; max: number }) => ({
    min: quantise(seating + min),
    nom: quantise(seating + nom),
    max: quantise(seating + max),
  });
  return {
    boardBottom: -process.boardThickness,
    landTop,
    seating,
    underside: above(body.standoff),
    top: above(body.height),
  };
}
