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
 * Height of a ball that has melted between two equal lands: a sphere cut at both ends that keeps
 * the volume of the ball, V = π·h·(6·a² + h²)/6 with a the lands' radius.
 * @param ball diameter before soldering, mm
 * @param land diameter of the land, mm
 */
export function meltedHeight(ball: number, land: number): number {
  // h³ + 6·a²·h − ball³ = 0 rises with h: Newton's steps from above close in without overshoot
  const k = 1.5 * land * land;
  let h = ball;
  for (let i = 0; i < 40; i += 1) {
    const step = (h * h * h + k * h - ball ** 3) / (3 * h * h + k);
    h -= step;
    if (Math.abs(step) < 1e-12) break;
  }
  return quantise(h);
}

/**
 * Stacks copper, solder, standoff and body over the laminate.
 * @param solder thickness under the terminals, mm
 * @param land diameter of the lands, where balls melt on them, mm
 */
export function heightsOf(body: BodyExtent, process: Process, solder: number, land = 0): Heights {
  const landTop = process.copperThickness;
  // leads through the board leave the body on the laminate
  // and balls that melt bring the body down by what they lose of their standoff
  const seating =
    body.mount === 'through'
      ? 0
      : body.collapsing !== undefined
        ? quantise(landTop - Math.max(0, body.standoff.nom - meltedHeight(body.collapsing, land)))
        : quantise(landTop + solder);
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
