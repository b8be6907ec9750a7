import { boxOfPoints, centreOf, cornersOf as cornersOfBox, type Box } from '../../geometry/box';
import { flatten, type Contour } from '../../geometry/contour';
import { HOME, putPoint, type Placement } from '../../geometry/placement';
import { distance, type Point } from '../../geometry/point';
import { area, type Polygon, type Polyline } from '../../geometry/polygon';
import type { GivenPattern } from '../../given/pattern';
import { agreed } from '../../words/agreed';
import { all, one, type XmlNode } from '../xml-tree';
import { cornersOf } from './gather';
import { contourOf, placementOf, type ShapeReader } from './read-shapes';

// What a package of an IPC-2581 file draws beside its lands: the body and the legend.

/**
 * Body and legend of a package.
 * @param factor mm of the file's unit
 * @param left takes what is not kept, in words
 */
export function drawnOf(
  node: XmlNode,
  shapes: ShapeReader,
  factor: number,
  left: string[],
): { readonly body: Contour | null; readonly legend: GivenPattern['legend'] | null } {
  const body = bodyOf(node, factor, left);
  const pickup = one(node, 'PickupPoint');
  if (body && pickup) {
    const { x, y } = pickup.attributes;
    tellPickup({ x: shapes.mm(x), y: shapes.mm(y) }, body, left);
  }
  return { body, legend: legendOf(node, shapes, factor, left) };
}

/** As the assembly drawing has it, else the outline of the package. */
function bodyOf(node: XmlNode, factor: number, left: string[]): Contour | null {
  const drawing = one(node, 'AssemblyDrawing');
  const outline = one(drawing, 'Outline') ?? one(node, 'Outline');
  const shape = outline?.children.find(({ name }) => name !== 'LineDesc' && name !== 'LineDescRef');
  const marks = all(drawing, 'Marking').length;
  if (marks > 0)
    left.push(
      agreed(
        marks,
        '# [mark of the assembly drawing is|marks of the assembly drawing are] left out: Tapis draws its own.',
      ),
    );
  const body = shape?.name === 'Polygon' ? contourOf(shape, factor) : null;
  return body && withCorner(body);
}

function tellPickup(at: Point, body: Contour, left: string[]): void {
  const off = distance(at, centreOf(boxOfPoints(flatten(body)) as Box));
  if (off > 1e-3)
    left.push(
      `Its pick-up point lies ${off.toFixed(3)} mm from the middle of the body; Tapis picks it up in the middle.`,
    );
}

function legendOf(
  node: XmlNode,
  shapes: ShapeReader,
  factor: number,
  left: string[],
): GivenPattern['legend'] | null {
  const screen = one(node, 'SilkScreen');
  if (!screen) return null;
  const lines: Polyline[] = [];
  let width = 0;
  let pin1: Polygon | undefined;
  let texts = 0;
  for (const mark of [...all(screen, 'Marking'), ...all(screen, 'Outline')]) {
    const usage = mark.attributes['markingUsage'] ?? 'NONE';
    if (usage === 'REFDES' || usage === 'PARTNAME' || usage === 'TARGET') {
      texts += 1;
      continue;
    }
    const strokes = shapes.lines(mark);
    for (const stroke of strokes) {
      lines.push(moved(stroke.points, mark, factor, HOME));
      width = Math.max(width, stroke.width);
    }
    const filled = shapes.figures(mark);
    if (filled[0] && !pin1 && (usage === 'PIN_ONE' || strokes.length === 0)) pin1 = cornersOf(filled[0]);
    else lines.push(...filled.map((figure) => closed(cornersOf(figure))));
  }
  if (texts > 0)
    left.push(
      agreed(
        texts,
        '# [text of the legend is|texts of the legend are] left out: Tapis writes reference and value its own way.',
      ),
    );
  if (lines.length === 0 && !pin1) return null;
  return { lines, width: width > 0 ? width : 0.12, ...(pin1 ? { pin1 } : {}) };
}

const closed = (polygon: Polygon): Polyline => [...polygon, polygon[0] as Point];

/** A line where its node puts it, and where the component lies. */
export function moved(line: Polyline, node: XmlNode, factor: number, back: Placement): Polyline {
  const at = placementOf(node, factor) ?? HOME;
  return line.map((p) => putPoint(back, putPoint(at, p)));
}

/** A box whose corner is cut, as assembly drawings mark terminal 1, as the box. */
function withCorner(body: Contour): Contour {
  const box = boxOfPoints(body);
  if (!box || body.length !== 5 || body.some(({ bulge }) => bulge)) return body;
  const corners = cornersOfBox(box);
  const there = corners.filter((corner) => body.some((p) => distance(p, corner) < 1e-6));
  return there.length === 3 && Math.abs(area(flatten(body))) > area(corners) * 0.8 ? corners : body;
}
