import {
  BufferGeometry,
  ExtrudeGeometry,
  Float32BufferAttribute,
  Path,
  Shape as FlatShape,
  Uint32BufferAttribute,
  Vector2,
} from 'three';
import type { BoardEdge, Footprint } from '../../core/footprint/footprint';
import { boxOfPoints, cornersOf, type Box } from '../../core/geometry/box';
import { flatten, type Contour } from '../../core/geometry/contour';
import { contourOf, outlineOf, type Figure } from '../../core/geometry/figure';
import { meshOf, type Mesh } from '../../core/geometry/mesh';
import { turn, type Point } from '../../core/geometry/point';
import type { Shape } from '../../core/geometry/solid';

/** Of how many copies on a shape is drawn with fewer facets: each is small then, and together they are slow. */
const MANY = 300;

/** A shape's flat faces as triangles with the faces' normals. mm. */
export function shapeMesh(shape: Shape, copies = 1): BufferGeometry {
  return bufferOf(copies > MANY ? meshOf(shape, 10) : meshOf(shape));
}

/** A mesh as the graphics card takes it; facets that share vertices are shaded as one surface. */
export function bufferOf({ positions, indices }: Mesh): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setIndex(new Uint32BufferAttribute(indices, 1));
  geometry.computeVertexNormals();
  return geometry;
}

const flat = (points: readonly Point[]) => points.map(({ x, y }) => new Vector2(x, y));

/** A land as a plate from z = 0 up, with its hole. mm. */
export function plateMesh(
  figure: Figure,
  hole: Figure | null,
  thickness: number,
  copies = 1,
): BufferGeometry {
  const plate = new FlatShape(flat(flatten(outlineOf(figure), copies > MANY ? 0.03 : 0.01)));
  if (hole) plate.holes.push(opening(outlineOf(hole)));
  return new ExtrudeGeometry(plate, { depth: thickness, bevelEnabled: false });
}

/** The board under the courtyard with its holes, its upper side at z = 0. mm. */
export function boardMesh(footprint: Footprint, thickness: number): BufferGeometry {
  return laminateMesh(upToEdge(footprint.courtyard.box, footprint.edge), [footprint], thickness);
}

/** A board within an outline, with the holes of what is placed on it, its upper side at z = 0. mm. */
export function laminateMesh(
  outline: readonly Point[],
  footprints: readonly Pick<Footprint, 'lands' | 'bores'>[],
  thickness: number,
): BufferGeometry {
  const board = new FlatShape(flat(outline));
  for (const { lands, bores } of footprints)
    for (const { hole } of [...lands, ...bores]) if (hole) board.holes.push(opening(contourOf(hole)));
  return new ExtrudeGeometry(board, { depth: thickness, bevelEnabled: false }).translate(0, 0, -thickness);
}

/** Corners of a box as far as there is board. */
function upToEdge(box: Box, edge: BoardEdge | null): Point[] {
  if (!edge) return cornersOf(box);
  // seen from the edge, where off the board is to the right
  const own = boxOfPoints(cornersOf(box).map((p) => turn(p, -edge.outward))) as Box;
  const maxX = Math.max(turn(edge.at, -edge.outward).x, own.minX);
  return cornersOf({ ...own, maxX }).map((p) => turn(p, edge.outward));
}

/** A hole in a plate: clockwise, as the library asks for. */
function opening(contour: Contour): Path {
  return new Path(flat([...flatten(contour, 0.01)].reverse()));
}
