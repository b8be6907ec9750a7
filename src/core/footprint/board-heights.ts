import { solderFromPaste } from '../body/heights';
import type { ChoicesRead } from '../document/intent';
import { facesOf } from '../geometry/faces';
import { areaOf } from '../geometry/figure';
import { neighboursOf } from '../geometry/neighbours';
import type { Point3 } from '../geometry/point';
import { standing, type Assembly, type Shape } from '../geometry/solid';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { HeightLimits, Land } from './footprint';

/** Solder under the terminals as the printed paste makes it, over all lands that paste is printed on. mm */
export function printedSolder(lands: readonly Land[], process: Process): number {
  let [paste, copper] = [0, 0];
  for (const land of lands) {
    if (land.hole || land.paste.length === 0) continue;
    paste += land.paste.reduce((sum, { figure }) => sum + areaOf(figure), 0);
    copper += areaOf(land.copper.figure);
  }
  return solderFromPaste(paste, copper, process);
}

/**
 * How far leads come out below the board's far copper, mm; `null` where none goes through a plated hole.
 * Pegs, screws and bodies that reach lower are no leads.
 */
export function protrusionOf(
  { shapes, parts }: Assembly,
  lands: readonly Land[],
  { boardThickness, copperThickness }: Process,
): number | null {
  const holes = lands.flatMap(({ hole, plated }) => (hole && plated ? [hole] : []));
  if (holes.length === 0) return null;
  const index = neighboursOf(holes);
  const tips = new Map(Object.entries(shapes).map(([name, shape]) => [name, tipOf(shape)]));
  let lowest = Infinity;
  for (const part of parts) {
    const tip = tips.get(part.shape);
    if (!tip) continue;
    const { x, y, z } = standing(part, tip);
    // what stands on the board goes through nothing
    if (z >= 0) continue;
    if (index.near({ minX: x, minY: y, maxX: x, maxY: y }).length > 0) lowest = Math.min(lowest, z);
  }
  return lowest === Infinity ? null : quantise(-lowest - boardThickness - copperThickness);
}

/** The middle of a shape's lowest points. */
function tipOf(shape: Shape): Point3 {
  const corners = facesOf(shape).flatMap((face) => face.corners);
  const z = Math.min(...corners.map((corner) => corner.z));
  const low = corners.filter((corner) => corner.z < z + 1e-6);
  const middle = (axis: 'x' | 'y') => low.reduce((sum, corner) => sum + corner[axis], 0) / low.length;
  return { x: middle('x'), y: middle('y'), z };
}

/** The document's limits of heights; the process's where it has none. mm */
export function heightLimits(body: ChoicesRead['body'], process: Process): HeightLimits {
  return {
    maxHeight: body.maxHeight,
    minClearance: body.minClearance ?? process.minClearance,
    minProtrusion: body.minProtrusion ?? process.minProtrusion,
    maxProtrusion: body.maxProtrusion ?? process.maxProtrusion,
  };
}
