import { boxOfPoints, boxRound, centreOf, cornersOf, grow, overhang, type Box } from '../geometry/box';
import { flatten, type Contour } from '../geometry/contour';
import { contourOf } from '../geometry/figure';
import { area, inflate, unite, type Polygon } from '../geometry/polygon';
import { roundDown, roundUp } from '../land/rounding';
import type { Process } from '../process/process';
import type { AssemblyDrawing, BoredHole, Courtyard, Land, Legend, PlacedKeepOut } from './footprint';

/** Widths of the lines of courtyard and assembly drawing, where the house wants no other. mm */
export const LINE_WIDTHS = { courtyard: 0.05, assembly: 0.1 };

/** What the courtyard is drawn from; lengths in mm. */
export interface CourtyardInput {
  /** Lands, contacts, body, holes and keep-outs; at least one. */
  readonly occupied: readonly Box[];
  /** Outline of a body that is not a rectangle, at nominal size. */
  readonly bodyShape: Contour | null;
  readonly excess: number;
  readonly shape: 'box' | 'contour';
  /** Of its line. */
  readonly width: number;
}

/**
 * Courtyard: everything the part occupies at most material, grown by the excess and rounded
 * outward to the process's step, as one box or as the contour of the parts.
 */
export function drawCourtyard(
  { occupied, bodyShape, excess, shape, width }: CourtyardInput,
  { courtyardRounding: step }: Process,
): Courtyard {
  const out = (item: Box): Box => {
    const { minX, minY, maxX, maxY } = grow(item, excess);
    return {
      minX: roundDown(minX, step),
      minY: roundDown(minY, step),
      maxX: roundUp(maxX, step),
      maxY: roundUp(maxY, step),
    };
  };
  const box = out(boxRound(occupied) as Box);
  if (shape === 'box') return { excess, box, contour: null, grownFor: null, width };
  const pieces = occupied.map((item) => cornersOf(out(item)));
  if (bodyShape) pieces.push(...inflate([flatten(bodyShape, 0.01)], excess, 'round').map((p) => [...p]));
  // holes between rows belong to the courtyard
  const outer = unite(pieces).filter((polygon) => area(polygon) > 0);
  const [contour] = outer.sort((a, b) => area(b) - area(a));
  // parts that lie apart have one courtyard all the same
  return { excess, box, contour: outer.length === 1 && contour ? contour : null, grownFor: null, width };
}

/** The courtyard grown, outward to the process's step, until the legend's ink lies inside of it. */
export function encloseLegend(
  courtyard: Courtyard,
  { lines, width, pin1 }: Legend,
  { courtyardRounding: step }: Process,
): Courtyard {
  const ink = boxRound([
    ...lines.flatMap((line) => boxOfPoints(line) ?? []).map((box) => grow(box, width / 2)),
    courtyard.box,
  ]) as Box;
  const mark = (pin1 && boxOfPoints(pin1)) ?? courtyard.box;
  // a line whose middle lies on the body's edge may reach out by its half
  const byLines = overhang(ink, courtyard.box) > width / 2 + 1e-6;
  const byMark = overhang(mark, courtyard.box) > 1e-6;
  if (!byLines && !byMark) return courtyard;
  const round = boxRound([courtyard.box, ...(byLines ? [ink] : []), ...(byMark ? [mark] : [])]) as Box;
  const out = (side: 'minX' | 'minY' | 'maxX' | 'maxY') => {
    if (Math.abs(round[side] - courtyard.box[side]) < 1e-6) return courtyard.box[side];
    return side.startsWith('min') ? roundDown(round[side], step) : roundUp(round[side], step);
  };
  const box = { minX: out('minX'), minY: out('minY'), maxX: out('maxX'), maxY: out('maxY') };
  const pieces =
    courtyard.contour && unite([[...courtyard.contour], cornersOf(grow(byLines ? ink : mark, 0))]);
  const contour = pieces?.length === 1 ? (pieces[0] ?? null) : null;
  return { ...courtyard, box, contour, grownFor: byMark ? 'pin-1 mark' : 'legend' };
}

/** What a footprint occupies at most material: lands, contacts, body, holes and keep-outs. */
export function occupiedBy(
  lands: readonly Land[],
  bodyMax: Box,
  bores: readonly BoredHole[],
  keepOuts: readonly PlacedKeepOut[],
): Box[] {
  const occupied = [bodyMax];
  for (const { copper, contact } of lands) occupied.push(copper, contact.max);
  return [
    ...occupied,
    ...bores.map(({ opening }) => opening),
    // what other parts stay out of belongs to this one
    ...keepOuts.flatMap(({ area, what, side }) =>
      (what === 'components' || what === 'everything') && side !== 'far' ? [area] : [],
    ),
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
  lineWidth: number = LINE_WIDTHS.assembly,
): AssemblyDrawing {
  const [width, height] = [body.maxX - body.minX, body.maxY - body.minY];
  const cut = cornerCut ? Math.min(1, width / 4, height / 4) : 0;
  const fit = Math.min(height * 0.5, (width * 0.9) / Math.max(1, reference.length * 0.6));
  return {
    width: lineWidth,
    outline: shape
      ? flatten(shape, 0.01)
      : cornerCut === 'B'
        ? cutLowerLeft(body, cut)
        : cutUpperLeft(body, cut),
    terminals: lands.map(({ contact }) => contourOf(contact.nom)),
    text: { text: reference, at: centreOf(body), height: Math.min(1, fit) },
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
