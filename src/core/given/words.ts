import type { PieceIntent } from '../document/pieces';
import { flatten } from '../geometry/contour';
import { outlineOf, sizeOf, type Figure } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Polyline } from '../geometry/polygon';
import { simplified } from '../geometry/simplify';
import { inMm, mm, plain } from '../package/composed/writer';

// Figures and outlines in the words of a document.

/** Chords of arcs lie at most this far off where they are written as corners. mm */
export const CHORD = 0.002;
/** Most corners of an outline that a document holds. */
const MOST_CORNERS = 400;

const cornerText = ({ x, y }: Point): string => `${plain(x)},${plain(y)}`;

/** Corners of an outline, without a unit: mm are meant. */
export function bareCorners(points: readonly Point[]): string {
  let corners = points;
  for (let within = CHORD; corners.length > MOST_CORNERS; within *= 2)
    corners = simplified([points], within)[0] ?? points.slice(0, MOST_CORNERS);
  return corners.map(cornerText).join(' ');
}

/** Corners of an outline in mm, whatever the unit of the datasheet. */
export const cornersText = (points: readonly Point[]): string => inMm([bareCorners(points)]);

/** Lines of corners, parted by bars. */
export const linesText = (lines: readonly Polyline[]): string =>
  inMm([lines.map((line) => line.map(cornerText).join(' ')).join(' | ')]);

/** What a piece says of its figure. */
export type ShapeWords = Pick<
  PieceIntent,
  'shape' | 'length' | 'width' | 'diameter' | 'radius' | 'chamfer' | 'corners' | 'contour'
>;

/** A figure as a piece says it. */
export function shapeOf(figure: Figure): ShapeWords {
  const { width, height } = sizeOf(figure);
  const size = { length: mm(width), width: mm(height) };
  switch (figure.kind) {
    case 'round':
      return { shape: 'round', diameter: mm(figure.diameter) };
    case 'oblong':
    case 'd-shape':
      return { shape: figure.kind, ...size };
    case 'contour':
      return { shape: 'contour', contour: cornersText(flatten(outlineOf(figure), CHORD)) };
    case 'rectangle': {
      const { radius, chamfer } = figure;
      if (chamfer)
        return { shape: 'chamfered', ...size, chamfer: mm(chamfer.size), corners: [...chamfer.corners] };
      return radius ? { shape: 'rounded', ...size, radius: mm(radius) } : { shape: 'rectangle', ...size };
    }
  }
}
