import type { Box3 } from '../geometry/mesh';
import { turn as turnPoint, type Point } from '../geometry/point';
import { sectionsAt, type Contact } from './contacts';
import { fitOf, placedBox, type Fit, type Ground } from './fit';
import { pairing, reachOf, settle, shifts, type Pair, type Target } from './pairing';
import { FACES_DOWN, QUARTERS, type Pose } from './pose';
import { BELOW, lookUnder, restOf, type LevelContacts, type Subject, type Underside } from './underside';

/** A pose that was found, and how it fits. */
export interface Seat {
  readonly pose: Pose;
  readonly fit: Fit;
}

/** What seating came to. */
export interface SeatResult {
  readonly best: Seat;
  /** Other poses that fit equally well: the geometry cannot tell which one is meant. */
  readonly equal: readonly Seat[];
  /** The best of those that fit worse. */
  readonly second: Seat | null;
}

/** Sizes that a model may have been drawn in, as the factor that brings it to mm: mm, inch, m, cm, and mm taken for them. */
export const SCALES: readonly number[] = [1, 25.4, 1 / 25.4, 1000, 1 / 1000, 10, 0.1];
/** Poses whose costs differ by less fit equally well. */
const EQUAL = 0.01;

/** The factor that makes a model about as large as the package, by its three sides. */
export function likelyScale(model: Box3, own: Box3): number {
  const sides = ({ min, max }: Box3) =>
    [max.x - min.x, max.y - min.y, max.z - min.z].map((v) => Math.max(v, 1e-9)).sort((a, b) => a - b);
  const [given, wanted] = [sides(model), sides(own)];
  const off = (scale: number) =>
    given.reduce((sum, side, i) => sum + Math.abs(Math.log((side * scale) / (wanted[i] as number))), 0);
  return SCALES.reduce((best, scale) => (off(scale) < off(best) - 0.5 ? scale : best));
}

/**
 * Seats a model: with each face down and in each of four turns, its contacts are laid onto the
 * targets so that most of them meet, and moved to where they meet best.
 * @returns the share that is done, and the result at last; `null` where nothing of it can touch
 */
export function* seat(subject: Subject, ground: Ground): Generator<number, SeatResult | null> {
  const scale = likelyScale(subject.box, ground.box);
  const hasPins = ground.targets.some(({ kind }) => kind !== 'land');
  const looks: Look[] = [];
  for (const [i, turn] of FACES_DOWN.entries()) {
    yield (0.5 * i) / FACES_DOWN.length;
    const underside = lookUnder(subject, turn, scale, hasPins);
    for (const level of underside.levels) looks.push({ underside, level, share: shareOf(level, ground) });
  }
  // what has far fewer contacts than another face or level cannot fit better
  const most = Math.max(...looks.map(({ share }) => share));
  const likely = looks.filter(({ share }) => share > 0 && share >= 0.6 * most);
  const placed: Placing[] = [];
  for (const [i, look] of likely.entries()) {
    yield 0.5 + (0.4 * i) / likely.length;
    for (const quarter of QUARTERS) placed.push(...layOnto(look, quarter, ground));
  }
  const found = promising(placed).map((placing) => stand(placing, scale, ground));
  const distinct: Seat[] = [];
  for (const candidate of found.sort((a, b) => a.fit.cost - b.fit.cost)) {
    if (!distinct.some(({ pose }) => isSame(pose, candidate.pose))) distinct.push(candidate);
    if (distinct.length > 30) break;
  }
  const first = distinct[0];
  if (!first) return null;
  const equals = distinct.filter(({ fit }) => fit.cost < first.fit.cost + EQUAL);
  // of equals the one that is turned least from how it came
  const [best, ...equal] = equals.sort((a, b) => effort(a.pose) - effort(b.pose)) as [Seat, ...Seat[]];
  return { best, equal, second: distinct.find(({ fit }) => fit.cost >= first.fit.cost + EQUAL) ?? null };
}

function effort({ turn }: Pose): number {
  return Math.abs(turn.x) + Math.abs(turn.y) + Math.abs(turn.z);
}

function isSame(a: Pose, b: Pose): boolean {
  const far = Math.max(...(['x', 'y', 'z'] as const).map((axis) => Math.abs(a.at[axis] - b.at[axis])));
  const turned = (['x', 'y', 'z'] as const).some((axis) => a.turn[axis] !== b.turn[axis]);
  return !turned && far < 2e-3;
}

