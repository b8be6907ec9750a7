import type { Point } from '../geometry/point';
import type { Contact } from './contacts';
import type { LevelContacts } from './underside';

/** A land or hole that one contact of a model belongs to, as the package's own body touches it. mm */
export interface Target extends Contact {
  readonly kind: 'land' | 'pin' | 'peg';
  /** Index of the land, or of the hole without copper. */
  readonly index: number;
}

/** One contact and the target it is laid onto. */
export interface Pair {
  readonly target: number;
  readonly contact: Contact;
}

/** How far a contact may lie from its target: less than half the way to the next one. mm */
export function reachOf(targets: readonly Target[]): number {
  let least = Infinity;
  // in the order of x, only the next few can be nearer than what was found
  const ordered = [...targets].sort((a, b) => a.x - b.x);
  ordered.forEach((a, i) => {
    for (let j = i + 1; j < ordered.length; j += 1) {
      const b = ordered[j] as Target;
      if (b.x - a.x >= least) break;
      least = Math.min(least, Math.hypot(a.x - b.x, a.y - b.y));
    }
  });
  return Math.min(0.8, Math.max(0.1, least * 0.4));
}

const fits = (target: Target, level: LevelContacts): readonly Contact[] =>
  target.kind === 'land' ? level.lands : level.pins;

/** Targets that vote, spread over all of them; enough to find a place by. */
const VOTERS = 48;

/** Shifts that are followed up. */
const SHIFTS = 8;

/** Shifts in the plane that lay many contacts onto targets, the most first. */
export function shifts(level: LevelContacts, targets: readonly Target[], reach: number): Point[] {
  const votes = new Map<number, { count: number; x: number; y: number }>();
  const every = Math.ceil(targets.length / VOTERS);
  targets.forEach((target, i) => {
    if (i % every !== 0) return;
    for (const contact of fits(target, level)) {
      const [x, y] = [target.x - contact.x, target.y - contact.y];
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

/** The shift that lays the middle of the contacts onto that of the targets. */
function middleShift(level: LevelContacts, targets: readonly Target[]): Point {
  const kind = targets.some((target) => target.kind === 'land') ? 'land' : 'pin';
  const wanted = targets.filter((target) => target.kind === kind);
  const given = kind === 'land' ? level.lands : level.pins;
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
  const [lands, pins] = [nearby(level.lands, reach), nearby(level.pins, reach)];
  return (shift) => {
    const near: (Pair & { readonly away: number })[] = [];
    targets.forEach(({ kind, x, y }, target) => {
      const about = kind === 'land' ? lands : pins;
      for (const contact of about(x - shift.x, y - shift.y)) {
        const away = Math.hypot(contact.x + shift.x - x, contact.y + shift.y - y);
        // of contacts one above the other the lower one touches
        if (away <= reach) near.push({ target, contact, away: away + Math.max(0, contact.z - level.z) });
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
    shift = bestShift(found, targets);
    found = pairs(shift);
  }
  return found.length > 0 ? { shift, pairs: found } : null;
}

/** The shift that makes the mean distance nothing; pegs have play and count only where there is nothing else. */
function bestShift(pairs: readonly Pair[], targets: readonly Target[]): Point {
  const firm = pairs.filter(({ target }) => targets[target]?.kind !== 'peg');
  const used = firm.length > 0 ? firm : pairs;
  const mean = (axis: 'x' | 'y') =>
    used.reduce((sum, { target, contact }) => sum + (targets[target] as Target)[axis] - contact[axis], 0) /
    used.length;
  return { x: mean('x'), y: mean('y') };
}
