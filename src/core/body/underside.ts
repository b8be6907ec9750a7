import { boxOfPositions, type Box3, type Mesh } from '../geometry/mesh';
import type { Point3 } from '../geometry/point';
import { oneEach, sectionsAt, undersides, type Contact } from './contacts';
import { patchesOf, type Patches } from './patches';
import { turnPositions } from './pose';
import { BELOW } from './rest';
import type { Subject } from './subject';

/** Contacts this much above the lowest still belong to one seating plane, mm. */
const BAND = 0.25;
/** Levels of one underside that are tried. */
const MOST_LEVELS = 16;

/** What lies at one level of an underside: flats about its height, and what goes on below. */
export interface LevelContacts {
  readonly z: number;
  readonly lands: readonly Contact[];
  readonly pins: readonly Contact[];
  /** Size of the whole model from above. */
  readonly plan: { readonly width: number; readonly height: number };
}

/** One face of a model down: everything that may touch, by level. */
export interface Underside {
  readonly turn: Point3;
  readonly mesh: Mesh;
  readonly box: Box3;
  readonly contacts: readonly Contact[];
  readonly levels: readonly LevelContacts[];
  /** Its surface in pieces: their middles as x, y, z, and the share of each of all of it. */
  readonly surface: Patches;
}

/** Finds what a model may touch with one of its faces down. */
export function lookUnder(
  { mesh }: Pick<Subject, 'mesh'>,
  turn: Point3,
  scale: number,
  hasPins: boolean,
): Underside {
  const positions = turnPositions(mesh.positions, turn, scale);
  const turned: Mesh = { positions, indices: mesh.indices };
  const found = undersides(turned);
  const box = boxOfPositions(positions) as Box3;
  const plan = { width: box.max.x - box.min.x, height: box.max.y - box.min.y };
  const levels = levelsOf(found).map((z): LevelContacts => ({
    z,
    lands: landsAt(found, z, plan),
    pins: hasPins ? sectionsAt(turned, z - BELOW) : [],
    plan,
  }));
  const { middles, shares } = patchesOf(mesh);
  const surface = { middles: turnPositions(middles, turn, scale), shares };
  return { turn, mesh: turned, box, contacts: found, levels, surface };
}

/** What may touch at a level, each place once; the whole outline hides nothing that lies in its middle. */
function landsAt(found: readonly Contact[], z: number, plan: LevelContacts['plan']): Contact[] {
  const here = found.filter((contact) => contact.z >= z - 0.02 && contact.z <= z + BAND);
  const isWhole = ({ width, height }: Contact) => width > 0.95 * plan.width && height > 0.95 * plan.height;
  return [...oneEach(here.filter((contact) => !isWhole(contact))), ...here.filter(isWhole)];
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
