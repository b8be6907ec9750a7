import { boxOfPoints } from '../geometry/box';
import type { Mesh } from '../geometry/mesh';
import { sectionLoops } from '../geometry/mesh-section';
import type { Point, Point3 } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';

/** A place where a model touches what it stands on, or a pin's section; box sizes along x and y. mm. */
export interface Contact {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly width: number;
  readonly height: number;
  /** Of the flat, or of the section; 0 where a curved underside touches in a point or line. */
  readonly area: number;
}

/** Faces steeper than this are no underside: 0.8° off the horizontal. */
const FLAT = Math.cos((0.8 * Math.PI) / 180);
/** Heights nearer than this are one, mm. */
const LEVEL = 0.002;

/**
 * Everything that looks down: flats, and the lowest points and lines of what is curved, lowest first.
 * A flat is a connected region of facets; solids that touch have flats of their own.
 * @param mesh turned so that its underside is down, mm, vertices joined
 */
export function undersides(mesh: Mesh): Contact[] {
  return [...flats(mesh), ...lowPoints(mesh)].sort((a, b) => a.z - b.z);
}

function flats({ positions, indices }: Mesh): Contact[] {
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
  return [...sums.values()].map((sum) => sum.contact()).filter(({ area }) => area > 1e-6);
}

/** Points, and lines of equal height, with nothing lower beside them; of outer walls only. */
function lowPoints({ positions, indices }: Mesh): Contact[] {
  const count = positions.length / 3;
  const sets = new DisjointSets(count);
  const isLow = new Uint8Array(count);
  for (let i = 0; i < indices.length; i += 1) isLow[indices[i] as number] = 1;
  for (let i = 0; i < indices.length; i += 1) {
    const a = indices[i] as number;
    const b = indices[i % 3 === 2 ? i - 2 : i + 1] as number;
    const rise = (positions[3 * b + 2] as number) - (positions[3 * a + 2] as number);
    if (rise > LEVEL) isLow[b] = 0;
    else if (rise < -LEVEL) isLow[a] = 0;
    else sets.join(a, b);
  }
  // what has a flat underside is a flat already; what looks up is the floor of a hollow
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [indices[t] as number, indices[t + 1] as number, indices[t + 2] as number];
    if (!isLow[a] && !isLow[b] && !isLow[c]) continue;
    const up = steepness(positions, a, b, c);
    if (up <= -FLAT || up > 0.5) isLow[a] = isLow[b] = isLow[c] = 0;
  }
  // a plateau is as high as its lowest neighbour lets it be
  const out = new Uint8Array(count);
  for (let v = 0; v < count; v += 1) if (!isLow[v]) out[sets.rootOf(v)] = 1;
  const boxes = new Map<number, [number, number, number, number, number]>();
  for (let v = 0; v < count; v += 1) {
    const root = sets.rootOf(v);
    if (!isLow[v] || out[root]) continue;
    const [x, y, z] = [0, 1, 2].map((k) => positions[3 * v + k] as number) as [number, number, number];
    const box = boxes.get(root);
    if (!box) boxes.set(root, [x, x, y, y, z]);
    else {
      box[0] = Math.min(box[0], x);
      box[1] = Math.max(box[1], x);
      box[2] = Math.min(box[2], y);
      box[3] = Math.max(box[3], y);
      box[4] = Math.min(box[4], z);
    }
  }
  return [...boxes.values()].map(([x0, x1, y0, y1, low]) => ({
    x: (x0 + x1) / 2,
    y: (y0 + y1) / 2,
    z: low,
    width: x1 - x0,
    height: y1 - y0,
    area: 0,
  }));
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

/** The upward share of a triangle's normal: 1 looks up, −1 down. */
function steepness(p: Float64Array, a: number, b: number, c: number): number {
  const [ax, ay, az] = [p[3 * a] as number, p[3 * a + 1] as number, p[3 * a + 2] as number];
  const ux = (p[3 * b] as number) - ax;
  const uy = (p[3 * b + 1] as number) - ay;
  const uz = (p[3 * b + 2] as number) - az;
  const vx = (p[3 * c] as number) - ax;
  const vy = (p[3 * c + 1] as number) - ay;
  const vz = (p[3 * c + 2] as number) - az;
  const x = uy * vz - uz * vy;
  const y = uz * vx - ux * vz;
  const z = ux * vy - uy * vx;
  return z / Math.sqrt(x * x + y * y + z * z);
}

/** Area, middle and box of triangles. */
class Sum {
  #area = 0;
  #x = 0;
  #y = 0;
  #z = 0;
  #box: [number, number, number, number] = [Infinity, -Infinity, Infinity, -Infinity];

  add(p: Float64Array, a: number, b: number, c: number): void {
    const at = (v: number, k: number) => p[3 * v + k] as number;
    const twice =
      (at(b, 0) - at(a, 0)) * (at(c, 1) - at(a, 1)) - (at(b, 1) - at(a, 1)) * (at(c, 0) - at(a, 0));
    const area = Math.abs(twice) / 2;
    this.#area += area;
    this.#x += (area * (at(a, 0) + at(b, 0) + at(c, 0))) / 3;
    this.#y += (area * (at(a, 1) + at(b, 1) + at(c, 1))) / 3;
    this.#z += (area * (at(a, 2) + at(b, 2) + at(c, 2))) / 3;
    for (const v of [a, b, c]) {
      const [x, y] = [at(v, 0), at(v, 1)];
      const [x0, x1, y0, y1] = this.#box;
      this.#box = [Math.min(x0, x), Math.max(x1, x), Math.min(y0, y), Math.max(y1, y)];
    }
  }

  contact(): Contact {
    const area = this.#area || 1;
    const [x0, x1, y0, y1] = this.#box;
    return {
      x: this.#x / area,
      y: this.#y / area,
      z: this.#z / area,
      width: x1 - x0,
      height: y1 - y0,
      area: this.#area,
    };
  }
}

/** Union-find over numbers from 0. */
class DisjointSets {
  readonly #parent: Int32Array;

  constructor(count: number) {
    this.#parent = Int32Array.from({ length: count }, (_, i) => i);
  }

  rootOf(i: number): number {
    const parent = this.#parent;
    let at = i;
    while (parent[at] !== at) {
      // every other one on the way is hung higher
      parent[at] = parent[parent[at] as number] as number;
      at = parent[at] as number;
    }
    return at;
  }

  join(a: number, b: number): void {
    this.#parent[this.rootOf(a)] = this.rootOf(b);
  }
}
