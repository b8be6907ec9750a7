import Flatbush from 'flatbush';
import { sizeOf } from '../geometry/figure';
import { movedBy, oneEach, sectionsAt, undersides, type Contact } from '../body/contacts';
import { BELOW, restOf } from '../body/rest';
import { reachOf, type Ground, type Target } from '../body/ground';
import { fullTurn, isQuarter, type Point } from '../geometry/point';
import { facesOf, placeFace } from '../geometry/faces';
import { boxOfPositions, meshOfFaces, welded, type Box3 } from '../geometry/mesh';
import { stanceKey, type Part, type Shape } from '../geometry/solid';
import { centreOf } from '../geometry/box';
import type { Footprint } from './footprint';
import { firstLand } from './lands';

/**
 * What an imported model is to lie on: for each land and hole the place where the package's own
 * body touches it. Where that body has nothing there, the middle of the terminal stands in.
 */
export function groundOf({ lands, bores, body, courtyard, package: { polarity } }: Footprint): Ground {
  const { seating } = body.heights;
  const meant: Target[] = [
    ...lands.map(({ hole, contact: { nom }, at, end, rotation }, index): Target => {
      const size = { width: nom.maxX - nom.minX, height: nom.maxY - nom.minY };
      const area = size.width * size.height;
      return hole
        ? { kind: 'pin', index, outward: null, x: at.x, y: at.y, z: 0, ...size, area }
        : {
            kind: 'land',
            index,
            outward: end !== null && isQuarter(rotation) ? fullTurn(rotation) : null,
            x: nom.at.x,
            y: nom.at.y,
            z: seating,
            ...size,
            area,
          };
    }),
    ...bores.flatMap(({ at, diameter, isCut }, index): Target[] =>
      isCut
        ? []
        : [
            {
              kind: 'peg',
              index,
              outward: null,
              ...at,
              z: 0,
              width: diameter,
              height: diameter,
              area: (Math.PI / 4) * diameter ** 2,
            },
          ],
    ),
  ];
  const hasPins = meant.some(({ kind }) => kind !== 'land');
  const own = survey(body.assembly.shapes, body.assembly.parts, hasPins);
  const contacts = oneEach(own.contacts.filter(({ z }) => Math.abs(z - seating) < 0.05));
  const reach = reachOf(meant);
  const [nearestFoot, nearestPin] = [nearestOf(contacts), nearestOf(own.pins)];
  const targets = meant.map((target): Target => {
    const near =
      target.kind === 'land'
        ? nearestFoot(target, Math.max(reach, target.width / 2))
        : nearestPin(target, reach);
    return near ? { ...target, ...near, z: target.z } : target;
  });
  const through = targets.filter(({ kind }) => kind !== 'land');
  const first = firstLand(lands);
  return {
    targets,
    box: own.box,
    rest: restOf(own.contacts, through),
    courtyard: courtyard.box,
    holes: holesOf(lands, bores),
    first: first ? lands.indexOf(first) : null,
    polarity,
  };
}

/** A pin may miss the wall of its hole by this much and be meant for it, mm. */
const MISS = 0.2;

function holesOf(lands: Footprint['lands'], bores: Footprint['bores']): Ground['holes'] {
  return [
    ...lands.flatMap(({ hole }) => {
      if (!hole) return [];
      const { minX, maxX, minY, maxY } = hole;
      return [{ ...centreOf(hole), radius: Math.max(maxX - minX, maxY - minY) / 2 + MISS }];
    }),
    ...bores.map(({ at, hole }) => {
      const { width, height } = sizeOf(hole.figure);
      return { ...at, radius: Math.max(width, height) / 2 + MISS };
    }),
  ];
}

/** Finds the contact that is nearest to a point, as far as one lies within a distance. */
function nearestOf(contacts: readonly Contact[]): (point: Point, far: number) => Contact | null {
  if (contacts.length === 0) return () => null;
  const index = new Flatbush(contacts.length);
  for (const { x, y } of contacts) index.add(x, y, x, y);
  index.finish();
  return ({ x, y }, far) => {
    const [found] = index.neighbors(x, y, 1, far);
    return found === undefined ? null : (contacts[found] ?? null);
  };
}

/** Corners nearer than this are one, mm. */
const SAME = 1e-6;

interface Survey {
  readonly contacts: readonly Contact[];
  readonly pins: readonly Contact[];
  readonly box: Box3;
}

/** Contacts and sections of all parts; equal ones are looked at once. */
function survey(shapes: Readonly<Record<string, Shape>>, parts: readonly Part[], hasPins: boolean): Survey {
  const known = new Map<string, Survey>();
  const contacts: Contact[] = [];
  const pins: Contact[] = [];
  const min = { x: Infinity, y: Infinity, z: Infinity };
  const max = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const part of parts) {
    const { shape, at } = part;
    const key = `${stanceKey(part)} ${at.z}`;
    let seen = known.get(key);
    if (!seen) {
      const faces = facesOf(shapes[shape] as Shape).map((face) =>
        placeFace(face, { ...part, at: { x: 0, y: 0, z: at.z } }),
      );
      const { mesh } = welded([meshOfFaces(faces.map(({ corners }) => corners))], SAME);
      const box = boxOfPositions(mesh.positions);
      if (!box) continue;
      seen = { contacts: undersides(mesh), pins: hasPins ? sectionsAt(mesh, -BELOW) : [], box };
      known.set(key, seen);
    }
    const moved = (contact: Contact) => movedBy(contact, { ...at, z: 0 });
    contacts.push(...seen.contacts.map(moved));
    pins.push(...seen.pins.map(moved));
    for (const axis of ['x', 'y', 'z'] as const) {
      const shift = axis === 'z' ? 0 : at[axis];
      min[axis] = Math.min(min[axis], seen.box.min[axis] + shift);
      max[axis] = Math.max(max[axis], seen.box.max[axis] + shift);
    }
  }
  return { contacts, pins: oneEach(pins), box: { min, max } };
}
