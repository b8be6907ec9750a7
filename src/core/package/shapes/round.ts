import type { Extrusion, Loft } from '../../geometry/solid';

/** A cylinder lying along the shape's Y axis with its lowest line at z = `lift`. */
export function lyingCylinder(diameter: number, length: number, lift = 0): Extrusion {
  const r = diameter / 2;
  return {
    kind: 'extrusion',
    contour: [
      { x: r, y: r + lift, bulge: 1 },
      { x: -r, y: r + lift, bulge: 1 },
    ],
    depth: length,
  };
}

/** Corners of the polygon that stands for a circle seen from above. */
const CORNERS = 48;

/** A cylinder standing from z = `from` to z = `to`. */
export function standingCylinder(diameter: number, from: number, to: number): Loft {
  const corners = Array.from({ length: CORNERS }, (_, i) => {
    const angle = (2 * Math.PI * i) / CORNERS;
    return { x: (diameter / 2) * Math.cos(angle), y: (diameter / 2) * Math.sin(angle) };
  });
  return {
    kind: 'loft',
    sections: [
      { z: from, corners },
      { z: to, corners },
    ],
  };
}
