import { boxOfPoints } from '../geometry/box';
import { DisjointSets } from '../geometry/disjoint-sets';
import type { Mesh } from '../geometry/mesh';
import { sectionLoops } from '../geometry/mesh-section';
import type { Point, Point3 } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';
import { FLAT, LEVEL, steepness, Sum } from './facets';
import { lowPoints } from './feet';

/** A place where a model touches what it stands on, or a pin's section; box sizes along x and y. mm. */
export interface Contact {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly width: number;
  readonly height: number;
  /** Of the flat, or of the section; 0 where a sole that rises or is round touches in a point or line. */
  readonly area: number;
}

/**
 * Everything that looks down: flats, and the lowest points and lines of what is curved, lowest first.
 * A flat is a connected region of facets; solids that touch have flats of their own.
 * @param mesh turned so that its underside is down, mm, vertices joined
 */
export function undersides(mesh: Mesh): Contact[] {
  const flats = flatRegions(mesh).map(({ contact }) => contact);
  return [...flats, ...lowPoints(mesh)].sort((a, b) => a.z - b.z);
}

/** A connected flat region that looks down: as a contact about the middle of its box, and its centroid. */
export interface Region {
  readonly contact: Contact;
  readonly centroid: Point;
}

/** All flat regions that look down. @param mesh as {@link undersides} */
export function flatRegions({ positions, indices }: Mesh): Region[] {
  const sets = new DisjointSets(positions.length / 3);
  const down: number[] = [];
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [indices[t] as number, indices[t + 1] as number, indices[t + 2] as number];
    if (steepness(positions, a, b, c) > -FLAT) continue;
    down.push(t);
    sets.join(a, b);
    sets.join(b, c);
  }
  const sums = new Map<number, Sum>();
  for (const t of down) {
    const root = sets.rootOf(indices[t] as number);
    let sum = sums.get(root);
    if (!sum) sums.set(root, (sum = new Sum()));
    sum.add(positions, indices[t] as number, indices[t + 1] as number, indices[t + 2] as number);
  }
  return [...sums.values()]
    .map((sum): Region => ({ contact: sum.contact(), centroid: sum.centroid() }))
    .filter(({ contact }) => contact.area > 1e-6);
}

/**
 * The closed regions that a level plane cuts out of solids, such as pins and pegs on their way
 * through the board. Regions of one place are one.
 * @param level height of the plane, mm
 */
export function sectionsAt(mesh: Mesh, level: number): Contact[] {
  return oneEach(
    sectionLoops(mesh, 'z', level).flatMap((loop): Contact[] => {
      const { area, x, y } = centroidOf(loop);
      const box = boxOfPoints(loop);
      // walls of hollows run the other way
      if (!box || area < 1e-6) return [];
      return [{ x, y, z: level, width: box.maxX - box.minX, height: box.maxY - box.minY, area }];
    }),
  );
}

/** Area of a polygon, positive counter-clockwise, and its centroid. */
function centroidOf(loop: Polygon): Point & { readonly area: number } {
  const [first] = loop as [Point];
  let [area, x, y] = [0, 0, 0];
  loop.forEach((a, i) => {
    const b = loop[(i + 1) % loop.length] as Point;
    // about the first corner, so that far from the origin nothing is lost
    const [ax, ay, bx, by] = [a.x - first.x, a.y - first.y, b.x - first.x, b.y - first.y];
    const twice = ax * by - bx * ay;
    area += twice / 2;
    x += (twice * (ax + bx)) / 6;
    y += (twice * (ay + by)) / 6;
  });
  return { area, x: first.x + x / (area || 1), y: first.y + y / (area || 1) };
}

/** Of contacts that share their middle the lowest, and of those the largest, as where a pin stands in a sleeve. */
export function oneEach(contacts: readonly Contact[]): Contact[] {
  const kept = new Map<string, Contact[]>();
  const cell = (v: number) => Math.round(v / SAME_PLACE);
  const first = [...contacts].sort((a, b) => (Math.abs(a.z - b.z) > LEVEL ? a.z - b.z : b.area - a.area));
  return first.filter((contact) => {
    const [i, j] = [cell(contact.x), cell(contact.y)];
    for (let k = 0; k < 9; k += 1) {
      const near = kept.get(`${i - 1 + (k % 3)} ${j - 1 + Math.floor(k / 3)}`) ?? [];
      if (near.some(({ x, y }) => Math.hypot(x - contact.x, y - contact.y) < SAME_PLACE)) return false;
    }
    kept.set(`${i} ${j}`, [...(kept.get(`${i} ${j}`) ?? []), contact]);
    return true;
  });
}

/** A contact of a model that was moved. */
export function movedBy(contact: Contact, { x, y, z }: Point3): Contact {
  return { ...contact, x: contact.x + x, y: contact.y + y, z: contact.z + z };
}

/** Middles nearer than this are one place, mm. */
const SAME_PLACE = 0.02;
