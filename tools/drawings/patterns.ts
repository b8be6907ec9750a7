// Recommended land patterns as datasheets draw them: what is drawn, which lengths are printed, and what is true.
// All parts are made up.

export interface DrawnLand {
  readonly n: string;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly shape?: 'round' | 'rounded' | 'oblong';
  /** Radius of rounded corners. */
  readonly r?: number;
  /** Corners about its middle, where it is neither. */
  readonly corners?: readonly (readonly [number, number])[];
}

export interface DrawnHole {
  readonly x: number;
  readonly y: number;
  readonly d: number;
  /** A slot this long along x. */
  readonly w?: number;
}

export interface DrawnLength {
  readonly axis: 'x' | 'y';
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  /** Over or under the view, right or left of it. */
  readonly side: 1 | -1;
  readonly tier: number;
  /** What is printed where it is not what is drawn. */
  readonly says?: number;
  readonly before?: string;
  readonly after?: string;
}

export interface PatternScene {
  readonly name: string;
  readonly lands: readonly DrawnLand[];
  readonly holes?: readonly DrawnHole[];
  readonly body?: readonly [number, number];
  readonly lengths: readonly DrawnLength[];
  readonly leaders?: readonly {
    readonly to: readonly [number, number];
    readonly by: readonly [number, number];
    readonly text: string;
  }[];
  /** What has to be told: nothing is right without it. */
  readonly trap?: 'chain' | 'scale' | 'misprint' | 'missing';
  /** How much wider than true it is drawn, where it is not to scale. */
  readonly stretch?: readonly [number, number];
  /** Draws a side view with numbers of its own beside it. */
  readonly neighbour?: boolean;
}

const top = (l: DrawnLand, side: 'l' | 'r' | 'm'): [number, number] => [
  side === 'm' ? l.x : side === 'l' ? l.x - l.w / 2 : l.x + l.w / 2,
  l.y + l.h / 2,
];
const low = (l: DrawnLand, side: 'l' | 'r' | 'm'): [number, number] => [top(l, side)[0], l.y - l.h / 2];
const right = (l: DrawnLand, side: 't' | 'b' | 'm'): [number, number] => [
  l.x + l.w / 2,
  side === 'm' ? l.y : side === 't' ? l.y + l.h / 2 : l.y - l.h / 2,
];
const left = (l: DrawnLand, side: 't' | 'b' | 'm'): [number, number] => [l.x - l.w / 2, right(l, side)[1]];

const X = (
  a: [number, number],
  b: [number, number],
  side: 1 | -1,
  tier: number,
  more: Partial<DrawnLength> = {},
): DrawnLength => ({ axis: 'x', a, b, side, tier, ...more });
const Y = (
  a: [number, number],
  b: [number, number],
  side: 1 | -1,
  tier: number,
  more: Partial<DrawnLength> = {},
): DrawnLength => ({ axis: 'y', a, b, side, tier, ...more });

function two(w: number, h: number, gap: number, second: { w?: number; h?: number } = {}): DrawnLand[] {
  const w2 = second.w ?? w;
  const total = w + gap + w2;
  return [
    { n: '1', x: -total / 2 + w / 2, y: 0, w, h },
    { n: '2', x: total / 2 - w2 / 2, y: 0, w: w2, h: second.h ?? h },
  ];
}

/** Two rows over each other, numbered counter-clockwise from the lower left. */
function rows(n: number, pitch: number, w: number, h: number, apart: number): DrawnLand[] {
  const half = n / 2;
  return Array.from({ length: n }, (_, i) => {
    const isLow = i < half;
    const k = isLow ? i : n - 1 - i;
    return { n: String(i + 1), x: (k - (half - 1) / 2) * pitch, y: (isLow ? -1 : 1) * (apart / 2), w, h };
  });
}

