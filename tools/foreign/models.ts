// Models as other programs and other hands draw them: each of a part that a footprint of the tests is made
// for, with its feet on Z = 0 or its pins through it, or of another part.
import { makeBox, makeSphere, type Face, type Shape3D } from 'replicad';
import {
  grown,
  gullLead,
  opposite,
  plate,
  post,
  row,
  slab,
  together,
  turned,
  united,
  wire,
  type GullLead,
  type Piece,
} from './solids';

/** What a file is to hold, and the unit that it is to say. */
export interface Foreign {
  readonly pieces: () => readonly Piece[];
  readonly unit?: 'MM' | 'INCH';
  readonly as?: 'stl';
}

const one = (shape: () => Piece['shape']): Foreign => ({ pieces: () => [{ shape: shape() }] });
const apart = (shapes: () => readonly Shape3D[]): Foreign => ({
  pieces: () => shapes().map((shape, i) => ({ shape, name: `Body${i + 1}` })),
});

// ---- two rows of gull wings: 8 leads, pitch 0.65, span 6.4, body 4.4 × 3.0 × 1.1

const GULL: GullLead = { tip: 3.2, foot: 0.6, b: 0.245, c: 0.145, shoulder: 0.6, inside: 2 };

const gullBody = () => slab(4.4, 3, 0.1, 1.1);
const twoRows = (lead: (y: number) => Shape3D, ys: readonly number[]) => [
  ...ys.map((y) => opposite(lead(y))),
  ...ys.map(lead),
];
const gullLeads = (change: Partial<GullLead> = {}, count = 4, pitch = 0.65) =>
  twoRows((y) => gullLead({ ...GULL, ...change }, y), row(count, pitch));
const gull = (change: Partial<GullLead> = {}) => united([gullBody(), ...gullLeads(change)]);

/** A lead narrower towards its underside. */
const drafted = (y: number): Shape3D => {
  const wedge = () =>
    plate(
      [
        [0.09, -1],
        [1, -1],
        [1, 1.5],
        [0.15, 1.5],
      ],
      8,
    ).rotate(90, [0, 0, 0], [0, 0, 1]);
  return gullLead({ ...GULL, c: 0.2 })
    .cut(wedge())
    .cut(wedge().mirror('XZ'))
    .translate(0, y, 0);
};

const wireLead = (y: number) =>
  wire(
    [
      [2, y, 0.6],
      [2.65, y, 0.6],
      [2.65, y, 0.1],
      [3.1, y, 0.1],
    ],
    0.1,
  );

// ---- small transistor outlines

const SOT: GullLead = { tip: 1.4, foot: 0.45, b: 0.4, c: 0.15, shoulder: 0.65, inside: 0.6 };
const sotBody = () => slab(1.6, 2.9, 0.08, 1.2);
const sot = (change: Partial<GullLead>, left: readonly number[], right: readonly number[]) =>
  united([
    sotBody(),
    ...left.map((y) => opposite(gullLead({ ...SOT, ...change }, -y))),
    ...right.map((y) => gullLead({ ...SOT, ...change }, y)),
  ]);
const FIVE = [
  [0.95, 0, -0.95],
  [0.95, -0.95],
] as const;

const sotWide = (slope: number) =>
  united([
    slab(3.5, 6.5, 0.06, 1.6),
    ...[2.3, 0, -2.3].map((y) =>
      opposite(gullLead({ tip: 3.5, foot: 0.95, b: 0.7, c: 0.3, shoulder: 0.8, inside: 1.5, slope }, y)),
    ),
    gullLead({ tip: 3.5, foot: 0.95, b: 3, c: 0.3, shoulder: 0.8, inside: 1.5, slope }, 0),
  ]);

// ---- no-leads: 16 terminals, pitch 0.65, 4 × 4 × 0.85, pad 2.1

const noLeadPads = (bottom: number, top: number) =>
  [0, 90, 180, 270].flatMap((angle) =>
    row(4, 0.65).map((y) => turned(slab(0.4, 0.3, bottom, top, -1.8, y), angle)),
  );
const noLeadPad = (bottom: number, top: number, chamfer = 0) => {
  const pad = slab(2.1, 2.1, bottom, top);
  return chamfer === 0
    ? pad
    : pad.chamfer(chamfer, (e) => e.inDirection('Z').containsPoint([-1.05, 1.05, (bottom + top) / 2]));
};

/** Whether a face of a no-lead's underside is a pad's. */
const isPadFace = (face: Face): boolean => {
  const { x, y, z } = face.center;
  const { width, height } = face.boundingBox;
  const isDown = z < 1e-3;
  return isDown && Math.max(width, height) < 3 && Math.hypot(x, y) < 2.5;
};

