import { boxOfPositions, type Box3, type Mesh } from '../geometry/mesh';
import type { Point, Point3 } from '../geometry/point';
import { turn as turnPoint, type Quarter } from '../geometry/point';
import { oneEach, sectionsAt, undersides, type Contact } from './contacts';
import { FACES_DOWN, QUARTERS, turnPositions, type Pose } from './pose';

/** A land or hole that one contact of a model belongs to, as the package's own body touches it. mm */
export interface Target extends Contact {
  readonly kind: 'land' | 'pin' | 'peg';
  /** Index of the land, or of the hole without copper. */
  readonly index: number;
}

/** What a model is seated on: contacts, and the package's own body to be held against. */
export interface Ground {
  readonly targets: readonly Target[];
  /** Box of the package's own body with its terminals. */
  readonly box: Box3;
  /** What the own body rests on beside its pins; `null` where it has nothing else. */
  readonly rest: number | null;
}

/** One contact on its target; `off` is contact minus target, mm. */
export interface Match {
  readonly target: number;
  readonly contact: Contact;
  readonly off: Point3;
}

/** How a model in one pose lies on its targets. */
export interface Fit {
  readonly matches: readonly Match[];
  /** Targets that nothing touches, by index, pegs left out. */
  readonly missing: readonly number[];
  /** Contacts at the seating plane, or through the board, that belong to nothing. */
  readonly extra: readonly Contact[];
  /** Root of the mean squared distance in the plane, and the largest, mm. */
  readonly rms: number;
  readonly worst: number;
  /** Lower is better; for comparing poses of one model. */
  readonly cost: number;
}

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

/** A model that is ready to be turned: its vertices joined. */
export interface Subject {
  readonly mesh: Mesh;
  readonly box: Box3;
}

/** Sizes that a model may have been drawn in, as the factor that brings it to mm: mm, inch, m, cm, and mm taken for them. */
export const SCALES: readonly number[] = [1, 25.4, 1 / 25.4, 1000, 1 / 1000, 10, 0.1];
/** Contacts this much above the lowest still belong to one seating plane, mm. */
const BAND = 0.25;
/** Heights nearer than this are one seating plane, mm. */
const FLUSH = 0.015;
/** Sections of pins are taken this far below a level, mm. */
export const BELOW = 0.1;
/** Levels of one underside that are tried. */
const MOST_LEVELS = 16;
/** Poses whose costs differ by less fit equally well. */
const EQUAL = 0.01;

/** What lies at one level of an underside: flats about its height, and what goes on below. */
interface LevelContacts {
  readonly z: number;
  readonly lands: readonly Contact[];
  readonly pins: readonly Contact[];
}

/** One face of a model down: everything that may touch, by level. */
export interface Underside {
  readonly turn: Point3;
  readonly mesh: Mesh;
  readonly box: Box3;
  readonly contacts: readonly Contact[];
  readonly levels: readonly LevelContacts[];
}

/** The factor that makes a model about as large as the package, by its three sides. */
export function likelyScale(model: Box3, own: Box3): number {
  const sides = ({ min, max }: Box3) =>
    [max.x - min.x, max.y - min.y, max.z - min.z].map((v) => Math.max(v, 1e-9)).sort((a, b) => a - b);
  const [given, wanted] = [sides(model), sides(own)];
  const off = (scale: number) =>
    given.reduce((sum, side, i) => sum + Math.abs(Math.log((side * scale) / (wanted[i] as number))), 0);
  return SCALES.reduce((best, scale) => (off(scale) < off(best) - 0.5 ? scale : best));
}

/** Finds what a model may touch with one of its faces down. */
export function lookUnder({ mesh }: Subject, turn: Point3, scale: number, hasPins: boolean): Underside {
  const positions = turnPositions(mesh.positions, turn, scale);
  const turned: Mesh = { positions, indices: mesh.indices };
  const found = undersides(turned);
  const levels = levelsOf(found).map((z): LevelContacts => ({
    z,
    lands: oneEach(found.filter((contact) => contact.z >= z - 0.02 && contact.z <= z + BAND)),
    pins: hasPins ? sectionsAt(turned, z - BELOW) : [],
  }));
  return { turn, mesh: turned, box: boxOfPositions(positions) as Box3, contacts: found, levels };
}

