import type { Box3 } from '../geometry/mesh';
import { turn as turnPoint, type Point3 } from '../geometry/point';
import { movedBy, sectionsAt, type Contact } from './contacts';
import { pairing, reachOf, type Pair, type Target } from './pairing';
import type { Pose } from './pose';
import { BELOW, type LevelContacts, type Underside } from './underside';

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

/** Heights nearer than this are one seating plane, mm. */
const FLUSH = 0.015;

/**
 * Judges a place. What is missing weighs most, then distances, sizes of contacts and how far the
 * box is from that of the package's own body: it tells turns apart that the contacts do not.
 */
export function fitOf(
  level: LevelContacts,
  pairs: readonly Pair[],
  at: Point3,
  { targets, box: own }: Ground,
  box: Box3 | null,
  reach: number,
): Fit {
  const matches = pairs.map(({ target, contact }): Match => {
    const { x, y, z, kind } = targets[target] as Target;
    const placed = movedBy(contact, at);
    return {
      target,
      contact: placed,
      off: { x: placed.x - x, y: placed.y - y, z: kind === 'land' ? placed.z - z : 0 },
    };
  });
  const used = new Set(pairs.map(({ contact }) => contact));
  const hasLands = targets.some(({ kind }) => kind === 'land');
  const extra = [
    ...(hasLands ? level.lands.filter((contact) => !used.has(contact) && contact.z < level.z + FLUSH) : []),
    ...level.pins.filter((contact) => !used.has(contact)),
  ]
    .map((contact) => movedBy(contact, at))
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

export function placedBox({ min, max }: Box3, quarter: number, at: Point3): Box3 {
  const [a, b] = [turnPoint(min, quarter), turnPoint(max, quarter)];
  return {
    min: { x: Math.min(a.x, b.x) + at.x, y: Math.min(a.y, b.y) + at.y, z: min.z + at.z },
    max: { x: Math.max(a.x, b.x) + at.x, y: Math.max(a.y, b.y) + at.y, z: max.z + at.z },
  };
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
