import type { Point, Point3 } from '../geometry/point';
import { isStraight, roundAxis } from './frame';
import type { Ground } from './ground';
import { after, anglesOf, FACES_DOWN, rotationOf, type Matrix } from './pose';
import type { Subject } from './subject';
import { lookUnder, type Underside } from './underside';

/** A model with one of its faces down. */
export interface View {
  readonly underside: Underside;
  /** Turned along the axes of its file, where its own are others: such a part leans. */
  readonly leans: boolean;
}

/**
 * A model with each of its faces down, of its own axes and of its file's where these are others; one that
 * is round is turned to where its contacts lie along the targets too.
 * @returns the share that is done, and the views at last
 */
export function* viewsOf(
  subject: Subject,
  ground: Ground,
  scale: number,
  hasPins: boolean,
): Generator<number, readonly View[]> {
  const turns = turnsOf(subject.frame);
  const round = roundAxis(subject.mesh);
  const views: View[] = [];
  for (const [i, turn] of turns.entries()) {
    yield i / turns.length;
    const underside = lookUnder(subject, turn, scale, hasPins);
    const others = round && isUpright(round, turn) ? askew(underside, subject, ground, scale, hasPins) : [];
    const leans = i >= FACES_DOWN.length;
    for (const one of [underside, ...others]) views.push({ underside: one, leans });
  }
  return views;
}

/** Whether a turn puts an axis upright. */
function isUpright({ x, y, z }: Point3, turn: Point3): boolean {
  const m = rotationOf(turn);
  return Math.abs(m[6] * x + m[7] * y + m[8] * z) > 0.99;
}

/** Turns that put each face down: of the model's own axes first, where they are not its file's. */
function turnsOf(frame: Matrix): readonly Point3[] {
  if (isStraight(frame)) return FACES_DOWN;
  return [...FACES_DOWN.map((face) => anglesOf(after(rotationOf(face), frame))), ...FACES_DOWN];
}

/**
 * The same face down turned about Z by what is no quarter, where its contacts lie along another
 * direction than the targets do.
 */
function askew(
  underside: Underside,
  subject: Subject,
  ground: Ground,
  scale: number,
  hasPins: boolean,
): Underside[] {
  const wanted = mainDirection(ground.targets);
  if (wanted === null) return [];
  const angles: number[] = [];
  for (const { lands, pins } of underside.levels) {
    const given = mainDirection(hasPins && pins.length > 1 ? pins : lands);
    if (given === null) continue;
    const angle = (((wanted - given) % 90) + 90) % 90;
    const isNew = angles.every((other) => Math.abs(other - angle) > 0.2);
    if (angle > 0.2 && angle < 89.8 && isNew) angles.push(angle);
  }
  return angles.slice(0, 3).map((angle) => {
    const turn = { ...underside.turn, z: underside.turn.z + angle };
    return lookUnder(subject, turn, scale, hasPins);
  });
}

/** The direction that points lie along, degrees; `null` where they lie along none. */
function mainDirection(points: readonly Point[]): number | null {
  const count = points.length;
  if (count < 2) return null;
  const mean = (axis: 'x' | 'y') => points.reduce((sum, p) => sum + p[axis], 0) / count;
  const [mx, my] = [mean('x'), mean('y')];
  let [xx, xy, yy] = [0, 0, 0];
  for (const { x, y } of points) {
    xx += (x - mx) ** 2;
    xy += (x - mx) * (y - my);
    yy += (y - my) ** 2;
  }
  const spread = Math.hypot(xx - yy, 2 * xy);
  return spread < 0.1 * (xx + yy) ? null : (Math.atan2(2 * xy, xx - yy) * 90) / Math.PI;
}
