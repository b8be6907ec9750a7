import { boxOfPositions, type Box3, type Mesh } from '../geometry/mesh';
import type { Point3 } from '../geometry/point';
import { oneEach, sectionsAt, undersides, type Contact } from './contacts';
import { turnPositions } from './pose';

/** A model that is ready to be turned: its vertices joined. */
export interface Subject {
  readonly mesh: Mesh;
  readonly box: Box3;
}

/** Contacts this much above the lowest still belong to one seating plane, mm. */
const BAND = 0.25;
/** Sections of pins are taken this far below a level, mm. */
export const BELOW = 0.1;
/** Levels of one underside that are tried. */
const MOST_LEVELS = 16;

/** What lies at one level of an underside: flats about its height, and what goes on below. */
export interface LevelContacts {
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
