import type { Point, Point3 } from '../geometry/point';
import { movedBy, sectionsAt, type Contact } from './contacts';
import { reachOf, type Ground, type Target } from './ground';
import { isMirrored } from './mirrored';
import { offsOf, pairing, showsTerminals, terminalShare, type Pair } from './pairing';
import type { Pose } from './pose';
import { boxOff, holesOf, outOfCourtyard, placedBox, sunkShare, type InHole } from './stance';
import { BELOW } from './rest';
import type { LevelContacts, Underside } from './underside';

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
  /** Targets under one plane of the underside: whether their terminals are there cannot be seen. */
  readonly unseen: readonly number[];
  /** Contacts at the seating plane, or through the board, that belong to nothing. */
  readonly extra: readonly Contact[];
  /** Whether the contacts would fit if they were mirrored, and do not as they are. */
  readonly mirrored: boolean;
  /** Root of the mean squared distance in the plane, and the largest, mm. */
  readonly rms: number;
  readonly worst: number;
  /** Share of its surface that stands in the board beside the holes. */
  readonly sunk: number;
  /** Lower is better; for comparing poses of one model. */
  readonly cost: number;
}

/** A pose, and how a model fits in it. */
export interface Seat {
  readonly pose: Pose;
  readonly fit: Fit;
}

/** Heights nearer than this are one seating plane, mm. */
const FLUSH = 0.015;
/** What each fault weighs. A model in the board is worse than one that meets nothing. */
const WEIGHT = {
  missing: 6,
  unseen: 2,
  bare: 3,
  peg: 1.5,
  extra: 1,
  size: 0.4,
  box: 1,
  courtyard: 4,
  sunk: 10,
};

/** Where one level of a model lies, as far as its contacts tell. */
export type Lying = Omit<Fit, 'sunk' | 'mirrored'>;

/**
 * Judges a place by the contacts alone. What is missing weighs most, then distances and sizes.
 * @param shows whether the model has contacts on some side: then a plane hides none
 */
export function lyingOf(
  level: LevelContacts,
  pairs: readonly Pair[],
  at: Point3,
  { targets }: Ground,
  reach: number,
  shows: boolean,
): Lying {
  const offs = offsOf(pairs, targets, at);
  const matches = pairs.map(({ target, contact }, i): Match => {
    const { kind, z } = targets[target] as Target;
    const placed = movedBy(contact, at);
    return {
      target,
      contact: placed,
      off: { ...(offs[i] as Point), z: kind === 'land' ? placed.z - z : 0 },
    };
  });
  const met = new Set(pairs.map(({ target }) => target));
  const open = targets.flatMap(({ kind }, i) => (met.has(i) || kind === 'peg' ? [] : [i]));
  const { extra, hidden } = beside(level, pairs, at, targets, open);
  const unseen = shows ? [] : hidden;
  const missing = open.filter((i) => !unseen.includes(i));
  const pegs = targets.filter(({ kind }, i) => kind === 'peg' && !met.has(i)).length;
  const firm = matches.filter(({ target }) => targets[target]?.kind !== 'peg');
  const away = (firm.length > 0 ? firm : matches).map(({ off }) => Math.hypot(off.x, off.y));
  const rms = Math.sqrt(away.reduce((sum, d) => sum + d * d, 0) / Math.max(1, away.length));
  const worst = away.reduce((a, b) => Math.max(a, b), 0);
  const sizes = matches.reduce((sum, { target, contact }) => {
    const { width, height, area } = targets[target] as Target;
    // how large a foot is that is round, or rises, depends on its facets
    if (area === 0 || contact.area === 0) return sum;
    const most = Math.max(width, height, contact.width, contact.height, 1e-6);
    return sum + (Math.abs(width - contact.width) + Math.abs(height - contact.height)) / most;
  }, 0);
  const floating = matches.reduce((sum, { off }) => sum + Math.abs(off.z), 0);
  const all = targets.length;
  const cost =
    (WEIGHT.missing * missing.length +
      WEIGHT.unseen * unseen.length +
      WEIGHT.peg * pegs +
      WEIGHT.extra * Math.min(all, extra.length)) /
      all +
    rms / reach +
    (shows ? WEIGHT.bare * (1 - terminalShare(level, targets)) : 0) +
    (WEIGHT.size * sizes + floating) / Math.max(1, matches.length);
  return { matches, missing, unseen, extra, rms, worst, cost };
}

