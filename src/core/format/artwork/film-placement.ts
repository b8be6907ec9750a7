import { HOME, putPlaced, putPoint, type Placement } from '../../geometry/placement';
import { fullTurn, type Point } from '../../geometry/point';
import { scaledPlaced } from '../../given/recognise';
import { quantise } from '../../units/length';
import type { FilmObject } from './read-gerber';

// What lies on a film put elsewhere: one object, or the whole film as commands of older files say it.

/** How a whole film is put by commands of older files: scaled, mirrored, its axes exchanged, turned, moved. */
export interface FilmPlacement extends Point {
  readonly scaleX: number;
  readonly scaleY: number;
  readonly mirrorX: boolean;
  readonly mirrorY: boolean;
  readonly swaps: boolean;
  readonly angle: number;
}

export const AS_DRAWN: FilmPlacement = {
  x: 0,
  y: 0,
  scaleX: 1,
  scaleY: 1,
  mirrorX: false,
  mirrorY: false,
  swaps: false,
  angle: 0,
};

export const isAsDrawn = (whole: FilmPlacement): boolean =>
  (Object.keys(AS_DRAWN) as (keyof FilmPlacement)[]).every((key) => whole[key] === AS_DRAWN[key]);

export function putWhole(whole: FilmPlacement, object: FilmObject): FilmObject {
  const { scaleX, scaleY, mirrorX, mirrorY, swaps, angle } = whole;
  const scaled = scaleX === 1 && scaleY === 1 ? object : scaledObject(object, scaleX, scaleY);
  // mirrored about an axis, and the axes exchanged: turned over, and turned
  const over =
    mirrorX !== mirrorY
      ? { ...HOME, far: true, angle: mirrorY ? 180 : 0 }
      : { ...HOME, angle: mirrorX ? 180 : 0 };
  const swapped = swaps ? { ...HOME, far: true, angle: 270 } : HOME;
  return [over, swapped, { at: { x: whole.x, y: whole.y }, angle: fullTurn(angle), far: false }].reduce(
    (made, placement) => put(placement, made),
    scaled,
  );
}

export function scaledObject(object: FilmObject, byX: number, byY: number): FilmObject {
  const to = (p: Point) => ({ x: quantise(p.x * byX), y: quantise(p.y * byY) });
  return {
    ...object,
    ...(object.placed ? { placed: scaledPlaced(object.placed, byX, byY) } : {}),
    ...(object.openings ? { openings: object.openings.map((opening) => opening.map(to)) } : {}),
    ...(object.points ? { points: object.points.map(to) } : {}),
    ...(object.swept ? { swept: object.swept.map(to) } : {}),
    ...(object.width ? { width: quantise(object.width * Math.sqrt(byX * byY)) } : {}),
  };
}

export function put(placement: Placement, object: FilmObject): FilmObject {
  const all = (points: readonly Point[]) => points.map((p) => putPoint(placement, p));
  return {
    ...object,
    ...(object.placed ? { placed: putPlaced(placement, object.placed) } : {}),
    ...(object.openings ? { openings: object.openings.map(all) } : {}),
    ...(object.points ? { points: all(object.points) } : {}),
    ...(object.swept ? { swept: all(object.swept) } : {}),
  };
}
