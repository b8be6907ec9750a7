import type { Extrusion, Revolution } from '../../geometry/solid';

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

/** A ball whose lowest point is at z = `from`, flattened where `height` is less than the diameter. */
export function ball(diameter: number, height: number, from = 0): Revolution {
  const [r, top] = [diameter / 2, from + height];
  // both ends are cut by the same amount
  const cut = Math.max(0, diameter - height) / 2;
  const flat = Math.sqrt(Math.max(0, r * r - (r - cut) ** 2));
  const rise = Math.atan2(height / 2, flat);
  const bulge = Math.tan((2 * rise) / 4);
  return {
    kind: 'revolution',
    profile: [
      ...(flat > 1e-6 ? [{ x: 0, y: from }] : []),
      { x: flat, y: from, bulge },
      { x: flat, y: top },
      ...(flat > 1e-6 ? [{ x: 0, y: top }] : []),
    ],
  };
}

/** A cylinder standing from z = `from` to z = `to`. */
export function standingCylinder(diameter: number, from: number, to: number): Revolution {
  const r = diameter / 2;
  return {
    kind: 'revolution',
    profile: [
      { x: 0, y: from },
      { x: r, y: from },
      { x: r, y: to },
      { x: 0, y: to },
    ],
  };
}

/** A lens or dome standing on a cylinder: a round body with a half-ellipse approximated by an arc. */
export function domed(diameter: number, from: number, to: number): Revolution {
  const r = diameter / 2;
  const dome = Math.min(r, (to - from) * 0.6);
  const sagitta = dome / r;
  return {
    kind: 'revolution',
    profile: [
      { x: 0, y: from },
      { x: r, y: from },
      { x: r, y: to - dome, bulge: Math.tan(Math.atan(sagitta) / 2) },
      { x: 0, y: to },
    ],
  };
}
