import type { Mesh } from '../geometry/mesh';

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
export function sectionsAt({ positions, indices }: Mesh, level: number): Contact[] {
  // a height that no vertex has, so that every crossing is in the middle of an edge
  const height = level + 1.7e-7;
  const ends = new Map<string, number>();
  const segments: { from: number; ax: number; ay: number; bx: number; by: number }[] = [];
  const sets = new DisjointSets(0);
  const endOf = (a: number, b: number) => {
    const key = a < b ? `${a} ${b}` : `${b} ${a}`;
    let index = ends.get(key);
    if (index === undefined) {
      index = sets.grow();
      ends.set(key, index);
    }
    return index;
  };
  for (let t = 0; t < indices.length; t += 3) {
    const corner = [indices[t] as number, indices[t + 1] as number, indices[t + 2] as number] as const;
    const above = corner.map((v) => (positions[3 * v + 2] as number) > height) as [boolean, boolean, boolean];
    if (above[0] === above[1] && above[1] === above[2]) continue;
    const cut: { end: number; x: number; y: number; rising: boolean }[] = [];
    for (let k = 0; k < 3; k += 1) {
      const [a, b] = [corner[k] as number, corner[(k + 1) % 3] as number];
      if (above[k] === above[(k + 1) % 3]) continue;
      const [za, zb] = [positions[3 * a + 2] as number, positions[3 * b + 2] as number];
      const s = (height - za) / (zb - za);
      const mix = (i: 0 | 1) =>
        (positions[3 * a + i] as number) * (1 - s) + (positions[3 * b + i] as number) * s;
      cut.push({ end: endOf(a, b), x: mix(0), y: mix(1), rising: zb > za });
    }
    // seen from outside the triangle runs counter-clockwise: from its falling to its rising edge, material is left
    const [from, to] = cut[0]?.rising ? [cut[1], cut[0]] : [cut[0], cut[1]];
    if (!from || !to) continue;
    sets.join(from.end, to.end);
    segments.push({ from: from.end, ax: from.x, ay: from.y, bx: to.x, by: to.y });
  }
  const loops = new Map<
    number,
    { area: number; x: number; y: number; box: [number, number, number, number] }
  >();
  for (const { from, ax, ay, bx, by } of segments) {
    const root = sets.rootOf(from);
    let sum = loops.get(root);
    if (!sum)
      loops.set(root, (sum = { area: 0, x: 0, y: 0, box: [Infinity, -Infinity, Infinity, -Infinity] }));
    const twice = ax * by - bx * ay;
    sum.area += twice / 2;
    sum.x += (twice * (ax + bx)) / 6;
    sum.y += (twice * (ay + by)) / 6;
    sum.box = [
      Math.min(sum.box[0], ax),
      Math.max(sum.box[1], ax),
      Math.min(sum.box[2], ay),
      Math.max(sum.box[3], ay),
    ];
  }
  const found = [...loops.values()].flatMap(({ area, x, y, box }): Contact[] =>
    // walls of hollows run the other way
    area > 1e-6
      ? [{ x: x / area, y: y / area, z: level, width: box[1] - box[0], height: box[3] - box[2], area }]
      : [],
  );
  return oneEach(found);
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
  #parent: Int32Array;
  #size: number;

  constructor(count: number) {
    this.#size = count;
    this.#parent = Int32Array.from({ length: Math.max(64, count) }, (_, i) => i);
  }

  grow(): number {
    if (this.#size === this.#parent.length) {
      const larger = Int32Array.from({ length: 2 * this.#size }, (_, i) => i);
      larger.set(this.#parent);
      this.#parent = larger;
    }
    this.#size += 1;
    return this.#size - 1;
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
