import { boxRound, cornersOf, grow, type Box } from '../geometry/box';
import type { Polygon } from '../geometry/polygon';
import { roundDown, roundUp } from '../land/rounding';
import type { Process } from '../process/process';
import type { AssemblyDrawing, Courtyard, Land, TextMark } from './footprint';

/**
 * Courtyard: the box round lands and body at most material, grown by the excess,
 * each side rounded outward to the process's step.
 */
export function drawCourtyard(
  lands: readonly Land[],
  body: Box,
  excess: number,
  process: Process,
): Courtyard {
  const round = boxRound([body, ...lands.flatMap(({ copper, contact }) => [copper, contact.max])]) as Box;
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

/** Assembly drawing at nominal size; the pin-1 corner is cut where the part has a direction. */
export function drawAssembly(
  body: Box,
  lands: readonly Land[],
  polarised: boolean,
  reference: string,
): AssemblyDrawing {
  const [width, height] = [body.maxX - body.minX, body.maxY - body.minY];
  const cut = polarised ? Math.min(1, width / 4, height / 4) : 0;
  const fit = Math.min(height * 0.5, (width * 0.9) / Math.max(1, reference.length * 0.6));
  return {
    width: ASSEMBLY_WIDTH,
    outline: cutUpperLeft(body, cut),
    terminals: lands.map(({ contact }) => cornersOf(contact.nom)),
    text: { role: 'reference', text: reference, at: { x: 0, y: 0 }, height: Math.min(1, fit) },
  };
}

function cutUpperLeft(box: Box, cut: number): Polygon {
  const corners = cornersOf(box);
  if (cut <= 0) return corners;
  return [...corners.slice(0, 3), { x: box.minX + cut, y: box.maxY }, { x: box.minX, y: box.maxY - cut }];
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
