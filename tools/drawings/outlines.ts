// Outline drawings of packages as datasheets have them: views with numbers, or letters, at dimension lines. All parts
// are made up; nothing here knows Tapis' own drawings.

type P = readonly [number, number];

/** One view: outlines about its own middle, x right and y up, mm. */
export interface OutlineView {
  readonly name: string;
  /** Where it stands among the others. */
  readonly column: number;
  readonly row: number;
  readonly outlines: readonly (readonly P[])[];
  readonly circles?: readonly (readonly [number, number, number])[];
  readonly lengths: readonly OutlineLength[];
}

export interface OutlineLength {
  readonly of: string;
  readonly axis: 'x' | 'y';
  readonly a: P;
  readonly b: P;
  readonly side: 1 | -1;
  readonly tier: number;
}

export interface OutlineScene {
  readonly name: string;
  readonly family: string;
  /** Number of terminals, where the drawing is to be asked with it. */
  readonly count?: number;
  readonly views: readonly OutlineView[];
  /** As printed, by the family's dimension. */
  readonly says: Readonly<Record<string, string>>;
}

const rect = (x0: number, y0: number, x1: number, y1: number): P[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];
const box = (w: number, h: number, x = 0, y = 0): P[] => rect(x - w / 2, y - h / 2, x + w / 2, y + h / 2);
const X = (of: string, a: P, b: P, side: 1 | -1, tier = 0): OutlineLength => ({
  of,
  axis: 'x',
  a,
  b,
  side,
  tier,
});
const Y = (of: string, a: P, b: P, side: 1 | -1, tier = 0): OutlineLength => ({
  of,
  axis: 'y',
  a,
  b,
  side,
  tier,
});

/** A gull wing from the side, on the right of its body; mirrored on the left. */
function wing(way: 1 | -1, body: number, tip: number, foot: number, c: number, z: number): P[] {
  const k = (x: number, y: number): P => [way * x, y];
  const knee = tip - foot;
  return [
    k(body, z + c / 2),
    k(knee + c, z + c / 2),
    k(knee + c, c),
    k(tip, c),
    k(tip, 0),
    k(knee, 0),
    k(knee, z - c / 2),
    k(body, z - c / 2),
  ];
}

/** Leads left and right, or over and under the body as most sheets turn it. */
function dual(
  name: string,
  count: number,
  d: Record<'e' | 'E' | 'E1' | 'D' | 'L' | 'b' | 'c' | 'A' | 'A1', number>,
  says: Record<string, string>,
  isLevel: boolean,
): OutlineScene {
  const half = count / 2;
  const at = (k: number) => (k - (half - 1) / 2) * d.e;
  const turn = ([x, y]: P): P => (isLevel ? [y, x] : [x, y]);
  const leads = Array.from({ length: half }, (_, k) => [
    rect(-d.E / 2, at(k) - d.b / 2, -d.E1 / 2, at(k) + d.b / 2),
    rect(d.E1 / 2, at(k) - d.b / 2, d.E / 2, at(k) + d.b / 2),
  ]).flat();
  const outlines = [box(d.E1, d.D), ...leads].map((one) => one.map(turn));
  const across = isLevel ? Y : X;
  const along = isLevel ? X : Y;
  const [lo, hi] = [at(0), at(half - 1)];
  const plan: OutlineView = {
    name: 'TOP VIEW',
    column: 0,
    row: 0,
    outlines,
    circles: [
      [...turn([-d.E1 / 2 + 0.12 * d.E1, d.D / 2 - 0.12 * d.D]), 0.06 * d.E1] as unknown as [
        number,
        number,
        number,
      ],
    ],
    lengths: [
      across('E1', turn([-d.E1 / 2, d.D / 2]), turn([d.E1 / 2, d.D / 2]), 1, 0),
      across('E', turn([-d.E / 2, hi]), turn([d.E / 2, hi]), 1, 1),
      along('D', turn([d.E1 / 2, -d.D / 2]), turn([d.E1 / 2, d.D / 2]), isLevel ? 1 : 1, isLevel ? 0 : 0),
      along('e', turn([-d.E / 2, lo]), turn([-d.E / 2, lo + d.e]), -1, 0),
      along('b', turn([-d.E / 2, hi - d.b / 2]), turn([-d.E / 2, hi + d.b / 2]), -1, isLevel ? 0 : 0),
    ],
  };
  const front: OutlineView = {
    name: 'SIDE VIEW',
    column: 1,
    row: isLevel ? 0 : 1,
    outlines: [
      rect(-d.E1 / 2, d.A1, d.E1 / 2, d.A),
      wing(1, d.E1 / 2, d.E / 2, d.L, d.c, d.A * 0.5),
      wing(-1, d.E1 / 2, d.E / 2, d.L, d.c, d.A * 0.5),
    ],
    lengths: [
      Y('A', [d.E1 / 2, 0], [d.E1 / 2, d.A], 1, 1),
      Y('A1', [-d.E1 / 2, 0], [-d.E1 / 2, d.A1], -1, 0),
      X('L', [d.E / 2 - d.L, 0], [d.E / 2, 0], -1, 0),
    ],
  };
  return { name, family: 'gull-wing-dual', count, views: [plan, front], says };
}

