import { USUAL_COLOURS } from '../core/body/colours';
import { writeStep } from '../core/format/step/step';
import { flatten, type Contour } from '../core/geometry/contour';
import type { Point } from '../core/geometry/point';
import type { Assembly, Loft, Part } from '../core/geometry/solid';
import { lyingCylinder } from '../core/package/shapes/round';
import { gullWingLead } from '../core/package/shapes/leads';

/** The file says millimetres and holds inches, a mistake that is often met. */
const INCH = 25.4;
const PINS = 12;
const PITCH = 1.27;
const LENGTH = 19;

/**
 * The made-up model of the sensor connector as its maker drew it: lying on its long side, in inches,
 * off the origin. X runs across the connector as on the board, Y is what is up on the board, Z runs
 * against the board's Y.
 */
export function sensorModel(): string {
  const shapes: Record<string, Assembly['shapes'][string]> = {
    housing: prism(
      // a trough, open at the top
      [
        [-2.4, 0.05],
        [2.4, 0.05],
        [2.4, 8.9],
        [1.7, 8.9],
        [1.7, 2.4],
        [-1.7, 2.4],
        [-1.7, 8.9],
        [-2.4, 8.9],
      ].map(([x, y]) => ({ x: x!, y: y! })),
      LENGTH,
    ),
    'end wall': prism(
      [
        [-1.7, 2.4],
        [1.7, 2.4],
        [1.7, 8.9],
        [-1.7, 8.9],
      ].map(([x, y]) => ({ x: x!, y: y! })),
      0.8,
    ),
    'lead right': prism(lead(1), 0.4),
    'lead left': prism(lead(-1), 0.4),
    pin: prism(
      [
        [-0.2, 2.4],
        [0.2, 2.4],
        [0.2, 9.2],
        [-0.2, 9.2],
      ].map(([x, y]) => ({ x: x!, y: y! })),
      0.4,
    ),
    peg: inches(lyingCylinder(0.95, 1.25)),
  };
  const part = (name: string, shape: string, material: Part['material'], z: number, y = 0): Part => ({
    name,
    shape,
    material,
    at: { x: OFF.x / INCH, y: (OFF.y + y) / INCH, z: (OFF.z + z) / INCH },
    rotation: 0,
  });
  const leads = Array.from({ length: PINS }, (_, i) => {
    const z = -((PINS - 1) / 2 - i) * PITCH;
    return [
      part(`lead ${i + 1}`, i % 2 === 0 ? 'lead left' : 'lead right', 'metal', z),
      part(`pin ${i + 1}`, 'pin', 'metal', z),
    ];
  });
  const parts = [
    part('housing', 'housing', 'moulding', 0),
    ...[1, -1].map((end) => part(`end wall ${end}`, 'end wall', 'moulding', (end * (LENGTH - 0.8)) / 2)),
    ...leads.flat(),
    // the pegs' cylinder lies along Y about its middle, with its lowest line at z = 0
    ...[1, -1].map((end) => part(`peg ${end}`, 'peg', 'moulding', end * 8.5 - 0.95 / 2, 0.05 - 1.25 / 2)),
  ];
  return writeStep({ shapes, parts }, 'HS-SC12', USUAL_COLOURS);
}

/** Where the maker's origin lies, mm. */
const OFF = { x: 3.1, y: -12.4, z: 41 };

/** The section of a gull-wing lead seen along the row, to the right or to the left. */
function lead(side: 1 | -1): Point[] {
  const { contour } = gullWingLead({
    body: 2.4,
    tip: 3.5,
    foot: 0.75,
    width: 0.4,
    thickness: 0.15,
    exit: 0.8,
  });
  const outline = flatten(contour).map(({ x, y }) => ({ x: side * x, y }));
  return side === 1 ? outline : outline.reverse();
}

/** A prism along Z about its middle, its outline in the XY plane. */
function prism(outline: readonly Point[], length: number): Loft {
  const corners = outline.map(({ x, y }) => ({ x: x / INCH, y: y / INCH }));
  return { kind: 'loft', sections: [-1, 1].map((end) => ({ z: (end * length) / 2 / INCH, corners })) };
}

function inches(shape: { readonly kind: 'extrusion'; readonly contour: Contour; readonly depth: number }) {
  const contour = shape.contour.map((p) => ({ ...p, x: p.x / INCH, y: p.y / INCH }));
  return { ...shape, contour, depth: shape.depth / INCH };
}