// ---- other shapes

const dimple = (body: Shape3D, x: number, y: number, top: number, diameter = 0.4) =>
  body.cut(post(diameter, top - 0.08, top + 1, x, y));

const chipEnds = (r: number) => [-0.65, 0.65].map((x) => slab(0.3, 0.8, 0, 0.45, x).fillet(r));

const jLead = (y: number): Shape3D =>
  plate(
    [
      [4.85, 2.2],
      [4.95, 2.2],
      [4.95, 0.9, -0.9],
      [3.2, 0.9],
      [3.4, 0.9, 0.7],
      [4.75, 0.9],
      [4.75, 1.9],
      [4.3, 1.9],
      [4.3, 2.2],
    ],
    0.43,
    y,
  );

const dipLead = (y: number) =>
  plate(
    [
      [3.685, -3.2],
      [3.935, -3.2],
      [3.935, 2.2],
      [3, 2.2],
      [3, 1.95],
      [3.685, 1.95],
    ],
    0.46,
    y,
  ).fuse(
    plate(
      [
        [3.685, 0.4],
        [3.935, 0.4],
        [3.935, 2.2],
        [3.685, 2.2],
      ],
      1.4,
      y,
    ),
  );
const dipBody = () => slab(6.35, 9.3, 0.45, 3.75);

const pinned = (x: number, y: number, top: number) =>
  slab(0.64, 0.64, -3, top, x, y).chamfer(0.15, (e) =>
    e.either([(f) => f.inPlane('XY', -3), (f) => f.inPlane('XY', top)]),
  );

const balls = (make: (x: number, y: number) => Shape3D) =>
  row(5, 0.8).flatMap((y) => row(5, 0.8).map((x) => make(x, y)));
const cap = (x: number, y: number) =>
  (makeSphere(0.26).translate(x, y, 0.26) as Shape3D).cut(slab(1, 1, 0.38, 2, x, y));

const tabPackage = () => [
  slab(6.1, 6.55, 0, 2.2, -0.1).cut(slab(8, 8, -1, 0.02, -0.1)),
  slab(5.9, 5.3, 0, 0.5, 1.95),
  ...[2.29, -2.29].map((y) =>
    opposite(gullLead({ tip: 4.9, foot: 1.6, b: 0.76, c: 0.5, shoulder: 1, inside: 2 }, -y)),
  ),
];

/** Body of a surface-mount header with its pins up, and pegs through the board. */
const headerBody = (
  length: number,
  pins: readonly (readonly [number, number])[],
  pegs: readonly number[] = [],
) => [
  slab(3.4, length, 0.05, 2.5),
  ...pins.map(([x, y]) => post(0.4, 2, 8.5, x, y)),
  ...pegs.map((y) => post(0.9, -1, 0.5, 0, y)),
];
const headerFoot = (y: number) =>
  gullLead({ tip: 2.75, foot: 0.7, b: 0.4, c: 0.2, shoulder: 0.6, inside: 1 }, y);
const HEADER_PINS = row(5, 1.27).flatMap((y) => [[-0.635, y] as const, [0.635, y] as const]);

const STEPS = row(5, 2.54);
/** Surface-mount header with feet that go left and right in turn. */
const staggered = (mirror: 1 | -1) => [
  ...headerBody(
    12.7,
    row(10, 1.27).map((y) => [0, y]),
  ),
  ...STEPS.map((y) => headerFoot(y - mirror * 0.635)),
  ...STEPS.map((y) => opposite(headerFoot(-(y + mirror * 0.635)))),
];

