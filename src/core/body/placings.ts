import type { Box3 } from '../geometry/mesh';
import { turn as turnPoint, type Point, type Point3 } from '../geometry/point';
import { sectionsAt } from './contacts';
import { lyingOf, standing, type Fit, type Lying, type Seat } from './fit';
import type { Ground, Target } from './ground';
import { turnContact, turned } from './mirrored';
import { pairing, settle, shifts, type Pair } from './pairing';
import { QUARTERS } from './pose';
import { BELOW, restOf } from './rest';
import { sunkShare, type InHole } from './stance';
import type { LevelContacts } from './underside';
import type { View } from './views';

/** What is the same for all poses of one seating. */
export interface Search {
  readonly ground: Ground;
  readonly scale: number;
  readonly reach: number;
  readonly inHole: InHole;
  readonly hasPins: boolean;
  /** Whether some side of the model shows terminals. */
  readonly shows: boolean;
}

/**
 * Poses in which the contacts of a model lie on targets, in four turns of each view, each judged.
 * @returns the share that is done, and the poses at last
 */
export function* laid(views: readonly View[], search: Search): Generator<number, Seat[]> {
  const looks = likely(
    views.flatMap((view) => view.underside.levels.map((level): Look => ({ ...view, level }))),
    search.ground,
  );
  const placed: Placing[] = [];
  for (const [i, look] of looks.entries()) {
    yield (0.8 * i) / looks.length;
    for (const quarter of QUARTERS) placed.push(...layOnto(look, quarter, search));
  }
  const found: Seat[] = [];
  for (const [i, placing] of promising(placed).entries()) {
    if (i % 8 === 0) yield 0.8 + (0.2 * i) / PROMISING;
    found.push(stand(placing, search));
  }
  return found;
}

/** One level of one face down. */
interface Look extends View {
  readonly level: LevelContacts;
}

/** The levels that have contacts for enough targets: what has far fewer than another cannot fit better. */
function likely(looks: readonly Look[], { targets }: Ground): Look[] {
  const wanted = targets.filter(({ kind }) => kind === 'land').length;
  const share = ({ level: { lands, pins } }: Look) =>
    (Math.min(wanted, lands.length) + Math.min(targets.length - wanted, pins.length)) / targets.length;
  const most = looks.reduce((best, look) => Math.max(best, share(look)), 0);
  return looks.filter((look) => share(look) > 0 && share(look) >= 0.5 * most);
}

/** A look turned and shifted so that its contacts lie on targets; its height is not known yet. */
interface Placing extends View {
  readonly level: LevelContacts;
  readonly quarter: number;
  readonly shift: Point;
  readonly pairs: readonly Pair[];
  readonly cost: number;
}

/** Placings of which the height is found. */
const PROMISING = 48;