function scenes(): OutlineScene[] {
  const out: OutlineScene[] = [];
  out.push(
    dual(
      'small outline, 8 leads',
      8,
      { e: 1.27, E: 6.0, E1: 3.9, D: 4.9, L: 0.7, b: 0.41, c: 0.2, A: 1.75, A1: 0.18 },
      {
        e: '1.27 BSC',
        E: '6.00±0.20',
        E1: '3.90±0.10',
        D: '4.90±0.10',
        L: '0.40-0.90',
        b: '0.31-0.51',
        A: '1.75 MAX',
        A1: '0.10-0.25',
      },
      false,
    ),
  );
  out.push(
    dual(
      'thin outline, 16 leads, turned',
      16,
      { e: 0.65, E: 6.4, E1: 4.4, D: 5.0, L: 0.6, b: 0.25, c: 0.15, A: 1.2, A1: 0.1 },
      {
        e: '0.65',
        E: '6.20-6.60',
        E1: '4.30-4.50',
        D: '4.90-5.10',
        L: '0.45-0.75',
        b: '0.19-0.30',
        A: '1.20 MAX',
        A1: '0.05-0.15',
      },
      true,
    ),
  );
  {
    const d = { n: 4, e: 0.5, E: 3, D: 3, E2: 1.6, D2: 1.6, L: 0.4, b: 0.25, A: 0.9, A1: 0.03, A3: 0.2 };
    const at = (k: number) => (k - 1.5) * d.e;
    const leads = [0, 1, 2, 3].flatMap((k) => [
      rect(-d.E / 2, at(k) - d.b / 2, -d.E / 2 + d.L, at(k) + d.b / 2),
      rect(d.E / 2 - d.L, at(k) - d.b / 2, d.E / 2, at(k) + d.b / 2),
      rect(at(k) - d.b / 2, -d.D / 2, at(k) + d.b / 2, -d.D / 2 + d.L),
      rect(at(k) - d.b / 2, d.D / 2 - d.L, at(k) + d.b / 2, d.D / 2),
    ]);
    out.push({
      name: 'quad no-lead, 16 terminals',
      family: 'no-lead-quad',
      count: 16,
      says: {
        e: '0.50 BSC',
        E: '3.00±0.10',
        D: '3.00±0.10',
        E2: '1.60±0.10',
        D2: '1.60±0.10',
        L: '0.40±0.10',
        b: '0.25±0.05',
        A: '0.90±0.10',
        A1: '0.05 MAX',
      },
      views: [
        {
          name: 'TOP VIEW',
          column: 0,
          row: 0,
          outlines: [box(d.E, d.D)],
          circles: [[-1.1, 1.1, 0.15]],
          lengths: [X('E', [-1.5, 1.5], [1.5, 1.5], 1), Y('D', [-1.5, -1.5], [-1.5, 1.5], -1)],
        },
        {
          name: 'BOTTOM VIEW',
          column: 1,
          row: 0,
          outlines: [box(d.E, d.D), ...leads, box(d.E2, d.D2)],
          lengths: [
            X('E2', [-0.8, 0.8], [0.8, 0.8], 1, 0),
            Y('D2', [0.8, -0.8], [0.8, 0.8], 1, 1),
            X('e', [at(1), -1.5], [at(2), -1.5], -1, 0),
            Y('L', [at(3), 1.1], [at(3), 1.5], 1, 0),
            Y('b', [-1.5, at(0) - d.b / 2], [-1.5, at(0) + d.b / 2], -1, 0),
          ],
        },
        {
          name: 'SIDE VIEW',
          column: 0,
          row: 1,
          outlines: [rect(-1.5, d.A1, 1.5, d.A), rect(-1.5, 0, -1.1, d.A3), rect(1.1, 0, 1.5, d.A3)],
          lengths: [Y('A', [1.5, 0], [1.5, d.A], 1, 0), Y('A1', [-1.5, 0], [-1.5, d.A1], -1, 0)],
        },
      ],
    });
  }
  {
    const [l, w, t, a] = [3.2, 1.6, 0.5, 0.6];
    out.push({
      name: 'chip',
      family: 'rectangular-chip',
      says: { L: '3.20±0.20', W: '1.60±0.15', T: '0.50±0.25', A: '0.60±0.10' },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [
            box(l, w),
            rect(-l / 2, -w / 2, -l / 2 + t, w / 2),
            rect(l / 2 - t, -w / 2, l / 2, w / 2),
          ],
          lengths: [X('L', [-l / 2, w / 2], [l / 2, w / 2], 1), Y('W', [l / 2, -w / 2], [l / 2, w / 2], 1)],
        },
        {
          name: '',
          column: 0,
          row: 1,
          outlines: [rect(-l / 2, 0, l / 2, a), rect(-l / 2, 0, -l / 2 + t, a), rect(l / 2 - t, 0, l / 2, a)],
          lengths: [Y('A', [l / 2, 0], [l / 2, a], 1), X('T', [-l / 2, 0], [-l / 2 + t, 0], -1)],
        },
      ],
    });
  }
  {
    const d = { L: 6, W: 3.2, W1: 2.2, T: 1.3, A: 2.5 };
    out.push({
      name: 'moulded',
      family: 'moulded',
      says: { L: '6.0±0.3', W: '3.2±0.3', W1: '2.2±0.1', T: '1.3±0.3', A: '2.5±0.3' },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [box(d.L, d.W), rect(-3, -1.1, -1.7, 1.1), rect(1.7, -1.1, 3, 1.1)],
          lengths: [
            X('L', [-3, 1.6], [3, 1.6], 1),
            Y('W', [3, -1.6], [3, 1.6], 1, 0),
            Y('W1', [-3, -1.1], [-3, 1.1], -1),
          ],
        },
        {
          name: '',
          column: 0,
          row: 1,
          outlines: [rect(-3, 0, 3, 2.5), rect(-3, 0, -1.7, 0.12), rect(1.7, 0, 3, 0.12)],
          lengths: [Y('A', [3, 0], [3, 2.5], 1), X('T', [1.7, 0], [3, 0], -1)],
        },
      ],
    });
  }
  {
    out.push({
      name: 'radial',
      family: 'radial',
      says: { D: '6.3±0.5', e: '2.5', b: '0.5±0.05', A: '12.0 MAX', L: '3.5±0.5' },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [],
          circles: [
            [0, 0, 3.15],
            [-1.25, 0, 0.25],
            [1.25, 0, 0.25],
          ],
          lengths: [X('D', [-3.15, 0], [3.15, 0], 1), X('e', [-1.25, 0], [1.25, 0], -1)],
        },
        {
          name: '',
          column: 0,
          row: 1,
          outlines: [rect(-3.15, 0, 3.15, 11.2), rect(-1.5, -3.5, -1, 0), rect(1, -3.5, 1.5, 0)],
          lengths: [
            Y('A', [3.15, 0], [3.15, 11.2], 1),
            Y('L', [-1.5, -3.5], [-3.15, 0], -1),
            X('b', [1, -3.5], [1.5, -3.5], -1),
          ],
        },
      ],
    });
  }
  {
    const d = { e: 2.54, E: 7.62, E1: 6.35, D: 9.6, b: 0.46, A: 4.5, A1: 0.5, L: 3.2 };
    const at = (k: number) => (k - 1.5) * d.e;
    out.push({
      name: 'dual in line, 8 leads',
      family: 'dip',
      count: 8,
      says: {
        e: '2.54 BSC',
        E: '7.62 BSC',
        E1: '6.35±0.15',
        D: '9.60±0.20',
        b: '0.46±0.08',
        A: '4.50 MAX',
        A1: '0.50 MIN',
        L: '3.20±0.20',
      },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [
            box(d.D, d.E1),
            ...[0, 1, 2, 3].flatMap((k) => [
              rect(at(k) - 0.7, -d.E1 / 2 - 0.4, at(k) + 0.7, -d.E1 / 2),
              rect(at(k) - 0.7, d.E1 / 2, at(k) + 0.7, d.E1 / 2 + 0.4),
            ]),
          ],
          lengths: [
            X('D', [-d.D / 2, d.E1 / 2], [d.D / 2, d.E1 / 2], 1),
            Y('E1', [d.D / 2, -d.E1 / 2], [d.D / 2, d.E1 / 2], 1),
          ],
        },
        {
          name: '',
          column: 0,
          row: 1,
          outlines: [
            rect(-d.D / 2, d.A1, d.D / 2, d.A),
            ...[0, 1, 2, 3].flatMap((k) => [
              rect(at(k) - 0.7, 0, at(k) + 0.7, d.A1 + 1),
              rect(at(k) - d.b / 2, -d.L, at(k) + d.b / 2, 0),
            ]),
          ],
          lengths: [
            Y('A', [d.D / 2, 0], [d.D / 2, d.A], 1),
            Y('A1', [-d.D / 2, 0], [-d.D / 2, d.A1], -1),
            Y('L', [at(3) + d.b / 2, -d.L], [d.D / 2, 0], 1, 1),
            X('e', [at(0), -d.L], [at(1), -d.L], -1, 0),
            X('b', [at(3) - d.b / 2, -d.L], [at(3) + d.b / 2, -d.L], -1, 0),
          ],
        },
        {
          name: '',
          column: 1,
          row: 1,
          outlines: [
            rect(-d.E1 / 2, d.A1, d.E1 / 2, d.A),
            rect(-d.E / 2 - 0.13, -d.L, -d.E / 2 + 0.13, 2.3),
            rect(d.E / 2 - 0.13, -d.L, d.E / 2 + 0.13, 2.3),
          ],
          lengths: [X('E', [-d.E / 2, -d.L], [d.E / 2, -d.L], -1)],
        },
      ],
    });
  }
  {
    const d = { e: 0.95, E: 2.4, E1: 1.3, D: 2.9, L: 0.45, b: 0.4, c: 0.15, A: 1.1, A1: 0.05 };
    out.push({
      name: 'small transistor, 3 leads',
      family: 'small-transistor',
      count: 3,
      says: {
        e: '0.95',
        E: '2.10-2.64',
        E1: '1.20-1.40',
        D: '2.80-3.04',
        L: '0.35-0.55',
        b: '0.30-0.50',
        A: '1.12 MAX',
        A1: '0.01-0.10',
      },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [
            box(d.D, d.E1),
            rect(-d.e - d.b / 2, -d.E / 2, -d.e + d.b / 2, -d.E1 / 2),
            rect(d.e - d.b / 2, -d.E / 2, d.e + d.b / 2, -d.E1 / 2),
            rect(-d.b / 2, d.E1 / 2, d.b / 2, d.E / 2),
          ],
          lengths: [
            X('D', [-d.D / 2, d.E1 / 2], [d.D / 2, d.E1 / 2], 1),
            Y('E1', [d.D / 2, -d.E1 / 2], [d.D / 2, d.E1 / 2], 1, 0),
            Y('E', [-d.e, -d.E / 2], [0, d.E / 2], -1, 0),
            X('e', [-d.e, -d.E / 2], [0, -d.E1 / 2], -1, 0),
            X('b', [d.e - d.b / 2, -d.E / 2], [d.e + d.b / 2, -d.E / 2], -1, 0),
          ],
        },
        {
          name: '',
          column: 1,
          row: 0,
          outlines: [
            rect(-d.E1 / 2, d.A1, d.E1 / 2, d.A),
            wing(1, d.E1 / 2, d.E / 2, d.L, d.c, 0.5),
            wing(-1, d.E1 / 2, d.E / 2, d.L, d.c, 0.5),
          ],
          lengths: [
            Y('A', [d.E1 / 2, 0], [d.E1 / 2, d.A], 1),
            Y('A1', [-d.E1 / 2, 0], [-d.E1 / 2, d.A1], -1),
            X('L', [d.E / 2 - d.L, 0], [d.E / 2, 0], -1),
          ],
        },
      ],
    });
  }
  {
    const d = { e: 0.8, E: 9, E1: 7, L: 0.6, b: 0.37, c: 0.15, A: 1.6, A1: 0.1 };
    const at = (k: number) => (k - 3.5) * d.e;
    const leads = Array.from({ length: 8 }, (_, k) => [
      rect(-4.5, at(k) - d.b / 2, -3.5, at(k) + d.b / 2),
      rect(3.5, at(k) - d.b / 2, 4.5, at(k) + d.b / 2),
      rect(at(k) - d.b / 2, -4.5, at(k) + d.b / 2, -3.5),
      rect(at(k) - d.b / 2, 3.5, at(k) + d.b / 2, 4.5),
    ]).flat();
    out.push({
      name: 'quad flat, 32 leads',
      family: 'gull-wing-quad',
      count: 32,
      says: {
        e: '0.80 BSC',
        E: '9.00±0.20',
        D: '9.00±0.20',
        E1: '7.00±0.10',
        D1: '7.00±0.10',
        L: '0.45-0.75',
        b: '0.30-0.45',
        A: '1.60 MAX',
        A1: '0.05-0.15',
      },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [box(7, 7), ...leads],
          lengths: [
            X('E1', [-3.5, 3.5], [3.5, 3.5], 1, 0),
            X('E', [-4.5, at(7)], [4.5, at(7)], 1, 1),
            Y('D1', [3.5, -3.5], [3.5, 3.5], 1, 0),
            Y('D', [at(7), -4.5], [at(7), 4.5], 1, 1),
            X('e', [at(2), -4.5], [at(3), -4.5], -1, 0),
            X('b', [at(6) - d.b / 2, -4.5], [at(6) + d.b / 2, -4.5], -1, 0),
          ],
        },
        {
          name: '',
          column: 1,
          row: 0,
          outlines: [
            rect(-3.5, d.A1, 3.5, d.A),
            wing(1, 3.5, 4.5, d.L, d.c, 0.8),
            wing(-1, 3.5, 4.5, d.L, d.c, 0.8),
          ],
          lengths: [
            Y('A', [3.5, 0], [3.5, d.A], 1, 1),
            Y('A1', [-3.5, 0], [-3.5, d.A1], -1),
            X('L', [4.5 - d.L, 0], [4.5, 0], -1),
          ],
        },
      ],
    });
  }
  {
    const d = { B: 6.6, D: 6.3, L: 7.3, T: 2.7, b: 0.65, A: 7.7 };
    out.push({
      name: 'electrolytic can',
      family: 'electrolytic-can',
      says: { B: '6.6±0.2', D: '6.3±0.5', L: '7.3±0.2', T: '2.7±0.2', b: '0.65±0.15', A: '7.7±0.3' },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [
            box(d.B, d.B),
            rect(-d.L / 2, -d.b / 2, -d.L / 2 + d.T, d.b / 2),
            rect(d.L / 2 - d.T, -d.b / 2, d.L / 2, d.b / 2),
          ],
          lengths: [
            X('L', [-d.L / 2, 0], [d.L / 2, 0], -1, 1),
            Y('B', [d.B / 2, -d.B / 2], [d.B / 2, d.B / 2], 1, 0),
            X('T', [-d.L / 2, -d.b / 2], [-d.L / 2 + d.T, -d.b / 2], -1, 0),
            Y('b', [-d.L / 2, -d.b / 2], [-d.L / 2, d.b / 2], -1, 0),
          ],
        },
        {
          name: '',
          column: 1,
          row: 0,
          outlines: [rect(-d.B / 2, 0, d.B / 2, 1.2), rect(-d.D / 2, 1.2, d.D / 2, d.A)],
          lengths: [Y('A', [d.B / 2, 0], [d.D / 2, d.A], 1), X('D', [-d.D / 2, d.A], [d.D / 2, d.A], 1)],
        },
      ],
    });
  }
  {
    const d = { L: 3.2, W: 1.5, W1: 0.9, T: 0.8, A: 0.75 };
    out.push({
      name: 'crystal, two terminals',
      family: 'crystal',
      says: { L: '3.20±0.10', W: '1.50±0.10', W1: '1.20±0.10', T: '0.80±0.10', A: '0.80 MAX' },
      views: [
        {
          name: 'TOP',
          column: 0,
          row: 0,
          outlines: [box(3.2, 1.5)],
          lengths: [X('L', [-1.6, 0.75], [1.6, 0.75], 1), Y('W', [1.6, -0.75], [1.6, 0.75], 1)],
        },
        {
          name: 'BOTTOM',
          column: 1,
          row: 0,
          outlines: [box(3.2, 1.5), rect(-1.6, -0.6, -0.8, 0.6), rect(0.8, -0.6, 1.6, 0.6)],
          lengths: [X('T', [-1.6, -0.6], [-0.8, -0.6], -1), Y('W1', [1.6, -0.6], [1.6, 0.6], 1)],
        },
        {
          name: 'SIDE',
          column: 0,
          row: 1,
          outlines: [rect(-1.6, 0, 1.6, d.A)],
          lengths: [Y('A', [1.6, 0], [1.6, d.A], 1)],
        },
      ],
    });
  }
  {
    const d = { e: 2.54, D: 12.7, E: 5.08, b: 0.64, H: 2.54, A: 6, L: 3 };
    const at = (k: number) => (k - 2) * d.e;
    out.push({
      name: 'header, two rows of five',
      family: 'pin-header',
      count: 10,
      says: {
        e: '2.54',
        eR: '2.54',
        D: '12.70±0.20',
        E: '5.08±0.15',
        b: '0.64±0.05',
        H: '2.54±0.10',
        A: '6.00±0.20',
        L: '3.00±0.20',
      },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [
            box(d.D, d.E),
            ...[0, 1, 2, 3, 4].flatMap((k) => [box(d.b, d.b, at(k), 1.27), box(d.b, d.b, at(k), -1.27)]),
          ],
          lengths: [
            X('D', [-d.D / 2, d.E / 2], [d.D / 2, d.E / 2], 1, 1),
            X('e', [at(0), 1.27], [at(1), 1.27], 1, 0),
            Y('E', [d.D / 2, -d.E / 2], [d.D / 2, d.E / 2], 1),
            Y('eR', [at(0), -1.27], [at(0), 1.27], -1),
          ],
        },
        {
          name: '',
          column: 0,
          row: 1,
          outlines: [
            rect(-d.D / 2, 0, d.D / 2, d.H),
            ...[0, 1, 2, 3, 4].flatMap((k) => [
              rect(at(k) - d.b / 2, d.H, at(k) + d.b / 2, d.H + d.A),
              rect(at(k) - d.b / 2, -d.L, at(k) + d.b / 2, 0),
            ]),
          ],
          lengths: [
            Y('H', [d.D / 2, 0], [d.D / 2, d.H], 1, 0),
            Y('A', [at(0) - d.b / 2, d.H], [at(0) - d.b / 2, d.H + d.A], -1, 0),
            Y('L', [at(4) + d.b / 2, -d.L], [d.D / 2, 0], 1, 1),
            X('b', [at(4) - d.b / 2, -d.L], [at(4) + d.b / 2, -d.L], -1),
          ],
        },
      ],
    });
  }
  {
    const d = { e: 0.8, E: 6, D: 6, b: 0.45, A: 1.2, A1: 0.35 };
    const at = (k: number) => (k - 3) * d.e;
    out.push({
      name: 'ball grid, 7 by 7',
      family: 'ball-grid',
      count: 49,
      says: { e: '0.80', E: '6.00±0.10', D: '6.00±0.10', b: '0.45±0.05', A: '1.20 MAX', A1: '0.35±0.05' },
      views: [
        {
          name: 'TOP VIEW',
          column: 0,
          row: 0,
          outlines: [box(6, 6)],
          lengths: [X('E', [-3, 3], [3, 3], 1), Y('D', [-3, -3], [-3, 3], -1)],
        },
        {
          name: 'BOTTOM VIEW',
          column: 1,
          row: 0,
          outlines: [box(6, 6)],
          circles: Array.from({ length: 49 }, (_, i) => [at(i % 7), at(Math.floor(i / 7)), 0.225] as const),
          lengths: [X('e', [at(0), at(6)], [at(1), at(6)], 1)],
        },
        {
          name: 'SIDE VIEW',
          column: 0,
          row: 1,
          outlines: [rect(-3, 0.35, 3, 1.1)],
          circles: Array.from({ length: 7 }, (_, i) => [at(i), 0.2, 0.2] as const),
          lengths: [
            Y('A', [3, 0], [3, 1.1], 1),
            Y('A1', [-3, 0], [-3, 0.35], -1),
            X('b', [at(6) - 0.2, 0.2], [at(6) + 0.2, 0.2], -1),
          ],
        },
      ],
    });
  }
  {
    const d = { e: 2.28, H: 9.9, D: 6.1, E: 6.6, L3: 1.0, L: 1.4, b: 0.76, D1: 5.3, E1: 5.2, A: 2.3 };
    const tab = d.H / 2;
    const left = tab - d.L3 - d.D;
    out.push({
      name: 'tab package, two leads',
      family: 'tab-package',
      count: 3,
      says: {
        H: '9.40-10.40',
        D: '6.00-6.22',
        E: '6.40-6.70',
        L3: '0.90-1.25',
        L: '1.40-1.78',
        b: '0.64-0.90',
        D1: '5.20 MIN',
        E1: '4.95-5.46',
        A: '2.20-2.40',
      },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [
            rect(left, -3.3, left + d.D, 3.3),
            rect(left + d.D, -2.6, tab, 2.6),
            rect(-tab, -2.28 - 0.38, left, -2.28 + 0.38),
            rect(-tab, 2.28 - 0.38, left, 2.28 + 0.38),
          ],
          lengths: [
            X('D', [left, 3.3], [left + d.D, 3.3], 1, 0),
            X('H', [-tab, 2.28], [tab, 2.6], 1, 1),
            X('L3', [left + d.D, -2.6], [tab, -2.6], -1),
            Y('E', [left + d.D, -3.3], [left + d.D, 3.3], 1, 1),
            Y('E1', [tab, -2.6], [tab, 2.6], 1, 0),
            Y('b', [-tab, 2.28 - 0.38], [-tab, 2.28 + 0.38], -1),
          ],
        },
        {
          name: '',
          column: 0,
          row: 1,
          outlines: [
            rect(left, 0.1, left + d.D, d.A),
            rect(tab - d.D1, 0, tab, 0.5),
            rect(-tab, 0, -tab + 1.5, 0.5),
          ],
          lengths: [
            Y('A', [left, 0], [left, d.A], -1),
            X('D1', [tab - d.D1, 0], [tab, 0], -1),
            X('L', [-tab, 0], [-tab + 1.5, 0], -1),
          ],
        },
      ],
    });
  }
  {
    const d = { n: 8, e: 0.65, E: 3, D: 3, E2: 1.5, D2: 2.3, L: 0.4, b: 0.3, A: 0.8 };
    const at = (k: number) => (k - 1.5) * d.e;
    out.push({
      name: 'dual no-lead, 8 terminals',
      family: 'no-lead-dual',
      count: 8,
      says: {
        e: '0.65 BSC',
        E: '3.00±0.10',
        D: '3.00±0.10',
        E2: '1.50±0.10',
        D2: '2.30±0.10',
        L: '0.40±0.10',
        b: '0.30±0.05',
        A: '0.80±0.05',
      },
      views: [
        {
          name: '',
          column: 0,
          row: 0,
          outlines: [box(3, 3)],
          lengths: [X('E', [-1.5, 1.5], [1.5, 1.5], 1), Y('D', [-1.5, -1.5], [-1.5, 1.5], -1)],
        },
        {
          name: '',
          column: 1,
          row: 0,
          outlines: [
            box(3, 3),
            box(1.5, 2.3),
            ...[0, 1, 2, 3].flatMap((k) => [
              rect(-1.5, at(k) - 0.15, -1.1, at(k) + 0.15),
              rect(1.1, at(k) - 0.15, 1.5, at(k) + 0.15),
            ]),
          ],
          lengths: [
            X('E2', [-0.75, 1.15], [0.75, 1.15], 1),
            Y('D2', [0.75, -1.15], [0.75, 1.15], 1, 1),
            Y('e', [-1.5, at(0)], [-1.5, at(1)], -1),
            Y('b', [1.5, at(3) - 0.15], [1.5, at(3) + 0.15], 1, 0),
            X('L', [1.1, at(0) - 0.15], [1.5, at(0) - 0.15], -1),
          ],
        },
        {
          name: '',
          column: 0,
          row: 1,
          outlines: [rect(-1.5, 0, 1.5, 0.8)],
          lengths: [Y('A', [1.5, 0], [1.5, 0.8], 1)],
        },
      ],
    });
  }
  return out;
}

export const OUTLINES: readonly OutlineScene[] = scenes();