/** Heights at which something looks down; where there are many, those with most contacts. */
function levelsOf(contacts: readonly Contact[]): number[] {
  const levels: { z: number; count: number }[] = [];
  for (const { z } of contacts) {
    const last = levels.at(-1);
    if (last && z - last.z < 0.02) last.count += 1;
    else levels.push({ z, count: 1 });
  }
  return [...levels]
    .sort((a, b) => b.count - a.count)
    .slice(0, MOST_LEVELS)
    .map(({ z }) => z);
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

/** One contact and the target it is laid onto. */
interface Pair {
  readonly target: number;
  readonly contact: Contact;
}

function turnContact(contact: Contact, quarter: number): Contact {
  const { x, y } = turnPoint(contact, ((quarter + 360) % 360) as Quarter);
  const upright = quarter % 180 !== 0;
  return {
    ...contact,
    x,
    y,
    width: upright ? contact.height : contact.width,
    height: upright ? contact.width : contact.height,
  };
}

/** How far a contact may lie from its target: less than half the way to the next one. mm */
export function reachOf(targets: readonly Target[]): number {
  let least = Infinity;
  targets.forEach((a, i) => {
    for (const b of targets.slice(i + 1)) least = Math.min(least, Math.hypot(a.x - b.x, a.y - b.y));
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
function shifts(level: LevelContacts, targets: readonly Target[], reach: number): Point[] {
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
type Pairing = (shift: Point) => Pair[];

function pairing(level: LevelContacts, targets: readonly Target[], reach: number): Pairing {
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
function settle(pairs: Pairing, targets: readonly Target[], from: Point) {
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

/** What a through-hole part comes to rest on: the lowest flat or low point that is no pin's; `null` where all are. mm */
export function restOf(contacts: readonly Contact[], pins: readonly Contact[]): number | null {
  const rests = contacts.filter(({ x, y, width, height }) => {
    const half = Math.max(width, height) / 2;
    return !pins.some((pin) => {
      const radius = Math.hypot(pin.width, pin.height) / 2 + 0.15;
      return half < radius && Math.hypot(x - pin.x, y - pin.y) < radius;
    });
  });
  return rests.length > 0 ? rests.reduce((low, { z }) => Math.min(low, z), Infinity) : null;
}

function placedBox({ min, max }: Box3, quarter: number, at: Point3): Box3 {
  const by = ((quarter + 360) % 360) as Quarter;
  const [a, b] = [turnPoint(min, by), turnPoint(max, by)];
  return {
    min: { x: Math.min(a.x, b.x) + at.x, y: Math.min(a.y, b.y) + at.y, z: min.z + at.z },
    max: { x: Math.max(a.x, b.x) + at.x, y: Math.max(a.y, b.y) + at.y, z: max.z + at.z },
  };
}

/**
 * Judges a place. What is missing weighs most, then distances, sizes of contacts and how far the
 * box is from that of the package's own body: it tells turns apart that the contacts do not.
 */
function fitOf(
  level: LevelContacts,
  pairs: readonly Pair[],
  at: Point3,
  { targets, box: own }: Ground,
  box: Box3 | null,
  reach: number,
): Fit {
  const matches = pairs.map(({ target, contact }): Match => {
    const { x, y, z, kind } = targets[target] as Target;
    const placed = { ...contact, x: contact.x + at.x, y: contact.y + at.y, z: contact.z + at.z };
    return {
      target,
      contact: placed,
      off: { x: placed.x - x, y: placed.y - y, z: kind === 'land' ? placed.z - z : 0 },
    };
  });
  const used = new Set(pairs.map(({ contact }) => contact));
  const moved = (contact: Contact) => ({
    ...contact,
    x: contact.x + at.x,
    y: contact.y + at.y,
    z: contact.z + at.z,
  });
  const hasLands = targets.some(({ kind }) => kind === 'land');
  const extra = [
    ...(hasLands ? level.lands.filter((contact) => !used.has(contact) && contact.z < level.z + FLUSH) : []),
    ...level.pins.filter((contact) => !used.has(contact)),
  ]
    .map(moved)
    .filter((contact) => !targets.some((target) => isPartOf(contact, target)));
  const met = new Set(pairs.map(({ target }) => target));
  const missing = targets.flatMap(({ kind }, i) => (met.has(i) || kind === 'peg' ? [] : [i]));
  const pegs = targets.filter(({ kind }, i) => kind === 'peg' && !met.has(i)).length;
  const firm = matches.filter(({ target }) => targets[target]?.kind !== 'peg');
  const away = (firm.length > 0 ? firm : matches).map(({ off }) => Math.hypot(off.x, off.y));
  const rms = Math.sqrt(away.reduce((sum, d) => sum + d * d, 0) / Math.max(1, away.length));
  const worst = away.reduce((a, b) => Math.max(a, b), 0);
  const sizes = matches.reduce((sum, { target, contact }) => {
    const { width, height } = targets[target] as Target;
    const most = Math.max(width, height, contact.width, contact.height, 1e-6);
    return sum + (Math.abs(width - contact.width) + Math.abs(height - contact.height)) / most;
  }, 0);
  const floating = matches.reduce((sum, { off }) => sum + Math.abs(off.z), 0);
  const all = targets.length;
  const cost =
    (6 * missing.length + 1.5 * pegs + Math.min(all, extra.length)) / all +
    rms / reach +
    (0.4 * sizes + floating) / Math.max(1, matches.length) +
    (box ? boxOff(box, own) : 0);
  return { matches, missing, extra, rms, worst, cost };
}

/** Whether a contact is a piece of a terminal, such as the flank of a no-lead's. */
function isPartOf(contact: Contact, target: Target): boolean {
  return (
    Math.abs(contact.x - target.x) < target.width / 2 + 0.1 &&
    Math.abs(contact.y - target.y) < target.height / 2 + 0.1 &&
    contact.area < target.area
  );
}

/** How far the sides of two boxes are apart, as a share of their size. */
function boxOff(a: Box3, b: Box3): number {
  return (['x', 'y', 'z'] as const).reduce((sum, axis) => {
    const size = Math.max(b.max[axis] - b.min[axis], 0.1);
    const off = Math.abs(a.min[axis] - b.min[axis]) + Math.abs(a.max[axis] - b.max[axis]);
    return sum + Math.min(1, off / size) / 3;
  }, 0);
}

/** How a model in a given pose lies on its targets, wherever it was put; `null` where it is nothing. */
export function inspect(underside: Underside, { at }: Pose, ground: Ground): Fit | null {
  const reach = reachOf(ground.targets);
  const box = placedBox(underside.box, 0, at);
  const hasPins = ground.targets.some(({ kind }) => kind !== 'land');
  const pins = hasPins ? sectionsAt(underside.mesh, -BELOW - at.z) : [];
  let best: Fit | null = null;
  for (const { z, lands } of underside.levels) {
    const level: LevelContacts = { z, lands, pins };
    const fit = fitOf(level, pairing(level, ground.targets, reach)(at), at, ground, box, reach);
    if (!best || fit.cost < best.cost) best = fit;
  }
  return best;
}
