import {
  BufferGeometry,
  ExtrudeGeometry,
  Float32BufferAttribute,
  Path,
  Shape as FlatShape,
  ShapeUtils,
  Vector2,
  Vector3,
} from 'three';
import type { Footprint } from '../../core/footprint/footprint';
import { cornersOf } from '../../core/geometry/box';
import { flatten, type Contour } from '../../core/geometry/contour';
import { circleAt, contourOf, outlineOf, type Figure } from '../../core/geometry/figure';
import { facesOf } from '../../core/geometry/faces';
import type { Point, Point3 } from '../../core/geometry/point';
import type { Shape } from '../../core/geometry/solid';

/** A shape's flat faces as triangles with the faces' normals. mm. */
export function meshOf(shape: Shape): BufferGeometry {
  const positions: number[] = [];
  const normals: number[] = [];
  for (const { corners } of facesOf(shape)) {
    const normal = normalOf(corners);
    for (const triangle of triangles(corners, normal)) {
      for (const { x, y, z } of triangle) {
        positions.push(x, y, z);
        normals.push(normal.x, normal.y, normal.z);
      }
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new Float32BufferAttribute(normals, 3));
  return geometry;
}

/** Newell's normal: right for faces of any shape. */
function normalOf(corners: readonly Point3[]): Vector3 {
  const normal = new Vector3();
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length] as Point3;
    normal.x += (a.y - b.y) * (a.z + b.z);
    normal.y += (a.z - b.z) * (a.x + b.x);
    normal.z += (a.x - b.x) * (a.y + b.y);
  });
  return normal.normalize();
}

function triangles(corners: readonly Point3[], normal: Vector3): Point3[][] {
  // flattened along the normal's largest axis
  const [x, y, z] = [Math.abs(normal.x), Math.abs(normal.y), Math.abs(normal.z)];
  const flat = corners.map((p) => {
    if (z >= x && z >= y) return new Vector2(p.x, p.y);
    return x >= y ? new Vector2(p.y, p.z) : new Vector2(p.z, p.x);
  });
  const turned = ShapeUtils.isClockWise(flat);
  const ordered = turned ? [...flat].reverse() : flat;
  const source = turned ? [...corners].reverse() : corners;
  return ShapeUtils.triangulateShape(ordered, []).map((indices) => {
    const points = indices.map((i) => source[i] as Point3);
    return turned ? points.reverse() : points;
  });
}

const flat = (points: readonly Point[]) => points.map(({ x, y }) => new Vector2(x, y));

/** A land as a plate from z = 0 up, with its hole. mm. */
export function plateMesh(figure: Figure, hole: Figure | null, thickness: number): BufferGeometry {
  const plate = new FlatShape(flat(flatten(outlineOf(figure), 0.01)));
  if (hole) plate.holes.push(opening(outlineOf(hole)));
  return new ExtrudeGeometry(plate, { depth: thickness, bevelEnabled: false });
}

/** The board under the courtyard with its holes, its upper side at z = 0. mm. */
export function boardMesh({ courtyard, lands, bores }: Footprint, thickness: number): BufferGeometry {
  const board = new FlatShape(flat(cornersOf(courtyard.box)));
  for (const { hole } of lands) if (hole) board.holes.push(opening(contourOf(hole)));
  for (const { at, diameter } of bores) board.holes.push(opening(contourOf(circleAt(at, diameter))));
  return new ExtrudeGeometry(board, { depth: thickness, bevelEnabled: false }).translate(0, 0, -thickness);
}

/** A hole in a plate: clockwise, as the library asks for. */
function opening(contour: Contour): Path {
  return new Path(flat([...flatten(contour, 0.01)].reverse()));
}
