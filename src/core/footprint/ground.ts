import Flatbush from 'flatbush';
import { movedBy, oneEach, sectionsAt, undersides, type Contact } from '../body/contacts';
import { BELOW, restOf } from '../body/underside';
import { reachOf, type Target } from '../body/pairing';
import type { Ground } from '../body/fit';
import { subjectOf } from '../body/subject';
import type { Point } from '../geometry/point';
import { facesOf, placeFace } from '../geometry/faces';
import { meshOfFaces, type Box3 } from '../geometry/mesh';
import { stanceKey, type Part, type Shape } from '../geometry/solid';
import type { Footprint } from './footprint';

/**
 * What an imported model is to lie on: for each land and hole the place where the package's own
 * body touches it. Where that body has nothing there, the middle of the terminal stands in.
 */
export function groundOf({ lands, bores, body }: Footprint): Ground {
  const { seating } = body.heights;
  const meant: Target[] = [
    ...lands.map(({ hole, contact: { nom }, at }, index): Target => {
      const size = { width: nom.maxX - nom.minX, height: nom.maxY - nom.minY };
      const area = size.width * size.height;
      return hole
        ? { kind: 'pin', index, x: at.x, y: at.y, z: 0, ...size, area }
        : { kind: 'land', index, x: nom.at.x, y: nom.at.y, z: seating, ...size, area };
    }),
    ...bores.map(({ at, diameter }, index): Target => ({
      kind: 'peg',
      index,
      ...at,
      z: 0,
      width: diameter,
      height: diameter,
      area: (Math.PI / 4) * diameter ** 2,
    })),
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
  return { targets, box: own.box, rest: restOf(own.contacts, through) };
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
      const subject = subjectOf([meshOfFaces(faces.map(({ corners }) => corners))]);
      if (!subject) continue;
      seen = {
        contacts: undersides(subject.mesh),
        pins: hasPins ? sectionsAt(subject.mesh, -BELOW) : [],
        box: subject.box,
      };
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
