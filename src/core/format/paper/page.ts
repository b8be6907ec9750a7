import { arcCentre, type Vertex } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import { quantise } from '../../units/length';

// A page as lines, areas and texts: what a PDF and an SVG are both written from, so that they show the same.
// Lengths in mm, from the upper left corner, y downwards.

/** A step of a path: to a point, straight or along a Bézier curve, or back to where it began. */
export type Step =
  | readonly ['M' | 'L', number, number]
  | readonly ['C', number, number, number, number, number, number]
  | readonly ['Z'];

export interface PathItem {
  readonly kind: 'path';
  readonly steps: readonly Step[];
  /** Width of the line, mm; none where it is missing. */
  readonly stroke?: number;
  readonly dash?: readonly number[];
  /** How light the line is, from 0 (black) to 1 (white). */
  readonly ink?: number;
  /** How light the area is; none where it is missing. What is inside twice is outside. */
  readonly fill?: number;
}

export interface TextItem {
  readonly kind: 'text';
  readonly text: string;
  /** Where its line of writing begins, ends or has its middle. */
  readonly x: number;
  readonly y: number;
  /** Height of the type, mm. */
  readonly size: number;
  readonly bold?: boolean;
  readonly anchor?: 'start' | 'middle' | 'end';
  /** Read from the right. */
  readonly upright?: boolean;
  readonly ink?: number;
}

export type Item = PathItem | TextItem;

export interface Page {
  readonly width: number;
  readonly height: number;
  readonly items: readonly Item[];
}

export type Paper = 'a4' | 'letter';
/** Sheets of paper, upright, mm. */
export const PAPERS: Readonly<Record<Paper, { readonly width: number; readonly height: number }>> = {
  a4: { width: 210, height: 297 },
  letter: { width: 215.9, height: 279.4 },
};

/** Widths of lines on a drawing, mm. */
export const LINE = { thin: 0.13, usual: 0.25, bold: 0.5 } as const;

/** A straight line. */
export function line(a: Point, b: Point, stroke: number = LINE.thin, more: Partial<PathItem> = {}): PathItem {
  return {
    kind: 'path',
    steps: [
      ['M', a.x, a.y],
      ['L', b.x, b.y],
    ],
    stroke,
    ...more,
  };
}

/** A rectangle by its upper left corner. */
export function rectangle(
  x: number,
  y: number,
  width: number,
  height: number,
  more: Partial<PathItem>,
): PathItem {
  return {
    kind: 'path',
    steps: [['M', x, y], ['L', x + width, y], ['L', x + width, y + height], ['L', x, y + height], ['Z']],
    ...more,
  };
}

/** Largest part of a circle that one curve stands for, degrees: it keeps within four millionths of the radius. */
const PART = 45;

/**
 * Steps along a ring whose edges may be arcs.
 * @param put takes a point of the drawing, y upwards, onto the page
 * @param turn by how much the drawing is turned on the page, degrees counter-clockwise
 * @param scale of the drawing
 */
export function stepsOf(ring: readonly Vertex[], isClosed: boolean, put: (p: Point) => Point): Step[] {
  const steps: Step[] = [];
  const to = (kind: 'M' | 'L', p: Point) => {
    const { x, y } = put(p);
    steps.push([kind, quantise(x), quantise(y)]);
  };
  ring.forEach((vertex, i) => {
    if (i === 0) to('M', vertex);
    const next = ring[i + 1] ?? (isClosed ? ring[0] : undefined);
    if (!next) return;
    if (!vertex.bulge) {
      if (i + 1 < ring.length) to('L', next);
      return;
    }
    steps.push(...curves(vertex, next, put));
  });
  return isClosed ? [...steps, ['Z']] : steps;
}

/** An arc as Bézier curves. */
function curves(from: Vertex, to: Point, put: (p: Point) => Point): Step[] {
  // an arc between two places that are one is no line
  if (from.x === to.x && from.y === to.y) return [];
  const sweep = 4 * Math.atan(from.bulge ?? 0);
  const centre = arcCentre(from, to);
  const radius = Math.hypot(from.x - centre.x, from.y - centre.y);
  const start = Math.atan2(from.y - centre.y, from.x - centre.x);
  const count = Math.max(1, Math.ceil(Math.abs(sweep) / ((PART * Math.PI) / 180)));
  const part = sweep / count;
  const reach = (4 / 3) * Math.tan(part / 4) * radius;
  const at = (angle: number, along: number): Point => ({
    x: centre.x + radius * Math.cos(angle) - along * Math.sin(angle),
    y: centre.y + radius * Math.sin(angle) + along * Math.cos(angle),
  });
  return Array.from({ length: count }, (_, i): Step => {
    const [a, b] = [start + i * part, start + (i + 1) * part];
    const [p, q] = [put(at(a, reach)), put(at(b, -reach))];
    const end = put(i === count - 1 ? to : at(b, 0));
    return [
      'C',
      quantise(p.x),
      quantise(p.y),
      quantise(q.x),
      quantise(q.y),
      quantise(end.x),
      quantise(end.y),
    ];
  });
}
