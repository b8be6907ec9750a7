import { quantise } from '../units/length';
import { boxOfPoints, gapBetween, type Box } from './box';
import { flatten, type Contour, type Vertex } from './contour';
import { pointToSegment, segmentsCross } from './distance';
import { add, turn, type Point, type Quarter } from './point';
import { area, encloses, inflate, type Polygon, type Polyline } from './polygon';

/** Corners of a rectangle, x to the right and y up in the figure's own axes. */
export type Corner = 'lower-left' | 'lower-right' | 'upper-right' | 'upper-left';
const CORNERS: readonly Corner[] = ['lower-left', 'lower-right', 'upper-right', 'upper-left'];

/** A rectangle, sharp, rounded on all corners, or chamfered at 45° on some. mm. */
export interface Rectangle {
  readonly kind: 'rectangle';
  readonly width: number;
  readonly height: number;
  readonly radius?: number;
  readonly chamfer?: { readonly size: number; readonly corners: readonly Corner[] };
}

/** Any simple outline, counter-clockwise, and the size of its box. mm. */
export interface FreeContour {
  readonly kind: 'contour';
  readonly width: number;
  readonly height: number;
  readonly outline: Contour;
}

/**
 * A flat shape about its own origin, as lands, openings and apertures are made of; mm.
 * A D-shape is round at its −x end. All but free contours are convex.
 */
export type Figure =
  | Rectangle
  | { readonly kind: 'round'; readonly diameter: number }
  | { readonly kind: 'oblong'; readonly width: number; readonly height: number }
  | { readonly kind: 'd-shape'; readonly width: number; readonly height: number }
  | FreeContour;

/** A figure on the board; it is its own bounding box. */
export interface Placed extends Box {
  readonly figure: Figure;
  readonly at: Point;
  readonly rotation: Quarter;
}

/** Bulge of a quarter circle: the tangent of a quarter of its angle. */
const QUARTER_BULGE = Math.tan(Math.PI / 8);

/** Width and height of a figure, mm. */
export function sizeOf(figure: Figure): { readonly width: number; readonly height: number } {
  if (figure.kind === 'round') return { width: figure.diameter, height: figure.diameter };
  return figure;
}

/** The smaller of a figure's width and height, mm: a round hole's diameter, a slot's width. */
export function narrowOf(figure: Figure): number {
  const { width, height } = sizeOf(figure);
  return Math.min(width, height);
}

/** A circle on the board. */
export function circleAt(at: Point, diameter: number): Placed {
  return place({ kind: 'round', diameter }, at);
}

/** A sharp rectangle. */
export function rectangle(width: number, height: number): Rectangle {
  return { kind: 'rectangle', width, height };
}

/**
 * An outline as a figure, and where the middle of its box lay.
 * @param outline simple, counter-clockwise, with an area
 */
export function contourFigure(outline: Contour): { readonly figure: FreeContour; readonly at: Point } {
  const { minX, minY, maxX, maxY } = boxOfPoints(flatten(outline)) as Box;
  const at = { x: quantise((minX + maxX) / 2), y: quantise((minY + maxY) / 2) };
  const moved = outline.map((corner): Vertex => ({
    ...corner,
    x: quantise(corner.x - at.x),
    y: quantise(corner.y - at.y),
  }));
  return { figure: freeContour(moved), at };
}

/** An outline as a figure about the outline's own origin. */
export function freeContour(outline: Contour): FreeContour {
  const { minX, minY, maxX, maxY } = boxOfPoints(flatten(outline)) as Box;
  return { kind: 'contour', width: quantise(maxX - minX), height: quantise(maxY - minY), outline };
}

/** A figure grown on every side; edges stay parallel, corners keep their kind. Never less than nothing. */
export function grown(figure: Figure, by: number): Figure {
  const side = (length: number) => Math.max(0, quantise(length + 2 * by));
  if (figure.kind === 'round') return { kind: 'round', diameter: side(figure.diameter) };
  const size = { width: side(figure.width), height: side(figure.height) };
  if (figure.kind === 'contour') {
    const [largest] = inflate([flatten(figure.outline)], by).sort((a, b) => area(b) - area(a));
    return largest ? freeContour(largest) : { ...figure, width: 0, height: 0 };
  }
  if (figure.kind !== 'rectangle') return { ...figure, ...size };
  const { radius, chamfer } = figure;
  return {
    kind: 'rectangle',
    ...size,
    ...(radius ? { radius: Math.max(0, quantise(radius + by)) } : {}),
    // a 45° edge moved outwards by `by` cuts the moved corner at this length
    ...(chamfer
      ? { chamfer: { ...chamfer, size: Math.max(0, quantise(chamfer.size + by * (2 - Math.SQRT2))) } }
      : {}),
  };
}

