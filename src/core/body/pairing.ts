import { distance, type Point } from '../geometry/point';
import type { Contact } from './contacts';
import type { Target } from './ground';
import type { LevelContacts } from './underside';

/** One contact and the target it is laid onto. */
export interface Pair {
  readonly target: number;
  readonly contact: Contact;
}

/** The contacts that may belong to a target by what they are, worked out once for targets of one size. */
function fitting(level: LevelContacts): (target: Target) => readonly Contact[] {
  const known = new Map<string, readonly Contact[]>();
  return (target) => {
    if (target.kind !== 'land') return level.pins;
    const key = `${target.width} ${target.height}`;
    const own = known.get(key) ?? level.lands.filter((contact) => !isLarger(contact, target, level));
    known.set(key, own);
    return own;
  };
}

/** Whether a contact is too large for a target: another one's, or the underside of the moulding. */
function isLarger(
  contact: Contact,
  target: Pick<Target, 'width' | 'height'>,
  { plan }: LevelContacts,
): boolean {
  const sides = ['width', 'height'] as const;
  if (sides.some((side) => contact[side] > 1.5 * target[side] + 0.2)) return true;
  // the whole outline is a terminal only where the terminal is as large
  return (
    sides.every((side) => contact[side] > 0.95 * plan[side]) &&
    sides.some((side) => target[side] < 0.9 * plan[side])
  );
}

/** How many of a level's contacts may be terminals by their size, as a share of the targets: 0 to 1. */
export function terminalShare(level: LevelContacts, targets: readonly Target[]): number {
  const lands = targets.filter(({ kind }) => kind === 'land');
  const side = lands.reduce((most, { width, height }) => Math.max(most, width, height), 0);
  const largest = { width: side, height: side };
  const feet = level.lands.filter((contact) => !isLarger(contact, largest, level)).length;
  const pins = targets.filter(({ kind }) => kind === 'pin').length;
  const all = lands.length + pins;
  // one alone may be any face of a box
  if (all > 1 && feet + level.pins.length < 2) return 0;
  return all === 0 ? 1 : (Math.min(feet, lands.length) + Math.min(level.pins.length, pins)) / all;
}

/** A side that has what may be this share of the terminals shows them. */
const SHOWN = 0.5;

/** Whether a side of a model shows its terminals, at any of its levels. */
export function showsTerminals(levels: readonly LevelContacts[], targets: readonly Target[]): boolean {
  return levels.some((level) => terminalShare(level, targets) >= SHOWN);
}

/**
 * What of a foot is laid onto its target's: feet are drawn with flats of other lengths, and those that
 * rise touch in a line at one end.
 */
const ENDS = ['middle', 'outer', 'inner'] as const;
type End = (typeof ENDS)[number];
const MIDDLE: readonly End[] = ['middle'];

/** The ends of a target that a contact can be laid onto. */
const endsOf = ({ outward }: Target) => (outward === null ? MIDDLE : ENDS);

/** From a target to a contact that is shifted onto it, by their middles or by one end of both. mm */
function offOf(contact: Contact, target: Target, shift: Point, end: End): Point {
  const off = { x: contact.x + shift.x - target.x, y: contact.y + shift.y - target.y };
  const { outward } = target;
  if (end === 'middle' || outward === null) return off;
  const axis = outward % 180 === 0 ? 'x' : 'y';
  const sign = (outward < 180 ? 1 : -1) * (end === 'outer' ? 1 : -1);
  const longer = axis === 'x' ? contact.width - target.width : contact.height - target.height;
  return { ...off, [axis]: off[axis] + (sign * longer) / 2 };
}

/** Where contacts lie from their targets, by the end of their feet that fits best: one for all. */
export function offsOf(pairs: readonly Pair[], targets: readonly Target[], shift: Point): Point[] {
  const haveEnds = pairs.some(({ target }) => targets[target]?.outward !== null);
  const ways = (haveEnds ? ENDS : MIDDLE).map((end) => {
    const offs = pairs.map(({ target, contact }) => offOf(contact, targets[target] as Target, shift, end));
    const mean = meanOf(offs);
    const spread = offs.reduce((sum, { x, y }) => sum + (x - mean.x) ** 2 + (y - mean.y) ** 2, 0);
    return { offs, spread };
  });
  return ways.reduce((best, way) => (way.spread < best.spread - 1e-9 ? way : best)).offs;
}

function meanOf(points: readonly Point[]): Point {
  const mean = (axis: 'x' | 'y') => points.reduce((sum, p) => sum + p[axis], 0) / Math.max(1, points.length);
  return { x: mean('x'), y: mean('y') };
}

/** Targets that vote, spread over all of them; enough to find a place by. */
const VOTERS = { least: 12, most: 48 };
/** With many contacts fewer vote, so that there are about as many votes as this. */
const VOTES = 2500;

/** Shifts that are followed up. */
const SHIFTS = 8;

