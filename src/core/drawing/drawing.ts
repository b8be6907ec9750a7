import { boxOfPoints, gapBetween, type Box } from '../geometry/box';
import type { Vertex } from '../geometry/contour';
import { turnedOutlines, type Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';

/** What a drawn thing is made of or stands for; the palette gives each its look. */
export type Layer =
  | 'laminate'
  | 'body'
  | 'courtyard'
  | 'mask'
  | 'mask-edge'
  | 'copper'
  | 'paste'
  | 'paste-cut'
  | 'solder'
  | 'beyond'
  | 'fillet'
  | 'fillet-limit'
  | 'mask-cut'
  | 'metal'
  | 'ceramic'
  | 'contact'
  | 'contact-limit'
  | 'legend'
  | 'legend-fill'
  | 'assembly'
  | 'hole'
  | 'plated-hole'
  | 'hole-cut'
  | 'keep-out'
  | 'model'
  | 'model-dark'
  | 'model-light'
  | 'model-beyond'
  | 'model-behind'
  | 'model-cut'
  | 'model-hollow'
  | 'model-contact'
  | 'model-miss'
  | 'board-edge'
  | 'board'
  | 'other-side'
  | 'cover'
  | 'centre-line';

/** A shape where it is drawn: equal ones share their vertices, so that thousands are light. */
export interface Copy {
  /** About the shape's own origin; the same array for equal shapes. */
  readonly of: readonly Vertex[];
  readonly at: Point;
}

/** Vertices where they are drawn, or a shape and its place. */
export type Ring = readonly Vertex[] | Copy;

/** One drawn outline in a view's coordinates, mm, second axis up. */
export interface Stroke {
  readonly layer: Layer;
  /** Closed rings (filled even-odd) or open lines. */
  readonly rings: readonly Ring[];
  readonly closed: boolean;
  /** Line width in mm where it is part of the artwork; hairline otherwise. */
  readonly width?: number;
  /** Index of the land it belongs to. */
  readonly land?: number;
  /** How wide the finest thing is that it shows, mm: where that is less than a pixel there is nothing to see. */
  readonly detail?: number;
}

/** A view as strokes in painting order. */
export interface Drawing {
  readonly strokes: readonly Stroke[];
  /** What the drawing covers without its dimension lines. */
  readonly extent: Box;
}

/** A placed figure's outline, and those of the openings in it. */
export function copiesOf({ figure, at, rotation }: Placed): Copy[] {
  return turnedOutlines(figure, rotation).map((of) => ({ of, at }));
}

/** The vertices of a ring where it is drawn. */
export function verticesOf(ring: Ring): readonly Vertex[] {
  if (!('of' in ring)) return ring;
  const { of, at } = ring;
  return of.map((vertex): Vertex => ({ ...vertex, x: at.x + vertex.x, y: at.y + vertex.y }));
}

const boxes = new WeakMap<readonly Vertex[], Box>();

/** The box round a ring's vertices; arcs may reach beyond. `null` where it has none. */
export function boxOfRing(ring: Ring): Box | null {
  if (!('of' in ring)) return boxOfPoints(ring) ?? null;
  const { of, at } = ring;
  const box = boxes.get(of) ?? boxOfPoints(of);
  if (!box) return null;
  boxes.set(of, box);
  const { minX, minY, maxX, maxY } = box;
  return { minX: at.x + minX, minY: at.y + minY, maxX: at.x + maxX, maxY: at.y + maxY };
}

/** The box round all vertices of strokes; `undefined` where they have none. */
export function extentOf(strokes: readonly Stroke[]): Box | undefined {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { rings } of strokes)
    for (const ring of rings) {
      const box = boxOfRing(ring);
      if (!box) continue;
      minX = Math.min(minX, box.minX);
      minY = Math.min(minY, box.minY);
      maxX = Math.max(maxX, box.maxX);
      maxY = Math.max(maxY, box.maxY);
    }
  return minX > maxX ? undefined : { minX, minY, maxX, maxY };
}

/** A number as it is written in path data: mm with at most 4 decimals. */
const written = (v: number): string => String(Math.round(v * 1e4) / 1e4 + 0);

