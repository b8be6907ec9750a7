import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import { arcCentre, type Contour, type Vertex } from '../../geometry/contour';
import { contourOf, outlineOf, sizeOf, type Figure, type Placed } from '../../geometry/figure';
import type { Point } from '../../geometry/point';
import { area, encloses, type Polygon, type Polyline } from '../../geometry/polygon';
import { formatNumber } from '../../units/length';

/** Writes shapes into the file's dictionaries, each once, and references to them. */
export interface ShapeBook {
  /** A reference to one of the standard's primitives. */
  readonly standard: (node: XMLBuilder, figure: Figure) => void;
  /** A reference to a set of contours, for what is no single primitive. */
  readonly contours: (node: XMLBuilder, figures: readonly Placed[], islands?: readonly Placed[]) => void;
  /** A reference to filled polygons; holes run clockwise. */
  readonly polygons: (node: XMLBuilder, polygons: readonly Polygon[]) => void;
  /** Writes the dictionaries behind everything that was referred to. */
  readonly write: (content: XMLBuilder) => void;
}

export function shapeBook(): ShapeBook {
  const standard = new Map<string, { readonly id: string; readonly figure: Figure }>();
  const user = new Map<string, { readonly id: string; readonly write: (node: XMLBuilder) => void }>();
  const special = (node: XMLBuilder, key: string, write: (node: XMLBuilder) => void) => {
    const known = user.get(key) ?? { id: `U${user.size + 1}`, write };
    user.set(key, known);
    node.ele('UserPrimitiveRef', { id: known.id });
  };
  return {
    standard(node, figure) {
      const key = JSON.stringify(figure);
      const known = standard.get(key) ?? { id: `S${standard.size + 1}`, figure };
      standard.set(key, known);
      node.ele('StandardPrimitiveRef', { id: known.id });
    },
    contours(node, figures, islands = []) {
      special(node, JSON.stringify([figures, islands]), (set) => {
        for (const figure of figures) {
          const item = set.ele('Contour');
          contourSteps(item.ele('Polygon'), contourOf(figure));
          for (const island of islands)
            if (liesIn(island, figure)) contourSteps(item.ele('Cutout'), contourOf(island));
        }
      });
    },
    polygons(node, polygons) {
      special(node, JSON.stringify(polygons), (set) => {
        for (const solid of polygons.filter((polygon) => area(polygon) > 0)) {
          const item = set.ele('Contour');
          polygonSteps(item.ele('Polygon'), solid);
          const holes = polygons.filter((hole) => area(hole) < 0 && hole[0] && encloses(solid, hole[0]));
          for (const hole of holes) polygonSteps(item.ele('Cutout'), hole);
        }
      });
    },
    write(content) {
      const primitives = content.ele('DictionaryStandard', { units: 'MILLIMETER' });
      for (const { id, figure } of standard.values())
        primitive(primitives.ele('EntryStandard', { id }), figure);
      if (user.size === 0) return;
      const sets = content.ele('DictionaryUser', { units: 'MILLIMETER' });
      for (const { id, write } of user.values()) write(sets.ele('EntryUser', { id }).ele('UserSpecial'));
    },
  };
}

function liesIn(inner: Placed, outer: Placed): boolean {
  return encloses(
    contourOf(outer).map(({ x, y }) => ({ x, y })),
    inner.at,
  );
}

/** Whether there is nothing left of a figure. */
export function isEmpty(figure: Figure): boolean {
  const { width, height } = sizeOf(figure);
  return width <= 0 || height <= 0;
}

/** A figure as one of the standard's primitives; a D-shape as a contour. */
export function primitive(node: XMLBuilder, figure: Figure): void {
  const { width, height } = sizeOf(figure);
  const size = { width: mm(width), height: mm(height) };
  if (figure.kind === 'round') node.ele('Circle', { diameter: size.width });
  else if (figure.kind === 'oblong') node.ele('Oval', size);
  else if (figure.kind === 'd-shape' || figure.kind === 'contour')
    contourSteps(node.ele('Contour').ele('Polygon'), outlineOf(figure));
  else if (figure.chamfer) {
    const { size: chamfer, corners } = figure.chamfer;
    const cut = (corner: (typeof corners)[number]) => String(corners.includes(corner));
    node.ele('RectCham', {
      ...size,
      chamfer: mm(chamfer),
      upperRight: cut('upper-right'),
      upperLeft: cut('upper-left'),
      lowerRight: cut('lower-right'),
      lowerLeft: cut('lower-left'),
    });
  } else if (figure.radius) {
    const all = { upperRight: 'true', upperLeft: 'true', lowerRight: 'true', lowerLeft: 'true' };
    node.ele('RectRound', { ...size, radius: mm(figure.radius), ...all });
  } else node.ele('RectCenter', size);
}

/** A closed outline with its line. */
export function outline(node: XMLBuilder, corners: readonly Point[], width: number): void {
  const item = node.ele('Outline');
  polygonSteps(item.ele('Polygon'), corners);
  item.ele('LineDesc', { lineEnd: 'ROUND', lineWidth: mm(width) });
}

/** The corners of a polygon, closed. */
export function polygonSteps(node: XMLBuilder, corners: readonly Point[]): void {
  steps(node, [...corners, corners[0] as Point]);
}

/** A stroked line; closed where it ends where it starts. */
export function polyline(node: XMLBuilder, line: Polyline, width: number): void {
  const item = node.ele('Polyline');
  steps(item, line);
  item.ele('LineDesc', { lineEnd: 'ROUND', lineWidth: mm(width) });
}

/** A closed outline of straight and circular edges. */
export function contourSteps(node: XMLBuilder, edge: Contour): void {
  const [first] = edge as readonly [Vertex];
  node.ele('PolyBegin', point(first));
  edge.forEach((from, i) => {
    const to = edge[(i + 1) % edge.length] as Vertex;
    if (!from.bulge) node.ele('PolyStepSegment', point(to));
    else {
      const { x, y } = arcCentre(from, to);
      const clockwise = String(from.bulge < 0);
      node.ele('PolyStepCurve', { ...point(to), centerX: mm(x), centerY: mm(y), clockwise });
    }
  });
}

function steps(node: XMLBuilder, [first, ...rest]: readonly Point[]): void {
  node.ele('PolyBegin', point(first as Point));
  for (const next of rest) node.ele('PolyStepSegment', point(next));
}

/** Where something lies, turned first where it is. */
export function located(node: XMLBuilder, at: Point, rotation = 0): void {
  if (rotation !== 0) node.ele('Xform', { rotation: formatNumber(rotation, 0, 6) });
  node.ele('Location', point(at));
}

export function point({ x, y }: Point): { x: string; y: string } {
  return { x: mm(x), y: mm(y) };
}

export function mm(value: number): string {
  return formatNumber(value, 0, 6);
}
