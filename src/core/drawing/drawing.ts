import type { Box } from '../geometry/box';
import type { Point } from '../geometry/point';

/** What a drawn thing is made of or stands for; the palette gives each its look. */
export type Layer =
  | 'laminate'
  | 'body'
  | 'courtyard'
  | 'mask'
  | 'copper'
  | 'paste'
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
  | 'centre-line';

/** One drawn outline in a view's coordinates, mm, second axis up. */
export interface Stroke {
  readonly layer: Layer;
  /** Closed rings (filled even-odd) or open lines. */
  readonly rings: readonly (readonly Point[])[];
  readonly closed: boolean;
  /** Line width in mm where it is part of the artwork; hairline otherwise. */
  readonly width?: number;
  /** Index of the land it belongs to. */
  readonly land?: number;
}

/** A view as strokes in painting order. */
export interface Drawing {
  readonly strokes: readonly Stroke[];
  /** What the drawing covers without its dimension lines. */
  readonly extent: Box;
}

/** SVG path data of rings, y turned downwards; numbers in mm with at most 4 decimals. */
export function pathData({ rings, closed }: Pick<Stroke, 'rings' | 'closed'>): string {
  const number = (v: number) => String(Math.round(v * 1e4) / 1e4 + 0);
  return rings
    .map((ring) => {
      const points = ring.map(({ x, y }) => `${number(x)} ${number(-y)}`);
      return `M${points.join('L')}${closed ? 'Z' : ''}`;
    })
    .join('');
}