/** Puts a figure on the board, turned by quarter turns. */
export function place(figure: Figure, at: Point, rotation: Quarter = 0): Placed {
  if (figure.kind === 'contour') {
    const { minX, minY, maxX, maxY } = boxOfPoints(
      flatten(figure.outline).map((p) => turn(p, rotation)),
    ) as Box;
    return {
      figure,
      at,
      rotation,
      minX: quantise(at.x + minX),
      minY: quantise(at.y + minY),
      maxX: quantise(at.x + maxX),
      maxY: quantise(at.y + maxY),
    };
  }
  const { width, height } = sizeOf(figure);
  const swapped = rotation % 180 !== 0;
  const [dx, dy] = [(swapped ? height : width) / 2, (swapped ? width : height) / 2];
  return {
    figure,
    at,
    rotation,
    minX: quantise(at.x - dx),
    minY: quantise(at.y - dy),
    maxX: quantise(at.x + dx),
    maxY: quantise(at.y + dy),
  };
}

/** A placed figure grown on every side. */
export function growPlaced({ figure, at, rotation }: Placed, by: number): Placed {
  return place(grown(figure, by), at, rotation);
}

/** A box as a placed figure. */
export function placedBox({ minX, minY, maxX, maxY }: Box): Placed {
  const at = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
  return place(rectangle(maxX - minX, maxY - minY), at);
}

/** The figure's outline about its own origin, counter-clockwise. */
export function outlineOf(figure: Figure): Contour {
  const { width, height } = sizeOf(figure);
  const [x, y] = [width / 2, height / 2];
  switch (figure.kind) {
    case 'round':
      return [
        { x, y: 0, bulge: 1 },
        { x: -x, y: 0, bulge: 1 },
      ];
    case 'oblong': {
      if (width === height) return outlineOf({ kind: 'round', diameter: width });
      const flat = Math.abs(x - y);
      return width > height
        ? [
            { x: -flat, y: -y },
            { x: flat, y: -y, bulge: 1 },
            { x: flat, y },
            { x: -flat, y, bulge: 1 },
          ]
        : [
            { x, y: -flat },
            { x, y: flat, bulge: 1 },
            { x: -x, y: flat },
            { x: -x, y: -flat, bulge: 1 },
          ];
    }
    case 'd-shape': {
      const sagitta = Math.min(y, width);
      const inner = -x + sagitta;
      return [
        { x, y: -y },
        { x, y },
        { x: inner, y, bulge: y > 0 ? sagitta / y : 0 },
        { x: inner, y: -y },
      ];
    }
    case 'rectangle':
      return rectangleOutline(figure);
    case 'contour':
      return figure.outline;
  }
}

function rectangleOutline({ width, height, radius = 0, chamfer }: Rectangle): Contour {
  const [x, y] = [width / 2, height / 2];
  const signs = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const;
  const most = Math.min(x, y);
  return CORNERS.flatMap((corner, i): Vertex[] => {
    const [sx, sy] = signs[i] as (typeof signs)[number];
    const round = !chamfer && radius > 0;
    const cut = Math.min(most, round ? radius : chamfer?.corners.includes(corner) ? chamfer.size : 0);
    if (cut <= 0) return [{ x: sx * x, y: sy * y }];
    // counter-clockwise: lower-left and upper-right corners are entered along y
    const [alongX, alongY] = [
      { x: sx * (x - cut), y: sy * y },
      { x: sx * x, y: sy * (y - cut) },
    ];
    const [from, to] = sx === sy ? [alongY, alongX] : [alongX, alongY];
    return [{ ...from, bulge: round ? QUARTER_BULGE : 0 }, to];
  });
}

/** The outline of a placed figure on the board. */
export function contourOf({ figure, at, rotation }: Placed): Contour {
  return outlineOf(figure).map((corner) => {
    const { x, y } = turn(corner, rotation);
    const { bulge } = corner;
    return bulge ? { x: at.x + x, y: at.y + y, bulge } : { x: at.x + x, y: at.y + y };
  });
}

