import type { Finding } from '../document/finding';
import type { TrialRead } from '../document/trial';
import { boxOfPoints, type Box } from '../geometry/box';
import { flatten, type Contour } from '../geometry/contour';
import { contourFigure, contourOf, place, type Figure, type Placed } from '../geometry/figure';
import { neighboursOf, type Neighbours } from '../geometry/neighbours';
import { add, type Point } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';

/** The board of a trial. The origin is the lower left corner of the box round it; mm. */
export interface Board {
  /** Counter-clockwise, with its arcs. */
  readonly outline: Contour;
  /** The same as a polygon, and as a figure. */
  readonly polygon: Polygon;
  readonly figure: Placed;
  readonly box: Box;
  readonly thickness: number;
  /** Answers which edges of the polygon lie near a box; edge i leads from corner i. */
  readonly edges: Neighbours;
}

/** What a board is where nothing usable is said. mm */
const USUAL = { width: 80, height: 50 };

/** Chords of its arcs lie at most this far off, mm. */
const CHORD = 0.005;

/** The board that a trial asks for, and what is wrong with it. @param thickness of the process's boards, mm */
export function boardOf(
  { width, height, radius, outline, thickness: own }: TrialRead['board'],
  thickness: number,
): { readonly board: Board; readonly problems: readonly Finding[] } {
  const problems: Finding[] = [];
  const [w, h] = [width ?? USUAL.width, height ?? USUAL.height];
  const most = Math.min(w, h) / 2;
  if (!outline && (radius ?? 0) > most + 1e-9) problems.push(tooRound(radius ?? 0, most));
  const plain: Figure = { kind: 'rectangle', width: w, height: h, radius: Math.min(radius ?? 0, most) };
  const contour = outline ? atZero(outline) : contourOf(place(plain, { x: w / 2, y: h / 2 }));
  return { board: boardWithin(contour, own ?? thickness), problems };
}

/** The board within an outline. */
export function boardWithin(outline: Contour, thickness: number): Board {
  const polygon = flatten(outline, CHORD);
  const { figure, at } = contourFigure(outline);
  return {
    outline,
    polygon,
    figure: place(figure, at),
    box: boxOfPoints(polygon) as Box,
    thickness,
    edges: neighboursOf(
      polygon.map((p, i) => boxOfPoints([p, polygon[(i + 1) % polygon.length] as Point]) as Box),
    ),
  };
}

/** An outline moved so that the box round it begins at zero: places are measured from its edges. */
function atZero(outline: Contour): Contour {
  const { minX, minY } = boxOfPoints(flatten(outline, CHORD)) as Box;
  return outline.map((corner) => ({ ...corner, ...add(corner, { x: -minX, y: -minY }) }));
}

function tooRound(radius: number, most: number): Finding {
  return {
    rule: 'entry',
    severity: 'caution',
    title: 'Corner radius',
    message: `The corner radius ${radius} mm is more than half of the board’s shorter side; ${most} mm is drawn.`,
    source: 'Document',
    stage: 'measure',
    place: { field: '/board/radius' },
    remedies: [{ label: `Make it ${most} mm`, edits: [{ at: '/board/radius', value: `${most} mm` }] }],
  };
}
