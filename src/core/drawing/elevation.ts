import { boxOfPoints, boxRound, type Box } from '../geometry/box';
import { facesOf, placeFace, type Face } from '../geometry/faces';
import type { Point, Point3 } from '../geometry/point';
import { area, unite, type Polygon } from '../geometry/polygon';
import type { Part, Shape } from '../geometry/solid';
import type { Footprint } from '../footprint/footprint';
import type { Process } from '../process/process';
import type { Drawing, Layer, Stroke } from './drawing';

/**
 * `front` looks along +Y and shows (x, z); `side` looks along −X from the right and shows
 * (y, z). Both have z as the second axis.
 */
export type ElevationView = 'front' | 'side';

/** Faces closer together than this in depth are painted in the order they come. */
const HAIR = 1e-6;

const LAYER_OF: Readonly<Record<Part['material'], Layer>> = {
  moulding: 'body',
  ceramic: 'ceramic',
  metal: 'metal',
};

/**
 * The footprint seen from one side, to scale: laminate, copper, solder and body.
 * Solids are painted back to front, each as its silhouette with its visible sharp edges.
 */
export function drawElevation(footprint: Footprint, process: Process, view: ElevationView): Drawing {
  const board = boardBox(footprint, view);
  const strokes: Stroke[] = [
    {
      layer: 'laminate',
      rings: [rectangle(board.minX, -process.boardThickness, board.maxX, 0)],
      closed: true,
    },
    ...layerStrokes(footprint, process, view),
    ...solidStrokes(footprint, view),
  ];
  const tops = boxRound(
    strokes.flatMap(({ rings }) => rings.flatMap((ring) => boxOfPoints(ring) ?? [])),
  ) as Box;
  return { strokes, extent: tops };
}

function boardBox({ courtyard }: Footprint, view: ElevationView): { minX: number; maxX: number } {
  const { box } = courtyard;
  return view === 'front' ? { minX: box.minX, maxX: box.maxX } : { minX: box.minY, maxX: box.maxY };
}

/** Copper and solder of every land; lands that hide one another are drawn once. */
function layerStrokes({ lands, body }: Footprint, process: Process, view: ElevationView): Stroke[] {
  const seen = new Set<string>();
  const { landTop, seating } = body.heights;
  return lands.flatMap(({ copper, paste }, land): Stroke[] => {
    const [from, to] = view === 'front' ? [copper.minX, copper.maxX] : [copper.minY, copper.maxY];
    const key = `${from} ${to}`;
    if (seen.has(key)) return [];
    seen.add(key);
    const [a, b] = view === 'front' ? [paste.minX, paste.maxX] : [paste.minY, paste.maxY];
    return [
      { layer: 'copper', rings: [rectangle(from, 0, to, process.copperThickness)], closed: true, land },
      { layer: 'solder', rings: [rectangle(a, landTop, b, seating)], closed: true, land },
    ];
  });
}

function rectangle(x0: number, y0: number, x1: number, y1: number): Point[] {
  return [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
}

interface Projected {
  readonly depth: number;
  readonly strokes: readonly Stroke[];
}

function solidStrokes({ body }: Footprint, view: ElevationView): Stroke[] {
  const { shapes, parts } = body.assembly;
  const cache = new Map<string, Silhouette>();
  const projected = parts.flatMap((part): Projected[] => {
    const key = `${part.shape} ${part.rotation}`;
    const silhouette = cache.get(key) ?? silhouetteOf(shapes[part.shape] as Shape, part.rotation, view);
    cache.set(key, silhouette);
    const { right, depth } = onView(part.at, view);
    const shift = (p: Point): Point => ({ x: p.x + right, y: p.y + part.at.z });
    const layer = LAYER_OF[part.material];
    const strokes: Stroke[] = [
      { layer, rings: silhouette.outline.map((ring) => ring.map(shift)), closed: true },
    ];
    if (silhouette.edges.length > 0) {
      strokes.push({ layer, rings: silhouette.edges.map((edge) => edge.map(shift)), closed: false });
    }
    return [{ depth: depth + silhouette.near, strokes }];
  });
  return nearestOnly(projected).flatMap(({ strokes }) => strokes);
}

/** Back to front; of parts with the same silhouette in the same place only the nearest is kept. */
function nearestOnly(projected: readonly Projected[]): Projected[] {
  const sorted = [...projected].sort((a, b) => b.depth - a.depth);
  const last = new Map<string, Projected>();
  for (const item of sorted) last.set(JSON.stringify(item.strokes[0]?.rings[0]), item);
  return sorted.filter((item) => last.get(JSON.stringify(item.strokes[0]?.rings[0])) === item);
}

interface Silhouette {
  readonly outline: readonly Polygon[];
  /** Visible sharp edges inside the outline. */
  readonly edges: readonly (readonly Point[])[];
  /** Depth of its nearest point. */
  readonly near: number;
}

function silhouetteOf(shape: Shape, rotation: Part['rotation'], view: ElevationView): Silhouette {
  const faces = facesOf(shape).map((face) => placeFace(face, rotation, { x: 0, y: 0, z: 0 }));
  const flat = faces.map((face) => face.corners.map((p) => flatten(p, view)));
  const facing = flat.map((polygon) => area(polygon) > HAIR);
  const outline = unite(flat.filter((_, i) => facing[i]));
  const edges = new Map<string, readonly Point[]>();
  faces.forEach((face, i) => {
    if (facing[i]) for (const edge of sharpEdges(face, flat[i] as Polygon)) edges.set(edgeKey(edge), edge);
  });
  const depths = faces.flatMap(({ corners }) => corners.map((p) => onView(p, view).depth));
  return { outline, edges: [...edges.values()], near: Math.min(...depths) };
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

/** Horizontal place and distance from the viewer. */
function onView(p: Point3, view: ElevationView): { right: number; depth: number } {
  return view === 'front' ? { right: p.x, depth: p.y } : { right: p.y, depth: -p.x };
}

function flatten(p: Point3, view: ElevationView): Point {
  return { x: view === 'front' ? p.x : p.y, y: p.z };
}