/** A plane under this share of the open targets, and two at least, hides whether their terminals are there. */
const HIDES = 0.6;
/** What takes up this share of the model from above is its body, and no contact. */
const BODY = 0.3;

/** Contacts that belong to nothing, and open targets that lie under one plane. */
function beside(
  level: LevelContacts,
  pairs: readonly Pair[],
  at: Point3,
  targets: readonly Target[],
  open: readonly number[],
) {
  const used = new Set(pairs.map(({ contact }) => contact));
  const hasLands = targets.some(({ kind }) => kind === 'land');
  const low = hasLands ? level.lands.filter((contact) => contact.z < level.z + FLUSH) : [];
  const free = low.filter((contact) => !used.has(contact)).map((contact) => movedBy(contact, at));
  const covers = free
    .map((contact) => open.filter((i) => isUnder(targets[i] as Target, contact)))
    .filter((covered) => covered.length >= Math.max(2, HIDES * open.length));
  const isBody = ({ width, height }: Contact) => width * height > BODY * level.plan.width * level.plan.height;
  const through = level.pins.filter((contact) => !used.has(contact)).map((contact) => movedBy(contact, at));
  return {
    hidden: covers[0] ?? [],
    extra: [...free.filter((contact) => !isBody(contact)), ...through].filter(
      (contact) => !targets.some((target) => isPartOf(contact, target)),
    ),
  };
}

/** Whether the middle of a land lies under a plane at its height. */
function isUnder({ kind, x, y, z }: Target, plane: Contact): boolean {
  return (
    kind === 'land' &&
    Math.abs(plane.z - z) < 0.1 &&
    Math.abs(x - plane.x) < plane.width / 2 &&
    Math.abs(y - plane.y) < plane.height / 2
  );
}

/** Whether a contact is a piece of a terminal, such as the flank of a no-lead's. */
function isPartOf(contact: Contact, target: Target): boolean {
  return (
    Math.abs(contact.x - target.x) < target.width / 2 + 0.1 &&
    Math.abs(contact.y - target.y) < target.height / 2 + 0.1 &&
    contact.area < target.area
  );
}

/** Adds what the board, the courtyard and the drawing say of a place to what its contacts do. */
export function standing(
  lying: Lying,
  underside: Underside,
  quarter: number,
  at: Point3,
  ground: Ground,
  inHole: InHole,
): Omit<Fit, 'mirrored'> {
  const sunk = sunkShare(underside, quarter, at, inHole);
  const box = placedBox(underside.box, quarter, at);
  const onPins = ground.targets.some(({ kind }) => kind === 'pin');
  const cost =
    lying.cost +
    WEIGHT.sunk * Math.min(1, 2 * sunk) +
    WEIGHT.box * boxOff(box, ground.box, onPins) +
    WEIGHT.courtyard * outOfCourtyard(box, ground.courtyard);
  return { ...lying, sunk, cost };
}

/** How a model in a given pose lies on its targets, wherever it was put; `null` where it has no underside. */
export function inspect(underside: Underside, { at }: Pick<Pose, 'at'>, ground: Ground): Fit | null {
  const reach = reachOf(ground.targets);
  const hasPins = ground.targets.some(({ kind }) => kind !== 'land');
  const pins = hasPins ? sectionsAt(underside.mesh, -BELOW - at.z) : [];
  const inHole = holesOf(ground);
  const levels = underside.levels.map((level): LevelContacts => ({ ...level, pins }));
  const shows = showsTerminals(levels, ground.targets);
  const found = levels.map((here) => ({
    here,
    lying: lyingOf(here, pairing(here, ground.targets, reach)(at), at, ground, reach, shows),
  }));
  const [first, ...others] = found;
  if (!first) return null;
  const { here, lying } = others.reduce((a, b) => (b.lying.cost < a.lying.cost ? b : a), first);
  const whole = lying.missing.length === 0 && lying.extra.length === 0;
  return {
    ...standing(lying, underside, 0, at, ground, inHole),
    mirrored: !whole && isMirrored(here, ground.targets, reach),
  };
}
