import type { LegendStyle } from '../document/document';
import { boxOfPoints, boxRound, cornersOf, grow, type Box } from '../geometry/box';
import { flatten, type Contour } from '../geometry/contour';
import { cutLines, type Segment } from '../geometry/cut-lines';
import type { Placed } from '../geometry/figure';
import { turn, type Point } from '../geometry/point';
import type { Polygon, Polyline } from '../geometry/polygon';
import type { Land } from './footprint';

/** What a style draws its lines from; lengths in mm. */
export interface StyleInput {
  readonly lands: readonly Land[];
  /** Lands, openings and holes that the legend keeps clear of. */
  readonly obstacles: readonly Placed[];
  /** Outline of the body at nominal size. */
  readonly body: Contour;
  /** Clearance of a line's middle from obstacles. */
  readonly reach: number;
}

export interface LegendStyleDefinition {
  readonly id: LegendStyle;
  readonly title: string;
  /** Lines before they are clipped against obstacles. */
  readonly lines: (input: StyleInput) => Polyline[];
}

/** Tolerance of chords round round bodies, mm. */
const CHORD = 0.001;
/** Legs of corner brackets: a share of the body's smaller side, at most this long. mm */
const LEG_SHARE = 0.22;
const LONGEST_LEG = 1.2;

function sidesOf(body: Contour): Segment[] {
  const corners = flatten(body, CHORD);
  return corners.map((corner, i) => [corner, corners[(i + 1) % corners.length] as Point]);
}

function boxOf(body: Contour): Box {
  return boxOfPoints(flatten(body, CHORD)) as Box;
}

/** Directions in which lands stick out from the body or lie along its edge. */
function landedSides(lands: readonly Land[]): Set<string> {
  return new Set(
    lands.filter(({ end }) => end !== null).map(({ rotation }) => direction(turn({ x: 1, y: 0 }, rotation))),
  );
}

function direction({ x, y }: Point): string {
  return Math.abs(x) > Math.abs(y) ? (x > 0 ? 'right' : 'left') : y > 0 ? 'top' : 'bottom';
}

function brackets({ body }: StyleInput): Polyline[] {
  const { minX, minY, maxX, maxY } = boxOf(body);
  const leg = Math.min(LONGEST_LEG, LEG_SHARE * Math.min(maxX - minX, maxY - minY));
  return cornersOf({ minX, minY, maxX, maxY }).map(({ x, y }) => [
    { x: x + (x === minX ? leg : -leg), y },
    { x, y },
    { x, y: y + (y === minY ? leg : -leg) },
  ]);
}

function ends(input: StyleInput): Polyline[] {
  const { minX, minY, maxX, maxY } = boxOf(input.body);
  const taken = landedSides(input.lands);
  const sides: readonly (readonly [string, Polyline])[] = [
    [
      'bottom',
      [
        { x: minX, y: minY },
        { x: maxX, y: minY },
      ],
    ],
    [
      'right',
      [
        { x: maxX, y: minY },
        { x: maxX, y: maxY },
      ],
    ],
    [
      'top',
      [
        { x: maxX, y: maxY },
        { x: minX, y: maxY },
      ],
    ],
    [
      'left',
      [
        { x: minX, y: maxY },
        { x: minX, y: minY },
      ],
    ],
  ];
  const free = sides.filter(([name]) => !taken.has(name)).map(([, line]) => line);
  // a body with lands on every side has no free end; brackets mark its corners
  return free.length > 0 ? free : brackets(input);
}

/** The outline without what lies in the shadow of a land on its side, so that dashes are left between lands. */
function dashes({ lands, body, reach }: StyleInput): Polyline[] {
  const box = boxOf(body);
  const shadows = lands
    .filter(({ end }) => end !== null)
    .map(({ copper, rotation }): Polygon => {
      const { minX, minY, maxX, maxY } = grow(copper, reach);
      const towards = direction(turn({ x: 1, y: 0 }, rotation));
      // from the land across the body's edge on its side, and no further
      return cornersOf({
        minX: towards === 'right' ? Math.min(minX, box.maxX - reach) : minX,
        maxX: towards === 'left' ? Math.max(maxX, box.minX + reach) : maxX,
        minY: towards === 'top' ? Math.min(minY, box.maxY - reach) : minY,
        maxY: towards === 'bottom' ? Math.max(maxY, box.minY + reach) : maxY,
      });
    });
  return cutLines(sidesOf(body), shadows);
}

/** A frame outside of everything. */
function around({ obstacles, body, reach }: StyleInput): Polyline[] {
  const round = boxRound([boxOf(body), ...obstacles.map((o) => grow(o, reach + 2 * CHORD))]) as Box;
  const corners = cornersOf(round);
  return corners.map((corner, i) => [corner, corners[(i + 1) % 4] as Point]);
}

/** Every way to draw the legend. To add one, list it here. */
export const LEGEND_STYLES: readonly LegendStyleDefinition[] = [
  { id: 'outline', title: 'body outline, clear of lands', lines: ({ body }) => sidesOf(body) },
  { id: 'around', title: 'frame round body and lands', lines: around },
  { id: 'ends', title: 'ends without lands only', lines: ends },
  { id: 'corners', title: 'corner brackets', lines: brackets },
  { id: 'dashes', title: 'dashes between lands', lines: dashes },
];
