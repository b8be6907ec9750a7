import { cross, minus, scaled, type Brep, type Edge, type Surface } from '../../geometry/brep';
import type { Point3 } from '../../geometry/point';
import { list, quoted, real, type ExchangeFile } from './exchange';

/** Writes a solid's boundary as a manifold solid (ISO 10303-42). @returns the solid's entity */
export function writeBoundary(file: ExchangeFile, { vertices, edges, faces }: Brep, name: string): string {
  const points = vertices.map((p) => file.add(`VERTEX_POINT('',${point(file, p)})`));
  const curves = edges.map((edge) => {
    const [from, to] = [vertices[edge.from] as Point3, vertices[edge.to] as Point3];
    const curve = writeCurve(file, edge, from, to);
    return file.add(`EDGE_CURVE('',${points[edge.from]},${points[edge.to]},${curve},.T.)`);
  });
  const shell = faces.map(({ surface, reversed, loops }) => {
    const bounds = loops.map((loop, i) => {
      const walk = loop.map(({ edge, reversed: turned }) =>
        file.shared(`ORIENTED_EDGE('',*,*,${curves[edge]},${flag(!turned)})`),
      );
      const bound = i === 0 ? 'FACE_OUTER_BOUND' : 'FACE_BOUND';
      return file.add(`${bound}('',${file.add(`EDGE_LOOP('',${list(walk)})`)},.T.)`);
    });
    return file.add(`ADVANCED_FACE('',${list(bounds)},${writeSurface(file, surface)},${flag(!reversed)})`);
  });
  return file.add(`MANIFOLD_SOLID_BREP(${quoted(name)},${file.add(`CLOSED_SHELL('',${list(shell)})`)})`);
}

/** A place with its Z axis and X axis. */
export function placement(file: ExchangeFile, at: Point3, axis: Point3, x: Point3): string {
  return file.shared(
    `AXIS2_PLACEMENT_3D('',${point(file, at)},${direction(file, axis)},${direction(file, x)})`,
  );
}

function point(file: ExchangeFile, { x, y, z }: Point3): string {
  return file.shared(`CARTESIAN_POINT('',${list([x, y, z].map(real))})`);
}

function direction(file: ExchangeFile, { x, y, z }: Point3): string {
  return file.shared(`DIRECTION('',${list([x, y, z].map(real))})`);
}

function writeCurve(file: ExchangeFile, { curve }: Edge, from: Point3, to: Point3): string {
  if (curve.kind === 'line') {
    const along = minus(to, from);
    const unit = direction(file, scaled(along, 1 / Math.hypot(along.x, along.y, along.z)));
    return file.shared(`LINE('',${point(file, from)},${file.shared(`VECTOR('',${unit},1.)`)})`);
  }
  const { centre, axis, radius } = curve;
  const x = scaled(minus(from, centre), 1 / radius);
  return file.shared(`CIRCLE('',${placement(file, centre, axis, x)},${real(radius)})`);
}

function writeSurface(file: ExchangeFile, surface: Surface): string {
  const { at, axis } = surface;
  const place = placement(file, at, axis, across(axis));
  switch (surface.kind) {
    case 'plane':
      return file.shared(`PLANE('',${place})`);
    case 'cylinder':
      return file.shared(`CYLINDRICAL_SURFACE('',${place},${real(surface.radius)})`);
    case 'cone':
      return file.shared(`CONICAL_SURFACE('',${place},${real(surface.radius)},${real(surface.angle)})`);
    case 'sphere':
      return file.shared(`SPHERICAL_SURFACE('',${place},${real(surface.radius)})`);
    case 'torus':
      return file.shared(`TOROIDAL_SURFACE('',${place},${real(surface.major)},${real(surface.minor)})`);
  }
}

/** A unit vector square to another, along an axis of the board where there is one. */
function across(axis: Point3): Point3 {
  const [x, y] = [Math.abs(axis.x), Math.abs(axis.y)];
  const helper = x < 0.9 ? { x: 1, y: 0, z: 0 } : y < 0.9 ? { x: 0, y: 1, z: 0 } : { x: 0, y: 0, z: 1 };
  const normal = cross(axis, helper);
  const side = cross(normal, axis);
  return scaled(side, 1 / Math.hypot(side.x, side.y, side.z));
}

function flag(value: boolean): string {
  return value ? '.T.' : '.F.';
}
