import type { Box3 } from '../geometry/mesh';
import { isAlike } from './alike';
import { inspect, type Seat } from './fit';
import { reachOf, type Ground } from './ground';
import { showsTerminals } from './pairing';
import { boxed, laid, type Search } from './placings';
import { angleOf, rotationOf, type Pose } from './pose';
import { firstSign, type Sign } from './signs';
import { holesOf } from './stance';
import { subjectFor, unlike, type Pieces, type Subject } from './subject';
import { lookUnder } from './underside';
import { viewsOf } from './views';

/** What seating came to. */
export interface SeatResult {
  readonly best: Seat;
  /** Other poses that fit equally well: the contacts cannot tell which one is meant. */
  readonly equal: readonly Seat[];
  /** Those of them in which the model looks as it does in the best. */
  readonly alike: readonly Seat[];
  /** The best of those that fit worse. */
  readonly second: Seat | null;
  /** What on the model tells terminal 1, and so the best of its equals; `null` where nothing does. */
  readonly sign: Sign | null;
  /** By how much the model is drawn off the axes of its file, where the best pose takes that out; degrees. */
  readonly askew: number;
}

/** Sizes that a model may have been drawn in, as the factor that brings it to mm: mm, inch, m, cm, and mm taken for them. */
export const SCALES: readonly number[] = [1, 25.4, 1 / 25.4, 1000, 1 / 1000, 10, 0.1];
/** Poses whose costs differ by less fit equally well. */
const EQUAL = 0.01;

/** The factor that makes a model about as large as the package, by its three sides. */
export function likelyScale(model: Box3, own: Box3): number {
  const off = (scale: number) => unlike(model, own, scale);
  return SCALES.reduce((best, scale) => (off(scale) < off(best) - 0.5 ? scale : best));
}

/**
 * Seats a model: with each face down and in each of four turns, of its file's axes and of its own, its
 * contacts are laid onto the targets so that most of them meet, and its box onto the package's. Each
 * is then judged by all that is known of how a part stands.
 * @returns the share that is done, and the result at last; `null` where nothing of it can touch
 */
export function* seat(pieces: Pieces, ground: Ground): Generator<number, SeatResult | null> {
  const scale = likelyScale(pieces.box, ground.box);
  const subject = subjectFor(pieces, ground.box, scale);
  const hasPins = ground.targets.some(({ kind }) => kind !== 'land');
  const views = yield* shareOf(0, 0.4, viewsOf(subject, ground, scale, hasPins));
  const shows = views.some(({ underside: { levels } }) => showsTerminals(levels, ground.targets));
  const reach = reachOf(ground.targets);
  const search: Search = { ground, scale, reach, inHole: holesOf(ground), hasPins, shows };
  const found = yield* shareOf(0.4, 0.9, laid(views, search));
  // by its box a model is put only where its contacts do not put it
  const isNew = ({ pose }: Seat) => !found.some((other) => isNear(other.pose, pose));
  return ranked([...found, ...boxed(views, search).filter(isNew)], subject, search);
}

/** A piece of work as a share of the whole. */
function* shareOf<T>(from: number, to: number, work: Generator<number, T>): Generator<number, T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield from + (to - from) * step.value;
  }
}

/** The answer among all poses that were judged. */
function ranked(found: readonly Seat[], subject: Subject, search: Search): SeatResult | null {
  const distinct: Seat[] = [];
  for (const candidate of [...found].sort((a, b) => a.fit.cost - b.fit.cost)) {
    if (!distinct.some(({ pose }) => isSame(pose, candidate.pose))) distinct.push(candidate);
    if (distinct.length > 30) break;
  }
  const [first] = distinct;
  if (!first) return null;
  const equals = distinct
    .filter(({ fit }) => fit.cost < first.fit.cost + EQUAL)
    // of equals the one that is turned least from how it came
    .sort((a, b) => effort(a.pose) - effort(b.pose));
  // where another part was put, nothing on it tells anything of this one
  const isWhole = first.fit.missing.length === 0 && first.fit.extra.length === 0;
  const poses = equals.map(({ pose }) => pose);
  const sign = isWhole ? firstSign(subject, poses, search.ground) : null;
  const chosen = sign ? equals[sign.index] : equals[0];
  const [best, ...equal] = [chosen as Seat, ...equals.filter((other) => other !== chosen)].map((one) =>
    withMirror(one, subject, search),
  ) as [Seat, ...Seat[]];
  return {
    best,
    equal,
    alike: equal.filter(({ pose }) => isAlike(subject.mesh, best.pose, pose)),
    second: distinct.find(({ fit }) => fit.cost >= first.fit.cost + EQUAL) ?? null,
    sign: sign?.sign ?? null,
    askew: isSquare(best.pose) ? 0 : angleOf(subject.frame),
  };
}

/** A seat with what only the best ones are asked for. */
function withMirror(one: Seat, subject: Subject, { ground, scale, hasPins }: Search): Seat {
  if (one.fit.missing.length === 0 && one.fit.extra.length === 0) return one;
  const fit = inspect(lookUnder(subject, one.pose.turn, scale, hasPins), one.pose, ground);
  return fit ? { pose: one.pose, fit: { ...one.fit, mirrored: fit.mirrored } } : one;
}

const isSquare = ({ turn }: Pose) => [turn.x, turn.y, turn.z].every((angle) => angle % 90 === 0);

function effort({ turn }: Pose): number {
  return Math.abs(turn.x) + Math.abs(turn.y) + Math.abs(turn.z);
}

/** Whether two poses differ by rounding only. */
const isSame = (a: Pose, b: Pose): boolean => isWithin(a, b, 2e-3);

/** Whether two poses put a model into the same turn and about the same place. */
const isNear = (a: Pose, b: Pose): boolean => isWithin(a, b, 0.5);

function isWithin(a: Pose, b: Pose, far: number): boolean {
  if ((['x', 'y', 'z'] as const).some((axis) => Math.abs(a.at[axis] - b.at[axis]) >= far)) return false;
  const [p, q] = [rotationOf(a.turn), rotationOf(b.turn)];
  return p.every((value, i) => Math.abs(value - (q[i] as number)) < 1e-6);
}