/** Shifts in the plane that lay many contacts onto targets, the most first. */
export function shifts(level: LevelContacts, targets: readonly Target[], reach: number): Point[] {
  const votes = new Map<number, { count: number; x: number; y: number }>();
  const wanted = VOTES / Math.max(1, level.lands.length + level.pins.length);
  const voters = Math.max(VOTERS.least, Math.min(VOTERS.most, wanted));
  const every = Math.ceil(targets.length / voters);
  const fits = fitting(level);
  targets.forEach((target, i) => {
    if (i % every !== 0) return;
    for (const { x, y } of fits(target).flatMap((contact) => placesOn(target, contact, reach))) {
      // cells overlap by half, so that no cluster is cut in two
      for (const cx of [Math.floor(x / reach), Math.floor(x / reach) + 1]) {
        for (const cy of [Math.floor(y / reach), Math.floor(y / reach) + 1]) {
          const key = cx * 1_048_576 + cy;
          const vote = votes.get(key);
          if (!vote) votes.set(key, { count: 1, x, y });
          else {
            vote.count += 1;
            vote.x += x;
            vote.y += y;
          }
        }
      }
    }
  });
  // where all of them are there, their middles meet
  const best: Point[] = [middleShift(level, targets)];
  for (const { count, x, y } of [...votes.values()].sort((a, b) => b.count - a.count).slice(0, 80)) {
    const shift = { x: x / count, y: y / count };
    if (best.every((other) => Math.hypot(other.x - shift.x, other.y - shift.y) > reach / 2)) best.push(shift);
    if (best.length === SHIFTS) break;
  }
  return best;
}

/** The shifts that lay one contact onto a target, by its middle or an end, as far as they differ. */
function placesOn(target: Target, contact: Contact, reach: number): Point[] {
  const [middle, ...ends] = endsOf(target).map((end) => {
    const { x, y } = offOf(contact, target, { x: 0, y: 0 }, end);
    return { x: 0 - x, y: 0 - y };
  }) as [Point, ...Point[]];
  return [middle, ...ends.filter((end) => distance(end, middle) > reach / 4)];
}

/** The shift that lays the middle of the contacts onto that of the targets. */
function middleShift(level: LevelContacts, targets: readonly Target[]): Point {
  const kind = targets.some((target) => target.kind === 'land') ? 'land' : 'pin';
  const wanted = targets.filter((target) => target.kind === kind);
  const given =
    kind === 'land'
      ? level.lands.filter((contact) => wanted.some((target) => !isLarger(contact, target, level)))
      : level.pins;
  const mean = (points: readonly Point[], axis: 'x' | 'y') =>
    points.reduce((sum, p) => sum + p[axis], 0) / Math.max(1, points.length);
  return { x: mean(wanted, 'x') - mean(given, 'x'), y: mean(wanted, 'y') - mean(given, 'y') };
}

/** Finds contacts about a point of the plane. */
type Nearby = (x: number, y: number) => readonly Contact[];

/** Contacts by cells as wide as the reach, so that a look into nine of them finds all within reach. */
function nearby(contacts: readonly Contact[], reach: number): Nearby {
  const cells = new Map<number, Contact[]>();
  const key = (i: number, j: number) => i * 1_048_576 + j;
  const cell = (v: number) => Math.floor(v / reach);
  for (const contact of contacts) {
    const at = key(cell(contact.x), cell(contact.y));
    const own = cells.get(at);
    if (own) own.push(contact);
    else cells.set(at, [contact]);
  }
  return (x, y) => {
    const found: Contact[] = [];
    for (let i = cell(x) - 1; i <= cell(x) + 1; i += 1)
      for (let j = cell(y) - 1; j <= cell(y) + 1; j += 1) found.push(...(cells.get(key(i, j)) ?? []));
    return found;
  };
}

/** Nearest contacts of targets within reach, each contact once. */
export type Pairing = (shift: Point) => Pair[];

export function pairing(level: LevelContacts, targets: readonly Target[], reach: number): Pairing {
  // with end on end middles lie farther apart
  const longest = targets.reduce(
    (most, { outward, width, height }) => (outward === null ? most : Math.max(most, width, height)),
    0,
  );
  const far = reach + Math.min(reach, longest / 2);
  const fits = fitting(level);
  const cells = new Map<readonly Contact[], Nearby>();
  const abouts = targets.map((target) => {
    const own = fits(target);
    const about = cells.get(own) ?? nearby(own, far);
    cells.set(own, about);
    return about;
  });
  return (shift) => {
    const near: (Pair & { readonly away: number })[] = [];
    targets.forEach((target, i) => {
      const about = abouts[i] as Nearby;
      for (const contact of about(target.x - shift.x, target.y - shift.y)) {
        const away = endsOf(target).reduce((least, end) => {
          const { x, y } = offOf(contact, target, shift, end);
          return Math.min(least, Math.hypot(x, y));
        }, Infinity);
        // of contacts one above the other the lower one touches
        if (away <= reach) near.push({ target: i, contact, away: away + Math.max(0, contact.z - level.z) });
      }
    });
    const taken = new Set<Contact>();
    const done = new Set<number>();
    return near
      .sort((a, b) => a.away - b.away)
      .filter(({ target, contact }) => {
        if (taken.has(contact) || done.has(target)) return false;
        taken.add(contact);
        done.add(target);
        return true;
      });
  };
}

/** Follows a shift to where its contacts lie best; nothing where none is within reach. */
export function settle(pairs: Pairing, targets: readonly Target[], from: Point) {
  let shift = from;
  let found = pairs(shift);
  for (let i = 0; i < 3 && found.length > 0; i += 1) {
    shift = bestShift(found, targets, shift);
    found = pairs(shift);
  }
  return found.length > 0 ? { shift, pairs: found } : null;
}

/** The shift that makes the mean distance nothing; pegs have play and count only where there is nothing else. */
function bestShift(pairs: readonly Pair[], targets: readonly Target[], from: Point): Point {
  const firm = pairs.filter(({ target }) => targets[target]?.kind !== 'peg');
  const used = firm.length > 0 ? firm : pairs;
  const { x, y } = meanOf(offsOf(used, targets, from));
  return { x: from.x - x, y: from.y - y };
}
