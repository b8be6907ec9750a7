// Land patterns as they are, from which files are written in many ways. mm, seen from the component side.

/** Outlines of lands about their middle. */
export type LandShape =
  | { readonly kind: 'rect'; readonly w: number; readonly h: number }
  /** Round ends of its shorter side; a circle where both are equal. */
  | { readonly kind: 'oblong'; readonly w: number; readonly h: number }
  | { readonly kind: 'corners'; readonly w: number; readonly h: number; readonly r: number }
  /** Corners, counter-clockwise. */
  | { readonly kind: 'polygon'; readonly points: readonly (readonly [number, number])[] };

export interface SceneLand {
  readonly number: string;
  readonly x: number;
  readonly y: number;
  /** Degrees counter-clockwise. */
  readonly turn?: number;
  readonly shape: LandShape;
  /** Drilled and plated: as wide, and as long where it is a slot along x. */
  readonly hole?: number;
  readonly slot?: number;
  readonly far?: boolean;
  /** Windows of the stencil as w × h in columns and rows; the land's own outline where it is missing. */
  readonly windows?: {
    readonly w: number;
    readonly h: number;
    readonly pitch: number;
    readonly across: number;
  };
}

export interface Scene {
  readonly name: string;
  readonly lands: readonly SceneLand[];
  /** Holes without copper. */
  readonly pegs: readonly { readonly x: number; readonly y: number; readonly d: number }[];
  /** Of the mask openings round lands. */
  readonly margin: number;
}

const rect = (w: number, h: number): LandShape => ({ kind: 'rect', w, h });
const oblong = (w: number, h: number): LandShape => ({ kind: 'oblong', w, h });
const range = (n: number) => Array.from({ length: n }, (_, i) => i);

/** Counter-clockwise from the upper left, as dual packages are numbered. */
function dual(count: number, pitch: number, span: number, shape: LandShape, more: Partial<SceneLand> = {}) {
  const half = count / 2;
  return range(count).map((i): SceneLand => {
    const isLeft = i < half;
    const row = isLeft ? i : count - 1 - i;
    return {
      number: String(i + 1),
      x: isLeft ? -span / 2 : span / 2,
      y: ((half - 1) / 2 - row) * pitch,
      shape,
      ...more,
    };
  });
}

function quad(a: number, pitch: number, span: number, w: number, h: number): SceneLand[] {
  return range(4 * a).map((i) => {
    const side = Math.floor(i / a);
    const along = ((a - 1) / 2 - (i % a)) * pitch;
    const [x = 0, y = 0] = [
      [-span / 2, along],
      [-along, -span / 2],
      [span / 2, -along],
      [along, span / 2],
    ][side] as [number, number];
    return {
      number: String(i + 1),
      x,
      y,
      shape: side % 2 === 0 ? oblong(w, h) : oblong(h, w),
    };
  });
}

export const SCENES: readonly Scene[] = [
  { name: 'dual', lands: dual(8, 1.27, 5.4, rect(1.55, 0.6)), pegs: [], margin: 0.05 },
  {
    name: 'no-lead',
    lands: [
      ...quad(4, 0.5, 2.9, 0.8, 0.28),
      {
        number: '17',
        x: 0,
        y: 0,
        shape: rect(1.7, 1.7),
        windows: { w: 0.65, h: 0.65, pitch: 0.85, across: 2 },
      },
    ],
    pegs: [],
    margin: 0.03,
  },
  {
    name: 'through',
    lands: dual(6, 2.54, 7.62, oblong(1.6, 1.6), { hole: 0.8 }).map((land, i) =>
      i === 0 ? { ...land, shape: rect(1.6, 1.6) } : land,
    ),
    pegs: [],
    margin: 0.075,
  },
  {
    name: 'connector',
    lands: [
      ...range(5).map((i): SceneLand => ({
        number: String(i + 1),
        x: (i - 2) * 0.65,
        y: 2.1,
        shape: rect(0.4, 1.35),
      })),
      ...([-1, 1] as const).map((side): SceneLand => ({
        number: 'S',
        x: side * 3.5,
        y: -0.4,
        shape: oblong(1.9, 1.2),
        hole: 0.6,
        slot: 1.3,
      })),
    ],
    pegs: [
      { x: -2, y: 0.5, d: 0.85 },
      { x: 2, y: 0.5, d: 0.85 },
    ],
    margin: 0.05,
  },
  {
    name: 'edge',
    lands: [false, true].flatMap((far) =>
      range(5).map((i): SceneLand => ({
        number: `${far ? 'B' : 'A'}${i + 1}`,
        x: (i - 2) * 1.0,
        y: 1.5,
        shape: rect(0.7, 3),
        ...(far ? { far } : {}),
      })),
    ),
    pegs: [],
    margin: 0.1,
  },
  {
    name: 'grid',
    lands: range(16).map((i) => ({
      number: `${'ABCD'[Math.floor(i / 4)]}${(i % 4) + 1}`,
      x: ((i % 4) - 1.5) * 0.5,
      y: (1.5 - Math.floor(i / 4)) * 0.5,
      shape: oblong(0.27, 0.27),
    })),
    pegs: [],
    margin: 0.04,
  },
  {
    name: 'odd shapes',
    lands: [
      {
        number: '1',
        x: -2.2,
        y: 0,
        shape: {
          kind: 'polygon',
          points: [
            [-1, -1.2],
            [1, -1.2],
            [1, -0.3],
            [0.1, -0.3],
            [0.1, 1.2],
            [-1, 1.2],
          ],
        },
      },
      { number: '2', x: 0.4, y: 0.7, shape: { kind: 'corners', w: 1.1, h: 0.8, r: 0.2 } },
      {
        number: '3',
        x: 0.5,
        y: -0.8,
        shape: {
          kind: 'polygon',
          points: [
            [-0.6, -0.4],
            [0.6, -0.4],
            [0.6, 0.4],
            [-0.2, 0.4],
            [-0.6, 0],
          ],
        },
      },
    ],
    pegs: [],
    margin: 0.05,
  },
  {
    name: 'turned',
    lands: [0, 1, 2].map((i) => ({
      number: String(i + 1),
      x: 2.4 * Math.cos(((90 + 120 * i) * Math.PI) / 180),
      y: 2.4 * Math.sin(((90 + 120 * i) * Math.PI) / 180),
      turn: 120 * i,
      shape: i === 0 ? rect(0.9, 1.8) : oblong(0.9, 1.8),
    })),
    pegs: [{ x: 0, y: 0, d: 1.2 }],
    margin: 0.06,
  },
  {
    name: 'repeated',
    lands: [
      ...range(3).map((i): SceneLand => ({
        number: String(i + 1),
        x: (i - 1) * 2,
        y: -2.6,
        shape: rect(1.1, 1.7),
      })),
      { number: '2', x: 0, y: 2.6, shape: rect(3.2, 1.7) },
      { number: '', x: 4.1, y: 0, shape: rect(1.2, 1.2) },
    ],
    pegs: [],
    margin: 0.05,
  },
];