/** One level of one face down, and the share of the targets that it has contacts for. */
interface Look {
  readonly underside: Underside;
  readonly level: LevelContacts;
  readonly share: number;
}

/** A look turned and shifted so that its contacts lie on targets; its height is not known yet. */
interface Placing {
  readonly underside: Underside;
  readonly level: LevelContacts;
  readonly quarter: number;
  readonly shift: Point;
  readonly pairs: readonly Pair[];
  readonly fit: Fit;
}

/** Placings of which the height is found. */
const PROMISING = 32;

/** The best placings, each place once. */
function promising(placed: readonly Placing[]): Placing[] {
  const seen = new Set<string>();
  const once = [...placed]
    .sort((a, b) => a.fit.cost - b.fit.cost)
    .filter(({ underside: { turn }, level, quarter, shift, pairs }) => {
      const place = [turn.x, turn.y, quarter, shift.x.toFixed(4), shift.y.toFixed(4)].join(' ');
      // pins pass through any level above their tips: they do not tell levels apart
      const key = pairs.every(({ contact }) => level.pins.includes(contact)) ? place : `${place} ${level.z}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
  return once.slice(0, PROMISING);
}

function shareOf({ lands, pins }: LevelContacts, { targets }: Ground): number {
  const wanted = targets.filter(({ kind }) => kind === 'land').length;
  const met = Math.min(wanted, lands.length) + Math.min(targets.length - wanted, pins.length);
  return met / targets.length;
}

/** The best places of one level in one turn. */
function layOnto({ underside, level: { z, lands, pins } }: Look, quarter: number, ground: Ground): Placing[] {
  const { targets } = ground;
  const level: LevelContacts = {
    z,
    lands: lands.map((contact) => turnContact(contact, quarter)),
    pins: pins.map((contact) => turnContact(contact, quarter)),
  };
  const reach = reachOf(targets);
  const pairs = pairing(level, targets, reach);
  return shifts(level, targets, reach).flatMap((first): Placing[] => {
    const settled = settle(pairs, targets, first);
    if (!settled) return [];
    const at = { ...settled.shift, z: (ground.rest ?? 0) - z };
    return [
      { underside, level, quarter, ...settled, fit: fitOf(level, settled.pairs, at, ground, null, reach) },
    ];
  });
}

/** Puts a placing onto the height that it rests at. */
function stand(placing: Placing, scale: number, ground: Ground): Seat {
  const { underside, quarter } = placing;
  const reach = reachOf(ground.targets);
  const z = heightFor(placing, ground);
  // pins count where they enter the board, which is known only now
  const level = placing.level.pins.length > 0 ? throughBoard(placing, z) : placing.level;
  const settled = settle(pairing(level, ground.targets, reach), ground.targets, placing.shift) ?? placing;
  const at = { ...settled.shift, z };
  const fit = fitOf(level, settled.pairs, at, ground, placedBox(underside.box, quarter, at), reach);
  return { pose: { scale, turn: { ...underside.turn, z: quarter }, at }, fit };
}

/** A placing's level with the sections of what goes through the board, once its height is known. */
function throughBoard({ underside, level, quarter }: Placing, z: number): LevelContacts {
  const pins = sectionsAt(underside.mesh, -BELOW - z).map((contact) => turnContact(contact, quarter));
  return { ...level, pins };
}

function turnContact(contact: Contact, quarter: number): Contact {
  const { x, y } = turnPoint(contact, quarter);
  const upright = quarter % 180 !== 0;
  return {
    ...contact,
    x,
    y,
    width: upright ? contact.height : contact.width,
    height: upright ? contact.width : contact.height,
  };
}

/**
 * The height that puts the lowest matched contact onto its target, or a part with pins onto what it
 * rests on; where it has nothing to rest on, its top to where that of the package's own body is.
 */
function heightFor({ underside, quarter, pairs }: Placing, { targets, rest, box }: Ground): number {
  const lifts = pairs.flatMap(({ target, contact }) => {
    const { kind, z } = targets[target] as Target;
    return kind === 'land' ? [z - contact.z] : [];
  });
  if (lifts.length > 0) return lifts.reduce((a, b) => Math.max(a, b));
  const pins = pairs.map(({ contact }) => turnContact(contact, -quarter));
  const own = restOf(underside.contacts, pins);
  return rest === null || own === null ? box.max.z - underside.box.max.z : rest - own;
}
