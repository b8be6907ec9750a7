import type { BodyExtent } from '../package/drawn';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { Toleranced } from '../units/toleranced';

/** Heights above the laminate on the component side, mm. */
export interface Heights {
  /** Underside of the board. */
  readonly boardBottom: number;
  readonly landTop: number;
  /** Top of the legend, which is printed on the mask. */
  readonly legendTop: number;
  /** How much the part is held over what it would rest on. */
  readonly lift: number;
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

/** What a part stands on; mm. */
export interface Seating {
  /** Solder under the terminals. */
  readonly solder: number;
  /** Diameter of the lands, where balls melt on them. */
  readonly land?: number;
  /** How much it is held over what it would rest on. */
  readonly lift?: number;
  /** Its body or its feet rest on the mask, unless its leads meet the lands before. */
  readonly onStandoff?: boolean;
}

/**
 * Solder under terminals from the paste that is printed: the metal of what is transferred, spread over
 * the lands (IPC-7525).
 * @param paste area of all apertures, mm²
 * @param copper area of the lands they are printed on, mm²
 */
export function solderFromPaste(
  paste: number,
  copper: number,
  { stencilThickness, pasteTransfer, pasteMetal }: Process,
): number {
  return copper > 0 ? quantise((pasteMetal * pasteTransfer * stencilThickness * paste) / copper) : 0;
}

/** A height of which only the most is known lies between that and what is below it. */
function downTo(height: Toleranced, least: number): Toleranced {
  return height.given === 'max' && height.min === height.max
    ? { ...height, min: Math.min(least, height.max) }
    : height;
}

/** A standoff of which only the least is known may be all of the height. */
function upTo(standoff: Toleranced, most: number): Toleranced {
  return standoff.given === 'min' && standoff.min === standoff.max
    ? { ...standoff, max: Math.max(most, standoff.min) }
    : standoff;
}

/**
 * Stacks copper, solder, standoff and body over the laminate.
 */
export function heightsOf(
  body: BodyExtent,
  process: Process,
  { solder, land = 0, lift = 0, onStandoff = false }: Seating,
): Heights {
  const landTop = process.copperThickness;
  // leads through the board leave the body on the laminate
  // and balls that melt bring the body down by what they lose of their standoff
  const resting =
    body.mount === 'through'
      ? 0
      : body.collapsing !== undefined
        ? quantise(landTop - Math.max(0, body.standoff.nom - meltedHeight(body.collapsing, land)))
        : onStandoff
          ? quantise(Math.max(landTop, process.maskThickness - body.standoff.nom))
          : quantise(landTop + solder);
  const seating = quantise(resting + lift);
  const above = ({ min, nom, max }: { min: number; nom: number; max: number }) => ({
    min: quantise(seating + min),
    nom: quantise(seating + nom),
    max: quantise(seating + max),
  });
  return {
    boardBottom: -process.boardThickness,
    landTop,
    legendTop: quantise(process.maskThickness + process.legendThickness),
    lift,
    seating,
    underside: above(upTo(body.standoff, body.height.nom)),
    top: above(downTo(body.height, body.standoff.max)),
  };
}
