import { quantise } from '../units/length';
import { boxOfPoints, cornersOf, grow, type Box } from './box';
import { backwards, flatten, type Contour, type Vertex } from './contour';
import { grownOutline, uncut } from './cut-in';
import { add, isQuarter, turn, type Point } from './point';
import type { Polygon } from './polygon';

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
  /** Degrees counter-clockwise. */
  readonly rotation: number;
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
  const box = boxOfPoints(flatten(outline));
  if (!box) return NOTHING_LEFT;
  const { minX, minY, maxX, maxY } = box;
  return { kind: 'contour', width: quantise(maxX - minX), height: quantise(maxY - minY), outline };
}

const POINT: Point = { x: 0, y: 0 };
const NOTHING_LEFT: FreeContour = { kind: 'contour', width: 0, height: 0, outline: [POINT, POINT, POINT] };

/** A figure grown on every side; edges stay parallel, corners keep their kind. Never less than nothing. */
export function grown(figure: Figure, by: number): Figure {
  const side = (length: number) => Math.max(0, quantise(length + 2 * by));
  if (figure.kind === 'round') return { kind: 'round', diameter: side(figure.diameter) };
  const size = { width: side(figure.width), height: side(figure.height) };
  if (figure.kind === 'contour') {
    const outline = grownOutline(flatten(figure.outline), by);
    // what has shrunk to nothing is a point
    return outline ? freeContour(outline) : NOTHING_LEFT;
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

/** A figure as it is seen from its other side: y runs the other way, so that it points where it pointed. */
export function mirrored(figure: Figure): Figure {
  if (figure.kind === 'rectangle' && figure.chamfer) {
    const { chamfer } = figure;
    const corners = CORNERS.filter((corner) => chamfer.corners.includes(OPPOSITE[corner]));
    return { ...figure, chamfer: { ...chamfer, corners } };
  }
  if (figure.kind !== 'contour') return figure;
  const outline = backwards(figure.outline).map((vertex): Vertex => ({ ...vertex, y: 0 - vertex.y }));
  return { ...figure, outline };
}

const OPPOSITE: Readonly<Record<Corner, Corner>> = {
  'lower-left': 'upper-left',
  'upper-left': 'lower-left',
  'lower-right': 'upper-right',
  'upper-right': 'lower-right',
};

/** Puts a figure on the board, turned by degrees counter-clockwise. */
export function place(figure: Figure, at: Point, rotation = 0): Placed {
  const { minX, minY, maxX, maxY } = extentOf(figure, rotation);
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

/** The box round a turned figure about its origin. */
function extentOf(figure: Figure, rotation: number): Box {
  if (figure.kind === 'round' || (figure.kind !== 'contour' && isQuarter(rotation))) {
    const { width, height } = sizeOf(figure);
    const [x, y] = rotation % 180 === 0 ? [width / 2, height / 2] : [height / 2, width / 2];
    return { minX: -x, minY: -y, maxX: x, maxY: y };
  }
  // rounded corners reach as far as the circles in them
  const { core, radius } = coreOf({ figure, at: { x: 0, y: 0 }, rotation });
  return grow(boxOfPoints(core) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 }, radius);
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
  if (!radius && !chamfer) return cornersOf({ minX: -x, minY: -y, maxX: x, maxY: y });
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
  return turnedOutline(figure, rotation).map(({ x, y, bulge }) =>
    bulge ? { x: at.x + x, y: at.y + y, bulge } : { x: at.x + x, y: at.y + y },
  );
}

/** What is made of figures as they are turned, once: thousands of lands share a few. */
function onceTurned<T>(
  make: (figure: Figure, rotation: number) => T,
): (figure: Figure, rotation: number) => T {
  const all = new WeakMap<Figure, Map<number, T>>();
  return (figure, rotation) => {
    const known = all.get(figure) ?? new Map<number, T>();
    all.set(figure, known);
    const made = known.get(rotation) ?? make(figure, rotation);
    known.set(rotation, made);
    return made;
  };
}

const turned = (contour: Contour, rotation: number): Contour =>
  contour.map((corner): Vertex => ({ ...corner, ...turn(corner, rotation) }));

/** The figure's outline about its own origin, turned by degrees counter-clockwise; the same array each time. */
export const turnedOutline = onceTurned((figure, rotation) => turned(outlineOf(figure), rotation));

/** The same, with the openings in it apart: what a pen goes along. */
export const turnedOutlines = onceTurned((figure, rotation): readonly Contour[] => {
  const rings = figure.kind === 'contour' ? ringsOf(figure) : [];
  return rings.length < 2 ? [turnedOutline(figure, rotation)] : rings.map((one) => turned(one, rotation));
});

/** A polygon (of one corner or more) and the radius by which it is rounded. */
export interface Rounded {
  readonly core: Polygon;
  readonly radius: number;
}

/** A placed figure as a polygon grown by a radius: distances are exact on it. */
export function coreOf({ figure, at, rotation }: Pick<Placed, 'figure' | 'at' | 'rotation'>): Rounded {
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

/** Area of a figure, mm². */
export function areaOf(figure: Figure): number {
  return measured(outlineOf(figure)).area;
}

/** A figure's edge and the openings that are cut into it, which run clockwise; in its own axes. mm */
export function ringsOf(figure: Figure, tolerance = 0.0005): readonly Polygon[] {
  const outline = flatten(outlineOf(figure), tolerance);
  return figure.kind === 'contour' ? uncut(outline) : [outline];
}

/** What is free within a figure: nothing, but for contours with openings cut in. */
export const openingsOf = (figure: Figure): readonly Polygon[] =>
  figure.kind === 'contour' ? ringsOf(figure).slice(1) : [];

/** Length of a figure's outline and of the openings in it, mm. */
export function perimeterOf(figure: Figure): number {
  const rings = figure.kind === 'contour' ? ringsOf(figure) : [];
  if (rings.length < 2) return measured(outlineOf(figure)).perimeter;
  return rings.reduce((sum, one) => sum + measured(one).perimeter, 0);
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