function quad(side: number, pitch: number, w: number, h: number, apart: number, pad: number): DrawnLand[] {
  const at = (k: number) => (k - (side - 1) / 2) * pitch;
  const lands: DrawnLand[] = [];
  for (let k = 0; k < side; k += 1) lands.push({ n: String(k + 1), x: -apart / 2, y: -at(k), w: h, h: w });
  for (let k = 0; k < side; k += 1) lands.push({ n: String(side + k + 1), x: at(k), y: -apart / 2, w, h });
  for (let k = 0; k < side; k += 1)
    lands.push({ n: String(2 * side + k + 1), x: apart / 2, y: at(k), w: h, h: w });
  for (let k = 0; k < side; k += 1)
    lands.push({ n: String(3 * side + k + 1), x: -at(k), y: apart / 2, w, h });
  lands.push({ n: String(4 * side + 1), x: 0, y: 0, w: pad, h: pad });
  return lands;
}

const L = (lands: readonly DrawnLand[], i: number): DrawnLand => lands[i] as DrawnLand;

function scenes(): PatternScene[] {
  const out: PatternScene[] = [];
  {
    const l = two(1.1, 1.35, 0.85);
    out.push({
      name: 'chip, land, gap and width',
      lands: l,
      lengths: [
        X(top(L(l, 0), 'l'), top(L(l, 0), 'r'), 1, 0),
        X(top(L(l, 0), 'r'), top(L(l, 1), 'l'), 1, 0),
        X(top(L(l, 1), 'l'), top(L(l, 1), 'r'), 1, 0),
        Y(left(L(l, 0), 'b'), left(L(l, 0), 't'), -1, 0),
      ],
    });
  }
  {
    const l = two(1.6, 2.7, 2.2);
    out.push({
      name: 'chip, outer and gap',
      lands: l,
      body: [4.5, 3.2],
      lengths: [
        X(low(L(l, 0), 'l'), low(L(l, 1), 'r'), -1, 1),
        X(low(L(l, 0), 'r'), low(L(l, 1), 'l'), -1, 0),
        Y(right(L(l, 1), 'b'), right(L(l, 1), 't'), 1, 0),
      ],
    });
  }
  {
    const l = two(0.95, 1.0, 0.9).map((one) => ({ ...one, shape: 'rounded' as const, r: 0.2 }));
    out.push({
      name: 'rounded lands, centres',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'm'), low(L(l, 1), 'm'), -1, 0),
        X(top(L(l, 0), 'l'), top(L(l, 0), 'r'), 1, 0, { before: '2X ' }),
        Y(right(L(l, 1), 'b'), right(L(l, 1), 't'), 1, 0),
      ],
      leaders: [
        {
          to: [L(l, 0).x - L(l, 0).w / 2 + 0.06, L(l, 0).y - L(l, 0).h / 2 + 0.06],
          by: [-24, -22],
          text: 'R0.20',
        },
      ],
    });
  }
  {
    const l = rows(8, 1.27, 0.6, 1.55, 5.4);
    out.push({
      name: 'two rows, outer, pitch',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 1, { before: '8X ' }),
        X(low(L(l, 1), 'm'), low(L(l, 2), 'm'), -1, 0),
        Y(left(L(l, 0), 'b'), left(L(l, 7), 't'), -1, 1),
        Y(right(L(l, 4), 'b'), right(L(l, 4), 't'), 1, 0),
      ],
    });
  }
  {
    const l = rows(14, 0.65, 0.4, 1.5, 5.8);
    out.push({
      name: 'two rows, centres, typical',
      lands: l,
      lengths: [
        X(top(L(l, 8), 'm'), top(L(l, 7), 'm'), 1, 0, { after: ' TYP' }),
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 0),
        Y(right(L(l, 6), 'm'), right(L(l, 7), 'm'), 1, 1),
        Y(left(L(l, 0), 'b'), left(L(l, 0), 't'), -1, 0),
      ],
    });
  }
  {
    const l = rows(10, 0.5, 0.3, 0.85, 2.95);
    const pad: DrawnLand = { n: '11', x: 0, y: 0, w: 2.4, h: 1.65 };
    const all = [...l, pad];
    out.push({
      name: 'no-lead, pad',
      lands: all,
      lengths: [
        X(top(L(l, 9), 'l'), top(L(l, 9), 'r'), 1, 0),
        X(top(L(l, 9), 'm'), top(L(l, 5), 'm'), 1, 1, { before: '4x0.50=' }),
        X(low(pad, 'l'), low(pad, 'r'), -1, 1),
        Y(right(pad, 'b'), right(pad, 't'), 1, 0),
        Y(left(L(l, 0), 't'), left(L(l, 9), 'b'), -1, 0),
        Y(left(L(l, 0), 'b'), left(L(l, 9), 't'), -1, 1),
      ],
    });
  }
  {
    const l = quad(4, 0.65, 0.35, 0.8, 3.9, 2.1);
    const pad = L(l, 16);
    out.push({
      name: 'quad with pad',
      lands: l,
      lengths: [
        X(low(L(l, 4), 'l'), low(L(l, 4), 'r'), -1, 0),
        X(low(L(l, 5), 'm'), low(L(l, 6), 'm'), -1, 1),
        X(top(L(l, 0), 'm'), top(L(l, 11), 'm'), 1, 0),
        Y(left(L(l, 4), 'm'), left(L(l, 15), 'm'), -1, 1),
        Y(right(L(l, 12), 'b'), right(L(l, 12), 't'), 1, 0),
        X(top(pad, 'l'), top(pad, 'r'), 1, 1),
        Y(right(pad, 'b'), right(pad, 't'), 1, 1),
      ],
    });
  }
  {
    const l: DrawnLand[] = [
      { n: '1', x: -2.3, y: -3.1, w: 1.2, h: 2.2 },
      { n: '2', x: 0, y: -3.1, w: 1.2, h: 2.2 },
      { n: '3', x: 2.3, y: -3.1, w: 1.2, h: 2.2 },
      { n: '4', x: 0, y: 3.1, w: 3.8, h: 2.2 },
    ];
    out.push({
      name: 'tab over three',
      lands: l,
      lengths: [
        X(top(L(l, 3), 'l'), top(L(l, 3), 'r'), 1, 0),
        X(low(L(l, 0), 'm'), low(L(l, 1), 'm'), -1, 0),
        X(low(L(l, 1), 'm'), low(L(l, 2), 'm'), -1, 0),
        X(low(L(l, 2), 'l'), low(L(l, 2), 'r'), -1, 1, { before: '3X ' }),
        Y(right(L(l, 2), 'b'), right(L(l, 2), 't'), 1, 0),
        Y(right(L(l, 3), 'b'), right(L(l, 3), 't'), 1, 0),
        Y(left(L(l, 0), 'b'), left(L(l, 3), 't'), -1, 1),
      ],
    });
  }
  {
    const l: DrawnLand[] = [
      { n: '1', x: -0.95, y: -1.1, w: 0.7, h: 1.0 },
      { n: '2', x: 0.95, y: -1.1, w: 0.7, h: 1.0 },
      { n: '3', x: 0, y: 1.1, w: 0.7, h: 1.0 },
    ];
    out.push({
      name: 'three in a triangle',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'm'), low(L(l, 1), 'm'), -1, 1),
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 0),
        X(low(L(l, 0), 'm'), low(L(l, 2), 'm'), 1, 0),
        Y(left(L(l, 0), 'b'), left(L(l, 0), 't'), -1, 0),
        Y(left(L(l, 0), 'm'), left(L(l, 2), 'm'), -1, 1),
      ],
    });
  }
  {
    const l = Array.from({ length: 5 }, (_, i): DrawnLand => ({
      n: String(i + 1),
      x: (i - 2) * 1.5,
      y: 2,
      w: 0.8,
      h: 1.8,
    }));
    const tabs: DrawnLand[] = [
      { n: '', x: -4.6, y: -1.4, w: 1.4, h: 2.6 },
      { n: '', x: 4.6, y: -1.4, w: 1.4, h: 2.6 },
    ];
    out.push({
      name: 'connector with tabs and pegs',
      lands: [...l, ...tabs],
      holes: [
        { x: -2.5, y: -0.6, d: 1.1 },
        { x: 2.5, y: -0.6, d: 1.1 },
      ],
      lengths: [
        X(top(L(l, 0), 'm'), top(L(l, 1), 'm'), 1, 0),
        X(top(L(l, 4), 'l'), top(L(l, 4), 'r'), 1, 0),
        X(top(L(l, 0), 'm'), top(L(l, 4), 'm'), 1, 1),
        Y(left(L(l, 0), 'b'), left(L(l, 0), 't'), -1, 1),
        X(low(L(tabs, 0), 'm'), low(L(tabs, 1), 'm'), -1, 1),
        X(low(L(tabs, 1), 'l'), low(L(tabs, 1), 'r'), -1, 0),
        Y(right(L(tabs, 1), 'b'), right(L(tabs, 1), 't'), 1, 0),
        Y(right(L(tabs, 1), 'm'), right(L(l, 4), 'm'), 1, 1),
        X([-2.5, -1.15], [2.5, -1.15], -1, 0),
        Y([-2.5, -0.6], [-2.4, 2], -1, 0),
      ],
      leaders: [{ to: [-2.5 + 0.39, -0.6 + 0.39], by: [16, 14], text: '2X Ø1.10' }],
    });
  }
  {
    const l: DrawnLand[] = [
      { n: '1', x: -1.1, y: -0.85, w: 1.4, h: 1.2 },
      { n: '2', x: 1.1, y: -0.85, w: 1.4, h: 1.2 },
      { n: '3', x: 1.1, y: 0.85, w: 1.4, h: 1.2 },
      { n: '4', x: -1.1, y: 0.85, w: 1.4, h: 1.2 },
    ];
    out.push({
      name: 'four corners',
      lands: l,
      body: [3.2, 2.5],
      lengths: [
        X(top(L(l, 3), 'l'), top(L(l, 3), 'r'), 1, 0),
        X(low(L(l, 0), 'm'), low(L(l, 1), 'm'), -1, 0),
        Y(right(L(l, 1), 'm'), right(L(l, 2), 'm'), 1, 0),
        Y(left(L(l, 0), 'b'), left(L(l, 0), 't'), -1, 0),
      ],
    });
  }
  {
    const l = two(1.9, 2.6, 0.6, { w: 1.0, h: 2.6 });
    out.push({
      name: 'two unequal',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 0),
        X(top(L(l, 0), 'r'), top(L(l, 1), 'l'), 1, 0),
        X(low(L(l, 1), 'l'), low(L(l, 1), 'r'), -1, 0),
        X(low(L(l, 0), 'l'), low(L(l, 1), 'r'), -1, 1),
        Y(right(L(l, 1), 'b'), right(L(l, 1), 't'), 1, 0),
      ],
    });
  }
  {
    const l = Array.from({ length: 6 }, (_, i): DrawnLand => ({
      n: String(i + 1),
      x: (i - 2.5) * 2,
      y: 0,
      w: 1.6,
      h: 1.6,
      shape: 'round',
    }));
    out.push({
      name: 'row of holes',
      lands: l,
      holes: l.map(({ x, y }) => ({ x, y, d: 0.9 })),
      lengths: [
        X(top(L(l, 0), 'm'), top(L(l, 1), 'm'), 1, 0),
        X(low(L(l, 0), 'm'), low(L(l, 5), 'm'), -1, 0, { before: '5x2.00=' }),
      ],
      leaders: [
        { to: [-5 + 0.32, 0.32], by: [-30, 20], text: '6X Ø0.90' },
        { to: [5 + 0.57, 0.57], by: [18, 18], text: 'Ø1.60 LAND' },
      ],
    });
  }
  {
    const l: DrawnLand[] = [
      { n: '1', x: -1.55, y: 0, w: 0.9, h: 3.0 },
      {
        n: '2',
        x: 0.75,
        y: 0,
        w: 2.5,
        h: 3.0,
        corners: [
          [-1.25, -1.5],
          [1.25, -1.5],
          [1.25, 1.5],
          [-0.65, 1.5],
          [-1.25, 0.9],
        ],
      },
    ];
    out.push({
      name: 'chamfered land',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 0),
        X(low(L(l, 1), 'l'), low(L(l, 1), 'r'), -1, 0),
        X(low(L(l, 0), 'r'), low(L(l, 1), 'l'), -1, 1),
        Y(right(L(l, 1), 'b'), right(L(l, 1), 't'), 1, 0),
        Y([-0.5, 0.9], [0.1, 1.5], 1, 1),
        X([-0.5, 0.9], [0.1, 1.5], 1, 0),
      ],
    });
  }
  {
    const l = rows(20, 1.1, 0.7, 1.4, 9.6);
    out.push({
      name: 'module, edges',
      lands: l,
      body: [12.6, 9.2],
      lengths: [
        X(top(L(l, 19), 'm'), top(L(l, 10), 'm'), 1, 1, { before: '9X1.10=' }),
        X(low(L(l, 9), 'l'), low(L(l, 9), 'r'), -1, 0),
        Y(left(L(l, 0), 't'), left(L(l, 19), 'b'), -1, 0),
        Y(right(L(l, 9), 'b'), right(L(l, 9), 't'), 1, 0),
      ],
    });
  }
  {
    const l = rows(6, 0.95, 0.6, 1.05, 2.6);
    out.push({
      name: 'halves from the middle',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'm'), low(L(l, 1), 'm'), -1, 0),
        X(low(L(l, 1), 'm'), low(L(l, 2), 'm'), -1, 0),
        X(top(L(l, 5), 'l'), top(L(l, 5), 'r'), 1, 0),
        Y([-2.6, 0], left(L(l, 5), 'm'), -1, 0),
        Y(right(L(l, 3), 'b'), right(L(l, 3), 't'), 1, 0),
      ],
      trap: undefined as never,
    });
  }
  {
    const l = two(1.3, 1.8, 1.5);
    out.push({
      name: 'chain that does not add up',
      trap: 'chain',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 0),
        X(low(L(l, 0), 'r'), low(L(l, 1), 'l'), -1, 0),
        X(low(L(l, 1), 'l'), low(L(l, 1), 'r'), -1, 0),
        X(low(L(l, 0), 'l'), low(L(l, 1), 'r'), -1, 1, { says: 4.4 }),
        Y(right(L(l, 1), 'b'), right(L(l, 1), 't'), 1, 0),
      ],
    });
  }
  {
    const l = rows(8, 1.27, 0.6, 1.55, 5.4);
    out.push({
      name: 'misprinted pitch',
      trap: 'misprint',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 1),
        X(low(L(l, 1), 'm'), low(L(l, 2), 'm'), -1, 0, { says: 1.72 }),
        Y(left(L(l, 0), 'b'), left(L(l, 7), 't'), -1, 1),
        Y(right(L(l, 4), 'b'), right(L(l, 4), 't'), 1, 0),
      ],
    });
  }
  {
    const l = rows(6, 0.95, 0.6, 1.05, 2.6);
    out.push({
      name: 'not to scale',
      trap: 'scale',
      stretch: [1.35, 0.8],
      lands: l,
      lengths: [
        X(low(L(l, 0), 'm'), low(L(l, 1), 'm'), -1, 0),
        X(top(L(l, 5), 'l'), top(L(l, 5), 'r'), 1, 0),
        Y(left(L(l, 0), 'm'), left(L(l, 5), 'm'), -1, 0),
        Y(right(L(l, 3), 'b'), right(L(l, 3), 't'), 1, 0),
      ],
    });
  }
  {
    const l = two(1.3, 1.8, 1.5);
    out.push({
      name: 'no gap printed',
      trap: 'missing',
      lands: l,
      lengths: [
        X(low(L(l, 0), 'l'), low(L(l, 0), 'r'), -1, 0),
        Y(right(L(l, 1), 'b'), right(L(l, 1), 't'), 1, 0),
      ],
    });
  }
  {
    const l = rows(8, 0.65, 0.4, 1.1, 3.4);
    out.push({
      name: 'beside a side view',
      neighbour: true,
      lands: l,
      lengths: [
        X(low(L(l, 0), 'm'), low(L(l, 1), 'm'), -1, 0),
        X(top(L(l, 7), 'l'), top(L(l, 7), 'r'), 1, 0),
        Y(left(L(l, 0), 'm'), left(L(l, 7), 'm'), -1, 0),
        Y(right(L(l, 4), 'b'), right(L(l, 4), 't'), 1, 0),
      ],
    });
  }
  return out;
}

export const PATTERNS: readonly PatternScene[] = scenes();