/** The best placings, each place once. */
function promising(placed: readonly Placing[]): Placing[] {
  const seen = new Set<string>();
  const once = [...placed]
    .sort((a, b) => a.cost - b.cost)
    .filter(({ underside: { turn }, level, quarter, shift, pairs }) => {
      const place = [turn.x, turn.y, turn.z, quarter, shift.x.toFixed(4), shift.y.toFixed(4)].join(' ');
      // pins pass through any level above their tips: they do not tell levels apart
      const key = pairs.every(({ contact }) => level.pins.includes(contact)) ? place : `${place} ${level.z}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
  return once.slice(0, PROMISING);
}

/** The best places of one level in one turn. */
function layOnto({ underside, leans, level: seen }: Look, quarter: number, search: Search): Placing[] {
  const { ground, reach, shows } = search;
  const { targets } = ground;
  const level = turned(seen, quarter);
  const pairs = pairing(level, targets, reach);
  // pins go into the board wherever they are; what stands on lands does not
  const sunk = targets.some(({ kind }) => kind === 'pin')
    ? 0
    : sunkShare(underside, 0, { x: 0, y: 0, z: -level.z }, () => false);
  return shifts(level, targets, reach).flatMap((first): Placing[] => {
    const settled = settle(pairs, targets, first);
    if (!settled) return [];
    const at = { ...settled.shift, z: (ground.rest ?? 0) - level.z };
    const { cost } = lyingOf(level, settled.pairs, at, ground, reach, shows);
    return [{ underside, leans, level, quarter, ...settled, cost: cost + SUNK * Math.max(0, sunk - 0.1) }];
  });
}

/** What a body below its own contacts weighs before its height is known. */
const SUNK = 10;

/** Puts a placing onto the height that it rests at. */
function stand(placing: Placing, search: Search): Seat {
  const { underside, quarter } = placing;
  const { ground, reach, inHole, shows } = search;
  const z = heightFor(placing, ground);
  // pins count where they enter the board, which is known only now
  const level = placing.level.pins.length > 0 ? throughBoard(placing, z) : placing.level;
  const settled = settle(pairing(level, ground.targets, reach), ground.targets, placing.shift) ?? placing;
  const at = { ...settled.shift, z };
  const lying = lyingOf(level, settled.pairs, at, ground, reach, shows);
  return seatAt(placing, quarter, at, search, standing(lying, underside, quarter, at, ground, inHole));
}

function seatAt(
  { underside: { turn }, leans }: View,
  quarter: number,
  at: Point3,
  { scale }: Search,
  fit: Omit<Fit, 'mirrored'>,
): Seat {
  return {
    pose: { scale, turn: { ...turn, z: halfTurn(turn.z + quarter) }, at },
    fit: { ...fit, mirrored: false, cost: fit.cost + (leans ? LEANS : 0) },
  };
}

/** What it weighs that a part leans. */
const LEANS = 0.5;

/** An angle from over −180 to 180 degrees. */
function halfTurn(angle: number): number {
  const within = ((angle % 360) + 360) % 360;
  return within > 180 ? within - 360 : within;
}

/** A placing's level with the sections of what goes through the board, once its height is known. */
function throughBoard({ underside, level, quarter }: Placing, z: number): LevelContacts {
  const pins = sectionsAt(underside.mesh, -BELOW - z).map((contact) => turnContact(contact, quarter));
  return { ...level, pins };
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

/** Every turn of the model with its box on that of the package's own body: for what shows no contacts. */
export function boxed(views: readonly View[], search: Search): Seat[] {
  const { ground, reach, inHole, hasPins, shows } = search;
  const middle = ({ min, max }: Box3, axis: 'x' | 'y') => (min[axis] + max[axis]) / 2;
  return views.flatMap((view) =>
    QUARTERS.flatMap((quarter): Seat[] => {
      const { underside } = view;
      const { x, y } = turnPoint({ x: middle(underside.box, 'x'), y: middle(underside.box, 'y') }, quarter);
      // pins may be of any length: a part on pins keeps its top, one on lands its underside
      const end = ground.targets.some(({ kind }) => kind === 'pin') ? 'max' : 'min';
      const place = { x: middle(ground.box, 'x') - x, y: middle(ground.box, 'y') - y };
      const flush = ground.box[end].z - underside.box[end].z;
      const pinsAt = (z: number) => (hasPins ? sectionsAt(underside.mesh, -BELOW - z) : []);
      const own = end === 'max' ? restOf(underside.contacts, pinsAt(flush)) : null;
      const at = { ...place, z: own === null || ground.rest === null ? flush : ground.rest - own };
      const pins = pinsAt(at.z).map((pin) => turnContact(pin, quarter));
      const lying = underside.levels
        .map((seen): Lying => {
          const level = { ...turned(seen, quarter), pins };
          return lyingOf(level, pairing(level, ground.targets, reach)(at), at, ground, reach, shows);
        })
        .reduce<Lying | null>((best, one) => (best && best.cost <= one.cost ? best : one), null);
      if (!lying) return [];
      return [seatAt(view, quarter, at, search, standing(lying, underside, quarter, at, ground, inHole))];
    }),
  );
}
