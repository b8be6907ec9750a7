import { boxRound, centreOf, cornersOf, grow, type Box } from '../geometry/box';
import { flatten, type Contour } from '../geometry/contour';
import { contourOf } from '../geometry/figure';
import type { Polygon } from '../geometry/polygon';
import { roundDown, roundUp } from '../land/rounding';
import type { Process } from '../process/process';
import type { AssemblyDrawing, BoredHole, Courtyard, Land, PlacedKeepOut, TextMark } from './footprint';

/**
 * Courtyard: the box round everything the part occupies at most material, grown by the excess,
 * each side rounded outward to the process's step.
 * @param occupied lands, contacts, body, holes and keep-outs; at least one
 */
export function drawCourtyard(occupied: readonly Box[], excess: number, process: Process): Courtyard {
  const round = boxRound(occupied) as Box;
  const { minX, minY, maxX, maxY } = grow(round, excess);
  const step = process.courtyardRounding;
  return {
    excess,
    box: {
      minX: roundDown(minX, step),
      minY: roundDown(minY, step),
      maxX: roundUp(maxX, step),
      maxY: roundUp(maxY, step),
    },
  };
}

/** Line width of the assembly drawing, mm. */
const ASSEMBLY_WIDTH = 0.1;

/** What a footprint occupies at most material: lands, contacts, body, holes and keep-outs. */
export function occupiedBy(
  lands: readonly Land[],
  bodyMax: Box,
  bores: readonly BoredHole[],
  keepOuts: readonly PlacedKeepOut[],
): Box[] {
  return [
    bodyMax,
    ...lands.flatMap(({ copper, contact }) => [copper, contact.max]),
    ...bores.map(({ opening }) => opening),
    ...keepOuts.map(({ area }) => area),
  ];
}

/**
 * Assembly drawing at nominal size; the pin-1 corner is cut where the part has a direction.
 * @param shape outline of a body that is not a rectangle
 * @param cornerCut orientation of a part with a direction: upper left (A) or lower left (B)
 */
export function drawAssembly(
  body: Box,
  shape: Contour | null,
  lands: readonly Land[],
  cornerCut: 'A' | 'B' | null,
  reference: string,
): AssemblyDrawing {
  const [width, height] = [body.maxX - body.minX, body.maxY - body.minY];
  const cut = cornerCut ? Math.min(1, width / 4, height / 4) : 0;
  const fit = Math.min(height * 0.5, (width * 0.9) / Math.max(1, reference.length * 0.6));
  return {
    width: ASSEMBLY_WIDTH,
    outline: shape
      ? flatten(shape, 0.01)
      : cornerCut === 'B'
        ? cutLowerLeft(body, cut)
        : cutUpperLeft(body, cut),
    terminals: lands.map(({ contact }) => contourOf(contact.nom)),
    text: { role: 'reference', text: reference, at: centreOf(body), height: Math.min(1, fit) },
  };
}

function cutUpperLeft(box: Box, cut: number): Polygon {
  const corners = cornersOf(box);
  if (cut <= 0) return corners;
  return [...corners.slice(0, 3), { x: box.minX + cut, y: box.maxY }, { x: box.minX, y: box.maxY - cut }];
}

function cutLowerLeft(box: Box, cut: number): Polygon {
  const corners = cornersOf(box);
  if (cut <= 0) return corners;
  return [{ x: box.minX, y: box.minY + cut }, { x: box.minX + cut, y: box.minY }, ...corners.slice(1)];
}

/** Reference above and value below the courtyard, centred. */
export function placeTexts(courtyard: Box, process: Process, reference: string, value: string): TextMark[] {
  const height = process.textHeight;
  const x = (courtyard.minX + courtyard.maxX) / 2;
  return [
    { role: 'reference', text: reference, at: { x, y: courtyard.maxY + height }, height },
    { role: 'value', text: value, at: { x, y: courtyard.minY - height }, height },
  ];
}
