import { flatten, flattenOpen, rounded } from './contour';
import type { Point, Point3 } from './point';
import { standing, type Assembly, type Bored, type Shape, type Stand } from './solid';

/** One flat side of a solid: corners counter-clockwise seen from outside. */
export interface Face {
  readonly corners: readonly Point3[];
  /** For each edge, whether a draughtsman draws it: false between chords of one arc. */
  readonly sharp: readonly boolean[];
}

/** The flat faces of a shape; arcs become chords. @param round facets round the axis of a revolution */
export function facesOf(shape: Shape, round = ROUND): Face[] {
  switch (shape.kind) {
    case 'extrusion':
      return extrusionFaces(shape);
    case 'loft':
      return loftFaces(shape);
    case 'wire':
      return wireFaces(shape);
    case 'revolution':
      return revolutionFaces(shape, round);
  }
}

/** Lowest height of some parts of an assembly, mm; infinite for none. */
export function lowestOf({ shapes, parts }: Assembly): number {
  const ends = new Map<string, readonly [number, number]>();
  for (const [name, shape] of Object.entries(shapes)) {
    const heights = facesOf(shape).flatMap(({ corners }) => corners.map(({ z }) => z));
    ends.set(name, [Math.min(...heights), Math.max(...heights)]);
  }
  return Math.min(
    ...parts.map(({ shape, at, flipped }) => {
      const [low, high] = ends.get(shape) ?? [0, 0];
      return at.z + (flipped ? -high : low);
    }),
  );
}

/** A face of a shape where its part stands. */
export function placeFace({ corners, sharp }: Face, part: Stand): Face {
  return { corners: corners.map((p) => standing(part, p)), sharp };
}

function extrusionFaces({ contour, depth }: Extract<Shape, { kind: 'extrusion' }>): Face[] {
  const outline = flatten(contour);
  const y = depth / 2;
  const front = outline.map((p): Point3 => ({ x: p.x, y: -y, z: p.y }));
  const back = outline.map((p): Point3 => ({ x: p.x, y, z: p.y }));
  const corner = outline.map((p, i) => isCorner(outline, i, p));
  const all = outline.map(() => true);
  const sides = outline.map((_, i): Face => {
    const j = (i + 1) % outline.length;
    return {
      corners: [front[i] as Point3, back[i] as Point3, back[j] as Point3, front[j] as Point3],
      sharp: [corner[i] as boolean, true, corner[j] as boolean, true],
    };
  });
  // seen along +Y the XZ plane shows X right and Z up: the contour faces −Y
  return [{ corners: front, sharp: all }, { corners: [...back].reverse(), sharp: all }, ...sides];
}

/** Whether the outline turns by more than a chord of an arc would (20°). */
export function isCorner(outline: readonly Point[], i: number, p: Point): boolean {
  const before = outline.at(i - 1) as Point;
  const after = outline[(i + 1) % outline.length] as Point;
  const [ax, ay, bx, by] = [p.x - before.x, p.y - before.y, after.x - p.x, after.y - p.y];
  return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) > 0.35;
}

function loftFaces({ sections, bore }: Extract<Shape, { kind: 'loft' }>): Face[] {
  const faces: Face[] = [];
  const lift = (section: (typeof sections)[number]): Point3[] =>
    section.corners.map(({ x, y }) => ({ x, y, z: section.z }));
  const bottom = lift(sections[0] as (typeof sections)[number]);
  const top = lift(sections.at(-1) as (typeof sections)[number]);
  if (bore) {
    const [low, high] = [bottom, top].map((end) => circleAt(bore, (end[0] as Point3).z)) as [
      Point3[],
      Point3[],
    ];
    faces.push(turnedOver(keyholed(bottom, low)), keyholed(top, high), ...tube([high, low], () => true));
  } else {
    faces.push(turnedOver(cap(bottom)), cap(top));
  }
  for (let k = 1; k < sections.length; k += 1) {
    const low = lift(sections[k - 1] as (typeof sections)[number]);
    const high = lift(sections[k] as (typeof sections)[number]);
    const corner = low.map((p, i) => isCorner(low, i, p));
    low.forEach((a, i) => {
      const j = (i + 1) % low.length;
      const corners = [a, low[j] as Point3, high[j] as Point3, high[i] as Point3];
      faces.push({ corners, sharp: [true, corner[j] as boolean, true, corner[i] as boolean] });
    });
  }
  return faces;
}

/** A face seen from its other side. */
function turnedOver({ corners, sharp }: Face): Face {
  const [last, ...others] = [...sharp].reverse();
  return { corners: [...corners].reverse(), sharp: [...others, last as boolean] };
}