/** One corner of an outline and how the way to the next bends: the tangent of a quarter of its angle. */
export type Corner = readonly [x: number, y: number, bulge: number];

const QUARTER = Math.tan(Math.PI / 8);

/** The outline of a shape about its middle, counter-clockwise. @param grow by how much it is larger all round; of polygons with right angles only */
export function outlineOf(shape: LandShape, grow = 0): Corner[] {
  if (shape.kind === 'polygon') return shape.points.map(([x, y]) => [x, y, 0]);
  const [x, y] = [shape.w / 2 + grow, shape.h / 2 + grow];
  const r = shape.kind === 'rect' ? 0 : shape.kind === 'oblong' ? Math.min(x, y) : shape.r + grow;
  if (r === 0)
    return [
      [-x, -y, 0],
      [x, -y, 0],
      [x, y, 0],
      [-x, y, 0],
    ];
  const all: Corner[] = [
    [-x + r, -y, 0],
    [x - r, -y, QUARTER],
    [x, -y + r, 0],
    [x, y - r, QUARTER],
    [x - r, y, 0],
    [-x + r, y, QUARTER],
    [-x, y - r, 0],
    [-x, -y + r, QUARTER],
  ];
  // a way without length is none
  return all.filter(([ax, ay, bulge], i) => {
    const [bx, by] = all[(i + 1) % all.length] as Corner;
    return bulge !== 0 || Math.hypot(bx - ax, by - ay) > 1e-9;
  });
}

/** A shape larger all round; polygons stay as they are. */
export const grown = (shape: LandShape, by: number): LandShape => {
  if (shape.kind === 'polygon') return shape;
  const larger = { ...shape, w: shape.w + 2 * by, h: shape.h + 2 * by };
  return larger.kind === 'corners' ? { ...larger, r: larger.r + by } : larger;
};

/** A land's outline where it lies. */
export function placedOutline({ x, y, turn = 0, shape }: SceneLand, grow = 0): Corner[] {
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  return outlineOf(shape, grow).map(([px, py, bulge]) => [x + c * px - s * py, y + s * px + c * py, bulge]);
}

/** An outline as points, arcs in short steps. */
export function pointsOf(outline: readonly Corner[], step = 4): (readonly [number, number])[] {
  return outline.flatMap(([x, y, bulge], i) => {
    const [bx, by] = outline[(i + 1) % outline.length] as Corner;
    if (bulge === 0) return [[x, y] as const];
    const { cx, cy, r, from, sweep } = arcOf([x, y], [bx, by], bulge);
    const n = Math.max(2, Math.ceil(Math.abs(sweep) / ((step * Math.PI) / 180)));
    return range(n).map((k) => {
      const angle = from + (sweep * k) / n;
      return [cx + r * Math.cos(angle), cy + r * Math.sin(angle)] as const;
    });
  });
}

/** The arc from a point to another by its bulge; angles in radians. */
export function arcOf(
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  bulge: number,
) {
  const sweep = 4 * Math.atan(bulge);
  const chord = Math.hypot(bx - ax, by - ay);
  const r = chord / (2 * Math.sin(Math.abs(sweep) / 2));
  const [mx, my] = [(ax + bx) / 2, (ay + by) / 2];
  const off = r * Math.cos(sweep / 2) * Math.sign(bulge);
  const [cx, cy] = [mx - (off * (by - ay)) / chord, my + (off * (bx - ax)) / chord];
  return { cx, cy, r, from: Math.atan2(ay - cy, ax - cx), sweep };
}

export function areaOfPoints(points: readonly (readonly [number, number])[]): number {
  return (
    points.reduce((sum, [x, y], i) => {
      const [nx, ny] = points[(i + 1) % points.length] as readonly [number, number];
      return sum + x * ny - nx * y;
    }, 0) / 2
  );
}

/** Windows of the stencil over a land: middles and size; `null` where it is the land's own outline. */
export function windowsOf({ x, y, windows }: SceneLand) {
  if (!windows) return null;
  const { w, h, pitch, across } = windows;
  return range(across * across).map((i) => ({
    x: x + ((i % across) - (across - 1) / 2) * pitch,
    y: y + (Math.floor(i / across) - (across - 1) / 2) * pitch,
    w,
    h,
  }));
}
