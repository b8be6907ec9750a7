import { boxOfPoints, gapBetween, type Box } from '../geometry/box';
import type { Vertex } from '../geometry/contour';

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

/** One drawn outline in a view's coordinates, mm, second axis up. */
export interface Stroke {
  readonly layer: Layer;
  /** Closed rings (filled even-odd) or open lines. */
  readonly rings: readonly (readonly Vertex[])[];
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

/** SVG path data of rings, y turned downwards; numbers in mm with at most 4 decimals. */
export function pathData({ rings, closed }: Pick<Stroke, 'rings' | 'closed'>): string {
  // lands in rows and columns share their coordinates
  const written = new Map<number, string>();
  const number = (v: number): string => {
    const known = written.get(v);
    if (known !== undefined) return known;
    const text = String(Math.round(v * 1e4) / 1e4 + 0);
    written.set(v, text);
    return text;
  };
  let path = '';
  for (const ring of rings) {
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
    const boxes = isSolid && stroke.closed ? stroke.rings.flatMap((ring) => boxOfPoints(ring) ?? []) : [];
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