/** The polygon that stands for a hole; no corner or middle of it lies square to its centre. */
function circleAt({ at, diameter }: Bored, z: number): Point3[] {
  return Array.from({ length: ROUND }, (_, k) => {
    const angle = (2 * Math.PI * (k + 0.3)) / ROUND;
    return { x: at.x + (diameter / 2) * Math.cos(angle), y: at.y + (diameter / 2) * Math.sin(angle), z };
  });
}

/** A flat face with a hole in it, as one polygon: its outline, a slit of no width, and the hole's the other way round. */
function keyholed(outline: readonly Point3[], hole: readonly Point3[]): Face {
  const far = (a: Point3, b: Point3) => Math.hypot(a.x - b.x, a.y - b.y);
  const [start] = hole as [Point3];
  const k = outline.reduce(
    (best, p, i) => (far(p, start) < far(outline[best] as Point3, start) ? i : best),
    0,
  );
  const round = [...outline.slice(k), ...outline.slice(0, k + 1)];
  const inner = [start, ...hole.slice(1).reverse(), start];
  return {
    corners: [...round, ...inner],
    sharp: [...outline.map(() => true), false, ...hole.map(() => true), false],
  };
}

/** Corners of the polygon that stands for a circle. */
const ROUND = 24;

/** A tube between rings of points; rings are counter-clockwise seen from the far end. */
function tube(rings: readonly (readonly Point3[])[], sharpRing: (ring: number) => boolean): Face[] {
  return rings.slice(1).flatMap((high, k) => {
    const low = rings[k] as readonly Point3[];
    return low.map((a, i): Face => {
      const j = (i + 1) % low.length;
      const corners = [a, low[j] as Point3, high[j] as Point3, high[i] as Point3];
      return { corners, sharp: [sharpRing(k), false, sharpRing(k + 1), false] };
    });
  });
}

function cap(ring: readonly Point3[]): Face {
  return { corners: ring, sharp: ring.map(() => true) };
}

function wireFaces({ line, diameter, bend }: Extract<Shape, { kind: 'wire' }>): Face[] {
  const centre = flattenOpen(rounded(line, bend));
  const r = diameter / 2;
  const directions = centre.slice(1).map((b, i) => {
    const a = centre[i] as Point;
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  });
  const rings = centre.map((at, i): Point3[] => {
    const a = directions[Math.max(0, i - 1)] as Point;
    const b = directions[Math.min(i, directions.length - 1)] as Point;
    const length = Math.hypot(a.x + b.x, a.y + b.y) || 1;
    const along = { x: (a.x + b.x) / length, y: (a.y + b.y) / length };
    // the ring's axes: Y of the shape, and the normal of the line in the XZ plane
    return Array.from({ length: ROUND }, (_, k) => {
      const angle = (2 * Math.PI * k) / ROUND;
      const [u, v] = [r * Math.cos(angle), r * Math.sin(angle)];
      return { x: at.x + along.y * u, y: v, z: at.y - along.x * u };
    });
  });
  const last = rings.length - 1;
  return [
    cap([...(rings[0] as Point3[])].reverse()),
    ...tube(rings, (ring) => ring === 0 || ring === last),
    cap(rings[last] as Point3[]),
  ];
}

function revolutionFaces({ profile }: Extract<Shape, { kind: 'revolution' }>, round: number): Face[] {
  const line = flattenOpen(profile, 0.01);
  const ringAt = ({ x: r, y: z }: Point): Point3[] =>
    Array.from({ length: round }, (_, k) => {
      const angle = (2 * Math.PI * k) / round;
      return { x: r * Math.cos(angle), y: r * Math.sin(angle), z };
    });
  const sharp = line.map((p, i) => i > 0 && i < line.length - 1 && isCorner(line, i, p));
  return line.slice(1).flatMap((high, k): Face[] => {
    const low = line[k] as Point;
    if (low.x < 1e-9 && high.x < 1e-9) return [];
    // a ring on the axis is a point: the flat face or cone closes there
    if (low.x < 1e-9 && high.y === low.y) return [cap(ringAt(high).reverse())];
    if (high.x < 1e-9 && high.y === low.y) return [cap(ringAt(low))];
    const faces = tube([ringAt(low), ringAt(high)], (ring) => sharp[k + ring] ?? false);
    if (low.x < 1e-9)
      return faces.map(({ corners: [a, , c, d], sharp: [, s1, s2, s3] }) =>
        triangle([a, c, d], [s1, s2, s3]),
      );
    if (high.x < 1e-9)
      return faces.map(({ corners: [a, b, c], sharp: [s0, s1, , s3] }) => triangle([a, b, c], [s0, s1, s3]));
    return faces;
  });
}

function triangle(corners: readonly (Point3 | undefined)[], sharp: readonly (boolean | undefined)[]): Face {
  return { corners: corners as Point3[], sharp: sharp as boolean[] };
}
