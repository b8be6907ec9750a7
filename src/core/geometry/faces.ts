import { flatten } from './contour';
import { turn, type Point, type Point3, type Quarter } from './point';
import type { Shape } from './solid';

/** One flat side of a solid: corners counter-clockwise seen from outside. */
export interface Face {
  readonly corners: readonly Point3[];
  /** For each edge, whether a draughtsman draws it: false between chords of one arc. */
  readonly sharp: readonly boolean[];
}

/** The flat faces of a shape; arcs become chords. */
export function facesOf(shape: Shape): Face[] {
  return shape.kind === 'extrusion' ? extrusionFaces(shape) : loftFaces(shape);
}

/** A face turned about Z by quarter turns and moved. */
export function placeFace(face: Face, rotation: Quarter, at: Point3): Face {
  const corners = face.corners.map((p) => {
    const { x, y } = turn(p, rotation);
    return { x: x + at.x, y: y + at.y, z: p.z + at.z };
  });
  return { corners, sharp: face.sharp };
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
function isCorner(outline: readonly Point[], i: number, p: Point): boolean {
  const before = outline.at(i - 1) as Point;
  const after = outline[(i + 1) % outline.length] as Point;
  const [ax, ay, bx, by] = [p.x - before.x, p.y - before.y, after.x - p.x, after.y - p.y];
  return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) > 0.35;
}

function loftFaces({ sections }: Extract<Shape, { kind: 'loft' }>): Face[] {
  const faces: Face[] = [];
  const lift = (section: (typeof sections)[number]): Point3[] =>
    section.corners.map(({ x, y }) => ({ x, y, z: section.z }));
  const bottom = lift(sections[0] as (typeof sections)[number]);
  const top = lift(sections.at(-1) as (typeof sections)[number]);
  faces.push({ corners: bottom.reverse(), sharp: bottom.map(() => true) });
  faces.push({ corners: top, sharp: top.map(() => true) });
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