/** SVG path data of rings, y turned downwards; shapes that are drawn again and again are relative to their place. */
export function pathData({ rings, closed }: Pick<Stroke, 'rings' | 'closed'>): string {
  // lands in rows and columns share their coordinates
  const known = new Map<number, string>();
  const number = (v: number): string => {
    const before = known.get(v);
    if (before !== undefined) return before;
    const text = written(v);
    known.set(v, text);
    return text;
  };
  let path = '';
  for (const ring of rings) {
    if ('of' in ring) {
      const [first] = ring.of;
      if (first)
        path += `M${number(ring.at.x + first.x)} ${number(-ring.at.y - first.y)}${relativePath(ring.of, closed)}`;
      continue;
    }
    let from: Vertex | null = null;
    for (const to of ring) {
      path += `${from ? edgeTo(from, to, number) : 'M'}${number(to.x)} ${number(-to.y)}`;
      from = to;
    }
    const [first] = ring;
    if (closed && from?.bulge && first)
      path += `${edgeTo(from, first, number)}${number(first.x)} ${number(-first.y)}`;
    if (closed) path += 'Z';
  }
  return path;
}

const relatives = {
  closed: new WeakMap<readonly Vertex[], string>(),
  open: new WeakMap<readonly Vertex[], string>(),
};

/** Path data of a shape after its first vertex, relative to that: rounded from there on, so that nothing adds up. */
function relativePath(shape: readonly Vertex[], closed: boolean): string {
  const made = relatives[closed ? 'closed' : 'open'];
  const known = made.get(shape);
  if (known !== undefined) return known;
  const [first = { x: 0, y: 0 }] = shape;
  let path = '';
  let [x, y] = [0, 0];
  const step = (from: Vertex, to: Vertex) => {
    const next = { x: tenths(to.x - first.x), y: tenths(first.y - to.y) };
    path += `${edgeTo(from, to, written).toLowerCase()}${written((next.x - x) / 1e4)} ${written((next.y - y) / 1e4)}`;
    [x, y] = [next.x, next.y];
  };
  shape.forEach((to, i) => {
    if (i > 0) step(shape[i - 1] as Vertex, to);
  });
  const last = shape.at(-1);
  if (closed && last?.bulge) step(last, first);
  if (closed) path += 'Z';
  made.set(shape, path);
  return path;
}

/** Tenths of a micrometre in a length of mm. */
const tenths = (v: number): number => Math.round(v * 1e4);

/** The command that draws an edge, up to its end point: a line or an arc. */
function edgeTo(from: Vertex, to: Vertex, number: (v: number) => string): string {
  if (!from.bulge) return 'L';
  const angle = 4 * Math.atan(Math.abs(from.bulge));
  const radius = number(Math.hypot(to.x - from.x, to.y - from.y) / (2 * Math.sin(angle / 2)));
  // y runs downwards in SVG: a counter-clockwise arc there has the sweep flag 0
  return `A${radius} ${radius} 0 ${angle > Math.PI + 1e-9 ? 1 : 0} ${from.bulge > 0 ? 0 : 1} `;
}

/**
 * Paths that look alike become one where that shows the same: thousands of lands stay light. A solid's
 * silhouette hides what is painted before it, so solids become one only side by side: first their
 * silhouettes, then the edges on them.
 */
export function merged(strokes: readonly Stroke[]): Stroke[] {
  const result: Stroke[] = [];
  const like = new Map<string, { readonly stroke: Stroke; readonly rings: Stroke['rings'][number][] }>();
  let silhouettes: Box[] = [];
  const end = () => {
    for (const { stroke, rings } of like.values())
      result.push(rings.length === stroke.rings.length ? stroke : { ...stroke, rings });
    like.clear();
    silhouettes = [];
  };
  let solid = false;
  for (const stroke of strokes) {
    const key = `${stroke.layer} ${stroke.closed} ${stroke.width ?? ''}`;
    const isSolid = SOLIDS.has(stroke.layer);
    const boxes = isSolid && stroke.closed ? stroke.rings.flatMap((ring) => boxOfRing(ring) ?? []) : [];
    const sideBySide =
      isSolid && solid && !boxes.some((box) => silhouettes.some((s) => gapBetween(box, s) <= 0));
    if (!sideBySide && (isSolid || !like.has(key))) end();
    solid = isSolid;
    silhouettes.push(...boxes);
    const known = like.get(key);
    if (known) known.rings.push(...stroke.rings);
    else like.set(key, { stroke, rings: [...stroke.rings] });
  }
  end();
  return result;
}

const SOLIDS: ReadonlySet<Stroke['layer']> = new Set([
  'metal',
  'ceramic',
  'beyond',
  'model-dark',
  'model-light',
  'model-beyond',
  'model-cut',
  'model-hollow',
]);

/** Width of what a drawing shows, mm. */
export const widthOf = ({ extent }: Drawing): number => extent.maxX - extent.minX;
/** Height of what a drawing shows, mm. */
export const heightOf = ({ extent }: Drawing): number => extent.maxY - extent.minY;