/** A polygon (of one corner or more) and the radius by which it is rounded. */
interface Rounded {
  readonly core: Polygon;
  readonly radius: number;
}

function coreOf({ figure, at, rotation }: Placed): Rounded {
  const { width, height } = sizeOf(figure);
  const put = (points: readonly Point[]) => points.map((p) => add(at, turn(p, rotation)));
  switch (figure.kind) {
    case 'round':
      return { core: [at], radius: figure.diameter / 2 };
    case 'oblong': {
      const flat = Math.abs(width - height) / 2;
      const end = width > height ? { x: flat, y: 0 } : { x: 0, y: flat };
      return { core: put([end, { x: -end.x, y: -end.y }]), radius: Math.min(width, height) / 2 };
    }
    case 'd-shape':
    case 'contour':
      return { core: put(flatten(outlineOf(figure), 0.0005)), radius: 0 };
    case 'rectangle': {
      const radius = figure.chamfer ? 0 : Math.min(figure.radius ?? 0, width / 2, height / 2);
      if (radius === 0) return { core: put(outlineOf(figure)), radius: 0 };
      return { core: put(outlineOf(rectangle(width - 2 * radius, height - 2 * radius))), radius };
    }
  }
}

/**
 * Clear distance between two placed figures, mm; negative by how far their boxes overlap
 * where they overlap.
 */
export function gapBetweenFigures(a: Placed, b: Placed): number {
  const boxes = gapBetween(a, b);
  if (isPlain(a.figure) && isPlain(b.figure)) return boxes;
  const [p, q] = [coreOf(a), coreOf(b)];
  const apart = polygonGap(p.core, q.core);
  return apart > 0 ? apart - p.radius - q.radius : Math.min(boxes, -p.radius - q.radius, 0);
}

/** Distance of an open line from a placed figure, mm; 0 or less where the line enters it. */
export function gapToLine(figure: Placed, line: Polyline): number {
  const { core, radius } = coreOf(figure);
  let least = Infinity;
  for (let i = 1; i < line.length; i += 1) {
    least = Math.min(least, polygonGap(core, [line[i - 1] as Point, line[i] as Point]));
  }
  return least - radius;
}

/** Distance of a polygon from a placed figure, mm; 0 or less where they meet. */
export function gapToPolygon(figure: Placed, polygon: Polygon): number {
  const { core, radius } = coreOf(figure);
  return polygonGap(core, polygon) - radius;
}

function isPlain(figure: Figure): boolean {
  return figure.kind === 'rectangle' && !figure.radius && !figure.chamfer;
}

/** Distance of two polygons, mm; 0 where they meet. */
function polygonGap(a: Polygon, b: Polygon): number {
  if (encloses(a, b[0] as Point) || encloses(b, a[0] as Point)) return 0;
  let least = Infinity;
  const edges = (polygon: Polygon) =>
    polygon.map((p, i) => [p, polygon[(i + 1) % polygon.length] as Point] as const);
  const [ea, eb] = [edges(a), edges(b)];
  for (const [p, q] of ea) for (const r of b) least = Math.min(least, pointToSegment(r, p, q));
  for (const [p, q] of eb) for (const r of a) least = Math.min(least, pointToSegment(r, p, q));
  for (const [p, q] of ea) for (const [r, s] of eb) if (segmentsCross(p, q, r, s)) return 0;
  return least;
}

/** Area of a figure, mm². */
export function areaOf(figure: Figure): number {
  return measured(outlineOf(figure)).area;
}

/** Length of a figure's outline, mm. */
export function perimeterOf(figure: Figure): number {
  return measured(outlineOf(figure)).perimeter;
}

/** Area and length of a contour of straight and circular edges. */
function measured(contour: Contour): { area: number; perimeter: number } {
  let [size, perimeter] = [0, 0];
  contour.forEach((a, i) => {
    const b = contour[(i + 1) % contour.length] as Vertex;
    size += (a.x * b.y - b.x * a.y) / 2;
    const chord = Math.hypot(b.x - a.x, b.y - a.y);
    if (!a.bulge || chord === 0) {
      perimeter += chord;
      return;
    }
    const angle = 4 * Math.atan(a.bulge);
    const radius = chord / (2 * Math.sin(Math.abs(angle) / 2));
    size += ((angle - Math.sin(angle)) * radius * radius) / 2;
    perimeter += radius * Math.abs(angle);
  });
  return { area: size, perimeter };
}
