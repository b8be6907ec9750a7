import { quantise } from '../units/length';
import { boxOfPoints, type Box } from './box';
import { backwards, type Contour, type Vertex } from './contour';
import { mirrored, place, type Placed } from './figure';
import { fullTurn, isQuarter, turn, type Point, type Point3 } from './point';
import type { Part } from './solid';

/**
 * Where a thing lies: turned over onto the far side or not, then turned by degrees
 * counter-clockwise, then moved. Everything is seen from the component side, so what lies on the
 * far side is seen mirrored: x runs the other way. mm
 */
export interface Placement {
  readonly at: Point;
  readonly angle: number;
  readonly far: boolean;
}

/** Where a thing lies by itself. */
export const HOME: Placement = { at: { x: 0, y: 0 }, angle: 0, far: false };

/** Over on the far side, seen through the board: left and right are exchanged. */
export const OVER: Placement = { ...HOME, far: true };

/** A placement that only turns. */
export function turned(angle: number): Placement {
  return { ...HOME, angle };
}

/** One placement within another: first the inner, then the outer. */
export function within(outer: Placement, inner: Placement): Placement {
  return {
    at: put(outer, inner.at),
    angle: fullTurn(outer.angle + (outer.far ? -inner.angle : inner.angle)),
    far: outer.far !== inner.far,
  };
}

/** The placement that takes back another. */
export function undone({ at, angle, far }: Placement): Placement {
  const back: Placement = { at: { x: 0, y: 0 }, angle: fullTurn(far ? angle : -angle), far };
  const { x, y } = put(back, at);
  return { ...back, at: { x: -x + 0, y: -y + 0 } };
}

/** The bare point: thousands are put with every keystroke, and a copy of all else costs more than the sum. */
function put({ at, angle, far }: Placement, p: Point): Point {
  if (p.x === 0 && p.y === 0) return quantised(at);
  const { x, y } = turn(far ? { x: 0 - p.x, y: p.y } : p, angle);
  return { x: quantise(x + at.x), y: quantise(y + at.y) };
}

/** A point to a nanometre: the point itself where it is there already. */
function quantised(p: Point): Point {
  const [x, y] = [quantise(p.x), quantise(p.y)];
  return Object.is(x, p.x) && Object.is(y, p.y) ? p : { x, y };
}

/** A point of a placed thing with what else it holds, to a nanometre. */
export function putPoint<P extends Point>(placement: Placement, p: P): P {
  return { ...p, ...put(placement, p) };
}

/** The direction of something that points to an angle in a placed thing. */
export function putAngle({ angle, far }: Placement, direction: number): number {
  return fullTurn(angle + (far ? 180 - direction : direction));
}

/** A figure and how it lies. */
export type Lying = Pick<Placed, 'figure' | 'at' | 'rotation'>;

/** A figure of a placed thing. */
export function putPlaced(placement: Placement, { figure, at, rotation }: Lying): Placed {
  return place(placement.far ? mirrored(figure) : figure, put(placement, at), putAngle(placement, rotation));
}

/** The box round a box of a placed thing: the same box only after quarter turns. */
export function putBox(placement: Placement, { minX, minY, maxX, maxY }: Box): Box {
  const corners = [
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: maxX, y: maxY },
    { x: minX, y: maxY },
  ];
  return boxOfPoints(corners.map((corner) => put(placement, corner))) as Box;
}

/** A closed outline of a placed thing; counter-clockwise it stays. */
export function putContour(placement: Placement, contour: Contour): Vertex[] {
  return (placement.far ? backwards(contour) : contour).map((vertex) => putPoint(placement, vertex));
}

/**
 * A point in space of a placed thing. What goes over to the far side turns about Y through the
 * middle of the board: z = 0 becomes the laminate's far surface.
 * @param board thickness of the laminate, mm
 */
export function putPoint3(placement: Placement, p: Point3, board: number): Point3 {
  return { ...putPoint(placement, p), z: placement.far ? quantise(-board - p.z) : p.z };
}

/** A part of a placed assembly. */
export function putPart(placement: Placement, part: Part, board: number): Part {
  const { flipped, ...rest } = part;
  const over = (flipped ?? false) !== placement.far;
  return {
    ...rest,
    at: putPoint3(placement, part.at, board),
    rotation: fullTurn(placement.angle + (placement.far ? -part.rotation : part.rotation)),
    ...(over ? { flipped: true } : {}),
  };
}

/** Whether a placement leaves everything where it is. */
export function isHome({ at, angle, far }: Placement): boolean {
  return at.x === 0 && at.y === 0 && fullTurn(angle) === 0 && !far;
}

/** Whether boxes stay boxes in a placement. */
export function keepsAxes({ angle }: Placement): boolean {
  return isQuarter(angle);
}
