import { gapBetween } from './box';
import { pointToSegment, segmentsCross } from './distance';
import { coreOf, type Placed, type Rounded } from './figure';
import { isQuarter, type Point } from './point';
import { encloses, type Polygon, type Polyline } from './polygon';

const cores = new WeakMap<Placed, Rounded>();

/** The core of a figure, which is asked for with every neighbour that it has. */
function knownCore(placed: Placed): Rounded {
  const known = cores.get(placed);
  if (known) return known;
  const core = coreOf(placed);
  cores.set(placed, core);
  return core;
}

/**
 * Clear distance between two placed figures, mm; negative by how far their boxes overlap
 * where they overlap.
 */
export function gapBetweenFigures(a: Placed, b: Placed): number {
  const boxes = gapBetween(a, b);
  if (isPlain(a) && isPlain(b)) return boxes;
  if (a.figure.kind === 'round' && b.figure.kind === 'round') {
    const apart = Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y);
    return clear(apart, (a.figure.diameter + b.figure.diameter) / 2, boxes);
  }
  const [p, q] = [knownCore(a), knownCore(b)];
  return clear(polygonGap(p.core, q.core), p.radius + q.radius, boxes);
}

/** What radii leave of the distance of two cores; where those meet, by how far the boxes overlap. */
function clear(apart: number, radii: number, boxes: number): number {
  return apart > 0 ? apart - radii : Math.min(boxes, -radii, 0);
}

/** Distance of an open line from a placed figure, mm; 0 or less where the line enters it. */
export function gapToLine(figure: Placed, line: Polyline): number {
  const { core, radius } = knownCore(figure);
  let least = Infinity;
  for (let i = 1; i < line.length; i += 1) {
    least = Math.min(least, polygonGap(core, [line[i - 1] as Point, line[i] as Point]));
  }
  return least - radius;
}

/** Distance of a polygon from a placed figure, mm; 0 or less where they meet. */
export function gapToPolygon(figure: Placed, polygon: Polygon): number {
  const { core, radius } = knownCore(figure);
  return polygonGap(core, polygon) - radius;
}

/** Whether a figure is its own box. */
function isPlain({ figure, rotation }: Placed): boolean {
  return figure.kind === 'rectangle' && !figure.radius && !figure.chamfer && isQuarter(rotation);
}

/** Distance of two polygons, mm; 0 where they meet. */
function polygonGap(a: Polygon, b: Polygon): number {
  return encloses(a, b[0] as Point) || encloses(b, a[0] as Point) ? 0 : edgeGap(a, b);
}

/** Distance of the edges of two polygons, mm; 0 where they cross. */
function edgeGap(a: Polygon, b: Polygon): number {
  for (let i = 0; i < a.length; i += 1)
    for (let j = 0; j < b.length; j += 1)
      if (segmentsCross(corner(a, i), corner(a, i + 1), corner(b, j), corner(b, j + 1))) return 0;
  return Math.min(cornersTo(a, b), cornersTo(b, a));
}

/** Least distance of a polygon's corners from the edges of another, mm. */
function cornersTo(corners: Polygon, edges: Polygon): number {
  let least = Infinity;
  for (let i = 0; i < edges.length; i += 1) {
    const [p, q] = [corner(edges, i), corner(edges, i + 1)];
    for (const r of corners) least = Math.min(least, pointToSegment(r, p, q));
  }
  return least;
}

/**
 * Least distance from the edge of a figure to the edge of another round it, mm; less than nothing
 * by how far the inner one breaks out. True to all sides, so also where the two do not share a middle.
 */
export function roomWithin(outer: Placed, inner: Placed): number {
  const [o, i] = [knownCore(outer), knownCore(inner)];
  const depths = i.core.map((p) => depthIn(o.core, p));
  const depth = Math.min(...depths);
  // between corners that lie inside, an edge of the outer figure may still reach in
  const inside = depth > 0 ? Math.min(depth, edgeGap(o.core, i.core)) : depth;
  return inside + o.radius - i.radius;
}

/** How deep a point lies in a polygon, mm; nothing outside of it. */
export function depthUnder(polygon: Polygon, p: Point): number {
  return encloses(polygon, p) ? depthIn(polygon, p) : 0;
}

/** How deep a point lies in a polygon, mm; less than nothing outside. */
function depthIn(polygon: Polygon, p: Point): number {
  let least = Infinity;
  for (let i = 0; i < polygon.length; i += 1)
    least = Math.min(least, pointToSegment(p, corner(polygon, i), corner(polygon, i + 1)));
  return polygon.length > 2 && encloses(polygon, p) ? least : -least;
}

/** A polygon's corner; after the last comes the first again. */
function corner(polygon: Polygon, i: number): Point {
  return polygon[i % polygon.length] as Point;
}