/** All models by the name of their file. */
export const FOREIGN: Readonly<Record<string, Foreign>> = {
  'gull-apart': apart(() => [gullBody(), ...gullLeads()]),
  'gull-fused': one(() => gull()),
  'gull-fused-stl': { ...one(() => gull()), as: 'stl' },
  'gull-nested': {
    pieces: () => [
      { shape: gullBody(), name: 'Body', color: '#303030' },
      { shape: together([together(gullLeads().slice(0, 4)), together(gullLeads().slice(4))]), name: 'Leads' },
    ],
  },
  'gull-toe-up-4': one(() => gull({ slope: 4 })),
  'gull-toe-up-8': one(() => gull({ slope: 8 })),
  'gull-toe-down-8': one(() => gull({ slope: -8 })),
  'gull-heel-only': one(() => gull({ slope: 20 })),
  'gull-toe-only': one(() => gull({ slope: -20 })),
  'gull-round-underside': one(() => gull({ bulge: 0.06 })),
  'gull-arched-underside': one(() => gull({ bulge: -0.06 })),
  'gull-wires': one(() => united([gullBody(), ...twoRows(wireLead, row(4, 0.65))])),
  'gull-drafted': apart(() => [gullBody(), ...twoRows(drafted, row(4, 0.65))]),
  'gull-stray-cubes': apart(() => [
    gull(),
    slab(0.01, 0.01, -3, -2.99, 5, 5),
    slab(0.01, 0.01, 4, 4.01, -6, 2),
    slab(0.01, 0.01, -0.4, -0.39, 0, 0),
  ]),
  'gull-origin-marks': apart(() => [
    gull(),
    slab(0.3, 0.3, -0.15, 0.15, 12, 9),
    post(0.1, -1, 1, 12, 9),
    slab(2, 0.1, -0.05, 0.05, 13, 9),
  ]),
  'gull-on-board': apart(() => [
    gull(),
    slab(12, 12, -1.685, -0.085),
    ...row(4, 0.65).flatMap((y) => [
      slab(1.4, 0.35, -0.085, -0.05, -2.9, y),
      slab(1.4, 0.35, -0.085, -0.05, 2.9, y),
    ]),
  ]),
  'gull-hollow': {
    pieces: () => [
      {
        shape: gullBody()
          .cut(slab(4, 2.6, 0.2, 1))
          .fuse(united(gullLeads({ inside: 2.1 }))),
        name: 'Shell',
      },
      { shape: slab(1.6, 1.4, 0.35, 0.6), name: 'Die', color: '#777777' },
      ...row(4, 0.65).map((y) => ({
        shape: wire(
          [
            [0.6, y / 2, 0.6],
            [1, y * 0.7, 0.85],
            [1.8, y, 0.7],
          ],
          0.0125,
        ),
        name: 'Wire',
        color: '#d0a030',
      })),
    ],
  },
  'gull-engraved': one(() =>
    dimple(gull(), -1.8, 1.1, 1.1, 0.5)
      .cut(slab(1, 0.12, 1.05, 2, 0.2, 0.4))
      .cut(slab(0.12, 0.8, 1.05, 2, 0.2, 0)),
  ),
  'gull-dimple': one(() => dimple(gull(), -1.7, 1, 1.1)),
  'gull-notch': one(() => gull().cut(post(0.9, 0.7, 2, 0, 1.5))),
  'gull-chamfer': one(() =>
    united([gullBody().chamfer(0.35, (e) => e.inPlane('YZ', -2.2).inPlane('XY', 1.1)), ...gullLeads()]),
  ),
  'gull-inch': { ...one(() => gull()), unit: 'INCH' },
  'gull-turned-30': one(() => turned(gull(), 30)),
  'gull-tilted': one(() => gull().rotate(2.5, [0, 0, 0], [0, 1, 0])),
  'gull-10-leads': one(() => united([slab(4.4, 3.6, 0.1, 1.1), ...gullLeads({}, 5)])),
  'gull-6-leads': one(() => united([gullBody(), ...gullLeads({}, 3)])),
  'gull-wide-pitch': one(() => united([slab(4.4, 4.9, 0.1, 1.1), ...gullLeads({ b: 0.4 }, 4, 1.27)])),
  'gull-wide-span': one(() => united([slab(7.5, 3, 0.1, 1.1), ...gullLeads({ tip: 5.15, inside: 3.5 })])),
  'quad-toe-up-4': one(() =>
    united([
      slab(7, 7, 0.1, 1.1),
      ...[0, 90, 180, 270].flatMap((angle) =>
        row(4, 1.6).map((y) =>
          turned(
            gullLead({ tip: 4.5, foot: 0.6, b: 0.37, c: 0.15, shoulder: 0.6, inside: 3.3, slope: 4 }, y),
            angle,
          ),
        ),
      ),
    ]),
  ),
  'sot5-fused': one(() => sot({}, ...FIVE)),
  'sot5-round': one(() => sot({ bulge: 0.05 }, ...FIVE)),
  'sot5-toe-down-8': one(() => sot({ slope: -8 }, ...FIVE)),
  'sot3-toe-up-8': one(() => sot({ slope: 8 }, [0.95, -0.95], [0])),
  'sot3-round': one(() => sot({ bulge: 0.05 }, [0.95, -0.95], [0])),
  'sot-wide-rising': one(() => sotWide(5)),
  'no-lead-flush': {
    pieces: () => [
      {
        shape: noLeadPads(-0.1, 0.2).reduce(
          (body, pad) => body.cut(pad),
          slab(4, 4, 0, 0.85).cut(noLeadPad(-0.1, 0.2)),
        ),
        name: 'Body',
        color: '#303030',
      },
      ...noLeadPads(0, 0.2).map((shape) => ({ shape, name: 'Pad', color: '#c0c0c0' })),
      { shape: noLeadPad(0, 0.2), name: 'EP', color: '#c0c0c0' },
    ],
  },
  'no-lead-coloured-faces': {
    pieces: () => {
      const pads = [...noLeadPads(0, 0.2), noLeadPad(0, 0.2)];
      const body = pads.reduce((rest, pad) => rest.cut(pad), slab(4, 4, 0, 0.85));
      return [
        {
          shape: grown([body, ...pads]),
          name: 'Part',
          color: '#303030',
          faces: { color: '#c0c0c0', are: isPadFace },
        },
      ];
    },
  },
  'no-lead-plain': one(() => slab(4, 4, 0, 0.85)),
  'no-lead-plain-dimple': one(() => dimple(slab(4, 4, 0, 0.85), -1.5, 1.5, 0.85, 0.5)),
  'no-lead-standing': one(() => united([slab(4, 4, 0.02, 0.85), ...noLeadPads(0, 0.2), noLeadPad(0, 0.2)])),
  'no-lead-without-pad': one(() => united([slab(4, 4, 0.02, 0.85), ...noLeadPads(0, 0.2)])),
  'no-lead-chamfered-pad': one(() =>
    united([slab(4, 4, 0.02, 0.85), ...noLeadPads(0, 0.2), noLeadPad(0, 0.2, 0.35)]),
  ),
  'chip-round-ends': apart(() => [slab(1, 0.78, 0.02, 0.43), ...chipEnds(0.06)]),
  'chip-plain': one(() => slab(1.6, 0.8, 0, 0.45)),
  'chip-fused': one(() => united([slab(1.1, 0.76, 0.02, 0.43), ...chipEnds(0.04)])),
  'grid-caps': one(() => united([slab(5, 5, 0.38, 1.2), ...balls(cap)])),
  'grid-balls': apart(() => [slab(5, 5, 0.38, 1.2), ...balls(cap)]),
  'grid-corner-mark': {
    pieces: () => [
      { shape: united([slab(5, 5, 0.38, 1.2), ...balls(cap)]), name: 'Body' },
      {
        shape: plate(
          [
            [-2.4, 2.4],
            [-1.9, 2.4],
            [-2.4, 1.9],
          ],
          0.01,
        )
          .rotate(90, [0, 0, 0], [1, 0, 0])
          .mirror('XZ')
          .translate(0, 0, 1.205),
        name: 'Mark',
        color: '#e0b040',
      },
    ],
  },
  'dip-tapered': one(() => united([dipBody(), ...twoRows(dipLead, row(4, 2.54))])),
  'dip-notch': one(() =>
    united([dipBody(), ...twoRows(dipLead, row(4, 2.54))]).cut(post(1.6, 3, 5, 0, 4.65)),
  ),
  'header-long-pins': one(() =>
    united([
      slab(12.7, 5.08, 0, 2.54),
      ...row(5, 2.54).flatMap((x) => [1.27, -1.27].map((y) => pinned(x, y, 8.5))),
    ]),
  ),
  'header-odd-pin': apart(() => [
    slab(12.7, 5.08, 0, 2.54),
    ...row(5, 2.54).flatMap((x, i) =>
      [1.27, -1.27].map((y) => (i === 0 && y > 0 ? pinned(x, y, 8.5) : post(0.6, -3, 8.5, x, y))),
    ),
  ]),
  'tab-apart': apart(tabPackage),
  'tab-fused': one(() => united(tabPackage())),
  'radial-can': apart(() => [
    post(6.3, 0, 11).fillet(0.5, (e) => e.inPlane('XY', 11)),
    post(0.5, -4, 0.2, -1.25),
    post(0.5, -4, 0.2, 1.25),
  ]),
  'radial-long-wire': apart(() => [
    post(6.3, 0, 11).fillet(0.5, (e) => e.inPlane('XY', 11)),
    post(0.5, -8, 0.2, -1.25),
    post(0.5, -6, 0.2, 1.25),
  ]),
  'j-lead-round': one(() =>
    united([
      slab(8.9, 8.9, 1.1, 4.4),
      ...[0, 90, 180, 270].flatMap((angle) => row(5, 1.27).map((y) => turned(jLead(y), angle))),
    ]),
  ),
  'cylinder-round-ends': apart(() => [
    post(1.4, -1.5, 1.5).rotate(90, [0, 0, 0], [0, 1, 0]).translate(0, 0, 0.75),
    ...[-1, 1].map((side) =>
      post(1.5, 1.4, 1.75)
        .fillet(0.12, (e) => e.inPlane('XY', 1.75))
        .rotate(side * 90, [0, 0, 0], [0, 1, 0])
        .translate(0, 0, 0.75),
    ),
  ]),
  'cylinder-band': {
    pieces: () => [
      {
        shape: post(1.4, -1.5, 1.5).rotate(-90, [0, 0, 0], [0, 1, 0]).translate(0, 0, 0.75),
        name: 'Body',
        color: '#c06030',
      },
      {
        shape: post(1.44, 0.6, 1)
          .cut(post(1.4, 0, 2))
          .rotate(-90, [0, 0, 0], [0, 1, 0])
          .translate(0, 0, 0.75),
        name: 'Band',
        color: '#202020',
      },
      ...[-1, 1].map((side) => ({
        shape: post(1.5, 1.4, 1.75)
          .rotate(side * 90, [0, 0, 0], [0, 1, 0])
          .translate(0, 0, 0.75),
        name: 'Cap',
        color: '#c0c0c0',
      })),
    ],
  },
  'can-on-base': one(() =>
    united([
      slab(8.3, 8.3, 0.05, 0.9).chamfer(0.8, (e) =>
        e
          .inDirection('Z')
          .either([(f) => f.containsPoint([-4.15, 4.15, 0.5]), (f) => f.containsPoint([-4.15, -4.15, 0.5])]),
      ),
      post(8, 0.8, 10).fillet(0.4, (e) => e.inPlane('XY', 10)),
      slab(2.9, 0.9, 0, 0.3, -3.1),
      slab(2.9, 0.9, 0, 0.3, 3.1),
    ]),
  ),
  'castellated-notched': apart(() => {
    const notches = [0, 90, 180, 270].flatMap((angle) =>
      row(5, 1.27).map((y) => turned(post(0.4, -1, 5, -4.445, y), angle)),
    );
    const pads = [0, 90, 180, 270].flatMap((angle) =>
      row(5, 1.27).map((y) =>
        turned(slab(1.27, 0.635, 0, 0.02, -3.81, y).cut(post(0.4, -1, 5, -4.445, y)), angle),
      ),
    );
    return [notches.reduce((body, notch) => body.cut(notch), slab(8.89, 8.89, 0.02, 2)), ...pads];
  }),
  'crystal-flush': {
    pieces: () => [
      {
        shape: slab(5, 3.2, 0, 1.05)
          .cut(slab(1, 2.4, -1, 0.1, -2))
          .cut(slab(1, 2.4, -1, 0.1, 2)),
        name: 'Case',
        color: '#d8cdb8',
      },
      { shape: slab(1, 2.4, 0, 0.1, -2), name: 'Pad', color: '#d0a030' },
      { shape: slab(1, 2.4, 0, 0.1, 2), name: 'Pad', color: '#d0a030' },
    ],
  },
  'crystal-plain': one(() => slab(5, 3.2, 0, 1.05)),
  'surface-header-pegs': one(() =>
    united([...headerBody(9.4, HEADER_PINS, [4, -4]), ...twoRows(headerFoot, row(5, 1.27))]),
  ),
  'surface-header-tabs': one(() =>
    united([
      ...headerBody(9.4, HEADER_PINS, [4, -4]),
      ...twoRows(headerFoot, row(5, 1.27)),
      slab(1.2, 1.6, 0, 0.3, 0, 5.2),
      slab(1.2, 1.6, 0, 0.3, 0, -5.2),
    ]),
  ),
  staggered: one(() => united(staggered(1))),
  'staggered-mirrored': one(() => united(staggered(-1))),
  'flange-drilled': one(() =>
    united([
      makeBox([-5, 3.8, 0], [5, 12.6, 4.4]) as Shape3D,
      makeBox([-5, 3.8, 0], [5, 19.1, 1.3]) as Shape3D,
      ...row(3, 2.54).flatMap((x) => [
        makeBox([x - 0.4, -0.25, 2.3], [x + 0.4, 4, 2.8]) as Shape3D,
        makeBox([x - 0.4, -0.25, -3.2], [x + 0.4, 0.25, 2.8]) as Shape3D,
      ]),
    ]).cut(post(3.8, -1, 3, 0, 16.6)),
  ),
  'land-grid-discs': {
    pieces: () => [
      { shape: slab(6, 4.5, 0, 0.85), name: 'Body', color: '#205030' },
      ...row(6, 0.65).flatMap((y) =>
        row(8, 0.65).map((x) => ({ shape: post(0.35, 0, 0.02, x, y), name: 'Land', color: '#d0a030' })),
      ),
    ],
  },
};
