import { flatten, flattenOpen } from '../geometry/contour';
import { boxOfPoints, type Box } from '../geometry/box';
import { facesOf, isCorner, placeFace, type Face } from '../geometry/faces';
import { isQuarter, type Point, type Point3 } from '../geometry/point';
import { area, unite, type Polygon } from '../geometry/polygon';
import {
  stanceKey,
  standing,
  type Extrusion,
  type Part,
  type Revolution,
  type Shape,
  type Stand,
} from '../geometry/solid';
import type { ElevationView } from './section';

/** Where solids may be looked at from. */
export type SolidView = ElevationView | 'plan' | 'underside';

/** A solid as it is seen from one side, where its own origin is the drawing's. */
export interface Silhouette {
  readonly outline: readonly Polygon[];
  /** Visible sharp edges inside the outline. */
  readonly edges: readonly (readonly Point[])[];
  readonly bounds: Box;
  /** Depth of its nearest point. */
  readonly near: number;
}

/** Areas smaller than this are faces seen edge-on, mm². */
const HAIR = 1e-6;

const HERE = { x: 0, y: 0, z: 0 };

const silhouettes = new WeakMap<Shape, Map<string, Silhouette>>();

/** The silhouette of a shape as a part of it is turned: equal parts, and the same part elsewhere, have it in common. */
export function silhouetteOf(shape: Shape, part: Part, view: SolidView): Silhouette {
  const known = silhouettes.get(shape) ?? new Map<string, Silhouette>();
  silhouettes.set(shape, known);
  const key = `${view} ${stanceKey(part)}`;
  const found = known.get(key) ?? drawnSilhouette(shape, { ...part, at: HERE }, view);
  known.set(key, found);
  return found;
}

function drawnSilhouette(shape: Shape, stand: Stand, view: SolidView): Silhouette {
  if (shape.kind === 'extrusion' && isQuarter(stand.rotation)) return ofExtrusion(shape, stand, view);
  const isFromSide = view === 'front' || view === 'side';
  if (shape.kind === 'revolution' && isFromSide && isQuarter(stand.rotation))
    return ofRevolution(shape, stand, view) ?? ofFaces(shape, stand, view);
  return ofFaces(shape, stand, view);
}

/** What a solid's faces show that are turned to the viewer. */
export function ofFaces(shape: Shape, stand: Stand, view: SolidView): Silhouette {
  const faces = facesOf(shape).map((face) => placeFace(face, stand));
  const flat = faces.map((face) => face.corners.map((p) => flattened(p, view)));
  const facing = flat.map((polygon) => area(polygon) > HAIR);
  const seen = flat.filter((_, i) => facing[i]);
  const outline = seen.length === 1 ? seen : unite(seen);
  const edges = new Map<string, readonly Point[]>();
  faces.forEach((face, i) => {
    if (facing[i]) for (const edge of sharpEdges(face, flat[i] as Polygon)) edges.set(edgeKey(edge), edge);
  });
  const depths = faces.flatMap(({ corners }) => corners.map((p) => onView(p, view).depth));
  return silhouette(outline, [...edges.values()], Math.min(...depths));
}

function silhouette(outline: Silhouette['outline'], edges: Silhouette['edges'], near: number): Silhouette {
  const bounds = boxOfPoints(outline.flat()) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  return { outline, edges, bounds, near };
}

/** An extrusion that stands square: its contour, or a rectangle with a line for each corner that is turned to the viewer. */
function ofExtrusion({ contour, depth }: Extrusion, stand: Stand, view: SolidView): Silhouette {
  const outline = flatten(contour);
  const seenAt = (y: number) => outline.map((p) => onView(standing(stand, { x: p.x, y, z: p.y }), view));
  const [first, second] = [seenAt(-depth / 2), seenAt(depth / 2)];
  const [front, back] = [first.map(asPoint), second.map(asPoint)];
  const near = Math.min(...[...first, ...second].map((p) => p.depth));
  const size = area(front);
  if (Math.abs(size) > HAIR) return silhouette([size > 0 ? front : [...front].reverse()], [], near);
  const { minX, minY, maxX, maxY } = boxOfPoints([...front, ...back]) as Box;
  const edges = new Map<string, readonly Point[]>();
  outline.forEach((_, i) => {
    const j = (i + 1) % outline.length;
    const [a, b, c, d] = [front[i], back[i], back[j], front[j]] as [Point, Point, Point, Point];
    if (area([a, b, c, d]) <= HAIR) return;
    const corners = [
      [i, a, b],
      [j, c, d],
    ] as const;
    for (const [corner, from, to] of corners)
      if (isCorner(outline, corner, outline[corner] as Point)) edges.set(edgeKey([from, to]), [from, to]);
  });
  const box = [
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: maxX, y: maxY },
    { x: minX, y: maxY },
  ];
  return silhouette([box], [...edges.values()], near);
}

/** A turned solid from its side: its profile on both sides of the axis; `null` where the profile is undercut. */
function ofRevolution({ profile }: Revolution, stand: Stand, view: SolidView): Silhouette | null {
  const line = flattenOpen(profile, 0.01);
  if (line.some(({ y }, i) => i > 0 && y < (line[i - 1] as Point).y)) return null;
  const up = ({ y: z }: Point) => onView(standing(stand, { x: 0, y: 0, z }), view).up;
  const right = line.map((p): Point => ({ x: p.x, y: up(p) }));
  const left = right.filter(({ x }) => x > 0).map(({ x, y }): Point => ({ x: -x, y }));
  const round = [...right, ...left.reverse()];
  const outline = stand.flipped ? round.reverse() : round;
  const edges = right.flatMap(({ x, y }, i) =>
    i > 0 && i < line.length - 1 && isCorner(line, i, line[i] as Point)
      ? [
          [
            { x: -x, y },
            { x, y },
          ],
        ]
      : [],
  );
  return silhouette([outline], edges, -Math.max(...line.map(({ x }) => x)));
}

function sharpEdges({ sharp }: Face, polygon: Polygon): (readonly Point[])[] {
  return polygon.flatMap((from, i) => (sharp[i] ? [[from, polygon[(i + 1) % polygon.length] as Point]] : []));
}

function edgeKey(edge: readonly Point[]): string {
  return edge
    .map(({ x, y }) => `${x.toFixed(5)},${y.toFixed(5)}`)
    .sort()
    .join(' ');
}

/** Place on the drawing and distance from the viewer. */
interface Seen {
  readonly right: number;
  readonly up: number;
  readonly depth: number;
}

/** Where a point is seen. */
export function onView(p: Point3, view: SolidView): Seen {
  switch (view) {
    case 'plan':
      return { right: p.x, up: p.y, depth: -p.z };
    case 'underside':
      return { right: 0 - p.x, up: p.y, depth: p.z };
    case 'front':
      return { right: p.x, up: p.z, depth: p.y };
    case 'side':
      return { right: p.y, up: p.z, depth: -p.x };
  }
}

const asPoint = ({ right, up }: Seen): Point => ({ x: right, y: up });

const flattened = (p: Point3, view: SolidView): Point => asPoint(onView(p, view));
