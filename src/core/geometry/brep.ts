import type { Point3 } from './point';

/** A curve between two vertices: straight, or an arc counter-clockwise about an axis, less than a whole turn. */
export type Curve =
  | { readonly kind: 'line' }
  | { readonly kind: 'arc'; readonly centre: Point3; readonly axis: Point3; readonly radius: number };

/** What a face lies on. Its own normal points along the axis of a plane, away from the middle of the others. mm, radians. */
export type Surface =
  | { readonly kind: 'plane'; readonly at: Point3; readonly axis: Point3 }
  | { readonly kind: 'cylinder'; readonly at: Point3; readonly axis: Point3; readonly radius: number }
  | {
      readonly kind: 'cone';
      readonly at: Point3;
      readonly axis: Point3;
      /** At `at`, growing along the axis by the tangent of the angle. */
      readonly radius: number;
      readonly angle: number;
    }
  | { readonly kind: 'sphere'; readonly at: Point3; readonly axis: Point3; readonly radius: number }
  | {
      readonly kind: 'torus';
      readonly at: Point3;
      readonly axis: Point3;
      readonly major: number;
      readonly minor: number;
    };

/** Vertices by index; an edge runs from one to the other. */
export interface Edge {
  readonly from: number;
  readonly to: number;
  readonly curve: Curve;
}

/** One use of an edge by a face. */
export interface OrientedEdge {
  readonly edge: number;
  readonly reversed: boolean;
}

/** A bounded surface; loops run counter-clockwise seen from outside the solid, the outer one first. */
export interface BoundedFace {
  readonly surface: Surface;
  /** The solid's outside is not where the surface's own normal points. */
  readonly reversed: boolean;
  readonly loops: readonly (readonly OrientedEdge[])[];
}

/** A solid by its exact boundary; each edge is used once in each direction. */
export interface Brep {
  readonly vertices: readonly Point3[];
  readonly edges: readonly Edge[];
  readonly faces: readonly BoundedFace[];
}

/** A stretch of a loop as it is handed to a builder. */
export interface Step {
  readonly from: Point3;
  readonly to: Point3;
  readonly curve: Curve;
}

/** Points nearer than this are one vertex, mm. */
const SAME = 1e-7;
const LINE: Curve = { kind: 'line' };

/** Collects faces and finds the vertices and edges that they share. */
export class BrepBuilder {
  readonly #vertices: Point3[] = [];
  readonly #edges: Edge[] = [];
  readonly #faces: BoundedFace[] = [];
  readonly #vertexIndex = new Map<string, number>();
  readonly #edgesBetween = new Map<string, { readonly index: number; readonly middle: Point3 }[]>();

  /** Adds a face; stretches without length are left out, and so is a face that has no area left. */
  face(surface: Surface, loops: readonly (readonly Step[])[], reversed = false): void {
    const used = loops
      .map((loop) => loop.flatMap((step) => this.#edge(step) ?? []))
      .filter((loop) => loop.length > 1);
    const first = used[0];
    if (!first) return;
    const flat = first.every(({ edge }) => this.#edges[edge]?.curve.kind === 'line');
    if (flat && first.length < 3) return;
    this.#faces.push({ surface, reversed, loops: used });
  }

  /** Adds a flat face by its corners, counter-clockwise seen from outside. */
  polygon(corners: readonly Point3[]): void {
    const axis = normalOf(corners);
    if (axis) this.face({ kind: 'plane', at: corners[0] as Point3, axis }, [closed(corners)]);
  }

  build(): Brep {
    return { vertices: this.#vertices, edges: this.#edges, faces: this.#faces };
  }

  #vertex(p: Point3): number {
    // neighbours on the lattice count as the same, so that rounding does not part them
    const cell = [p.x, p.y, p.z].map((v) => Math.round(v / (16 * SAME)));
    const key = cell.join(' ');
    const known = this.#vertexIndex.get(key);
    if (known !== undefined) return known;
    for (let i = 0; i < 27; i += 1) {
      const near = [
        cell[0]! + (i % 3) - 1,
        cell[1]! + (Math.floor(i / 3) % 3) - 1,
        cell[2]! + Math.floor(i / 9) - 1,
      ];
      const index = this.#vertexIndex.get(near.join(' '));
      if (index !== undefined && apart(this.#vertices[index] as Point3, p) < 8 * SAME) return index;
    }
    this.#vertexIndex.set(key, this.#vertices.length);
    return this.#vertices.push(p) - 1;
  }

  #edge({ from, to, curve }: Step): OrientedEdge | null {
    const [a, b] = [this.#vertex(from), this.#vertex(to)];
    if (a === b) return null;
    const middle = middleOf({ from, to, curve });
    const key = `${Math.min(a, b)} ${Math.max(a, b)}`;
    const between = this.#edgesBetween.get(key) ?? [];
    // two arcs may join the same vertices: they are told apart by their middles
    const known = between.find((edge) => apart(edge.middle, middle) < 1e-5);
    if (known) return { edge: known.index, reversed: this.#edges[known.index]?.from !== a };
    const index = this.#edges.push({ from: a, to: b, curve }) - 1;
    this.#edgesBetween.set(key, [...between, { index, middle }]);
    return { edge: index, reversed: false };
  }
}

/** Straight stretches round a polygon. */
export function closed(corners: readonly Point3[]): Step[] {
  return corners.map((from, i) => straight(from, corners[(i + 1) % corners.length] as Point3));
}

export function straight(from: Point3, to: Point3): Step {
  return { from, to, curve: LINE };
}

/** The same stretch walked the other way. */
export function back({ from, to, curve }: Step): Step {
  return {
    from: to,
    to: from,
    curve: curve.kind === 'line' ? curve : { ...curve, axis: scaled(curve.axis, -1) },
  };
}

/** The point halfway along a stretch. */
export function middleOf({ from, to, curve }: Step): Point3 {
  const chord = scaled(plus(from, to), 0.5);
  if (curve.kind === 'line') return chord;
  // to the right of the chord seen along the axis; from the centre for half turns
  const side = cross(minus(to, from), curve.axis);
  const length = Math.hypot(side.x, side.y, side.z);
  return plus(curve.centre, scaled(side, curve.radius / length));
}

export function plus(a: Point3, b: Point3): Point3 {
  return { x: a.x + b.x, y: a.y + b.y, z: a.z + b.z };
}

export function minus(a: Point3, b: Point3): Point3 {
  return { x: a.x - b.x, y: a.y - b.y, z: a.z - b.z };
}

export function scaled(a: Point3, by: number): Point3 {
  return { x: a.x * by + 0, y: a.y * by + 0, z: a.z * by + 0 };
}

export function cross(a: Point3, b: Point3): Point3 {
  return { x: a.y * b.z - a.z * b.y, y: a.z * b.x - a.x * b.z, z: a.x * b.y - a.y * b.x };
}

export function dot(a: Point3, b: Point3): number {
  return a.x * b.x + a.y * b.y + a.z * b.z;
}

export function apart(a: Point3, b: Point3): number {
  return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
}

/** Unit normal of a polygon by Newell's sums; `null` where it has no area. */
export function normalOf(corners: readonly Point3[]): Point3 | null {
  let [x, y, z] = [0, 0, 0];
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length] as Point3;
    x += (a.y - b.y) * (a.z + b.z);
    y += (a.z - b.z) * (a.x + b.x);
    z += (a.x - b.x) * (a.y + b.y);
  });
  const length = Math.hypot(x, y, z);
  return length < 1e-14 ? null : { x: x / length, y: y / length, z: z / length };
}
