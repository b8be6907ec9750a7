import { boxOfPoints } from '../../geometry/box';
import { flatten, type Vertex } from '../../geometry/contour';
import { cutIn } from '../../geometry/cut-in';
import { area, encloses } from '../../geometry/polygon';
import { arc, ellipse, hatchPaths, spline } from './curves';
import type { Entity } from './drawing';

// What entities draw, in the units and the coordinates that they are written in.

/** Corners of what an entity draws. */
export interface Shape {
  readonly corners: readonly Vertex[];
  readonly isClosed: boolean;
}

/** What was drawn, and what of it was left out, in words. */
export interface Drawn {
  readonly shapes: readonly Shape[];
  readonly left?: string;
}

/** Reads numbers of an entity. */
export function numberOf({ codes }: Entity, code: number, otherwise = 0): number {
  const found = codes.find(([own]) => own === code)?.[1];
  const value = found === undefined ? otherwise : Number(found);
  return Number.isFinite(value) ? value : otherwise;
}

const closed = (corners: readonly Vertex[]): Drawn => ({ shapes: [{ corners, isClosed: true }] });
const open = (corners: readonly Vertex[]): Drawn => ({ shapes: [{ corners, isClosed: false }] });
const NOTHING: Drawn = { shapes: [] };

const circle = (x: number, y: number, r: number): readonly Vertex[] => [
  { x: x + r, y, bulge: 1 },
  { x: x - r, y, bulge: 1 },
];

/** Kinds of entities whose coordinates count in their own plane, whose x goes the other way seen from below. */
export const IN_OWN_PLANE: ReadonlySet<string> = new Set([
  'CIRCLE',
  'ARC',
  'LWPOLYLINE',
  'POLYLINE',
  'SOLID',
  'TRACE',
  'HATCH',
  'TEXT',
  'ATTRIB',
  'INSERT',
]);

type Draw = (entity: Entity) => Drawn | null;

/** How each kind of entity is drawn. To have another one drawn, list it here. */
const KINDS: Readonly<Record<string, Draw>> = {
  LINE: (one) =>
    open([
      { x: numberOf(one, 10), y: numberOf(one, 20) },
      { x: numberOf(one, 11), y: numberOf(one, 21) },
    ]),
  CIRCLE(one) {
    const r = numberOf(one, 40);
    return r > 0 ? closed(circle(numberOf(one, 10), numberOf(one, 20), r)) : NOTHING;
  },
  ARC(one) {
    const start = numberOf(one, 50);
    const sweep = (((numberOf(one, 51) - start) % 360) + 360) % 360 || 360;
    const middle = { x: numberOf(one, 10), y: numberOf(one, 20) };
    return open(arc(middle, numberOf(one, 40), (start * Math.PI) / 180, (sweep * Math.PI) / 180));
  },
  ELLIPSE(one) {
    const [from, to] = [numberOf(one, 41), numberOf(one, 42, 2 * Math.PI)];
    const corners = ellipse(
      { x: numberOf(one, 10), y: numberOf(one, 20) },
      { x: numberOf(one, 11), y: numberOf(one, 21) },
      numberOf(one, 40, 1),
      from,
      to > from ? to : to + 2 * Math.PI,
    );
    return Math.abs(Math.abs(to - from) - 2 * Math.PI) < 1e-6 ? closed(corners) : open(corners);
  },
  SPLINE(one) {
    const all = (code: number) => one.codes.flatMap(([own, value]) => (own === code ? [Number(value)] : []));
    const [xs, ys] = [all(10), all(20)];
    const made = spline(
      numberOf(one, 71),
      all(40),
      xs.map((x, i) => ({ x, y: ys[i] ?? NaN })),
      all(41),
    );
    return made && ((numberOf(one, 70) & 1) !== 0 ? closed(made.slice(0, -1)) : open(made));
  },
  SOLID: solid,
  TRACE: solid,
  '3DFACE': face,
  HATCH(one) {
    const paths = hatchPaths(one.codes);
    if (!paths || paths.length > MOST_PATHS) return null;
    // odd parity, outermost areas only, or everything within the outermost
    const style = numberOf(one, 75);
    const polygons = paths.map((corners) => flatten(corners, FINE * lengthOf(corners) || 1));
    const depths = polygons.map(
      ([first], i) => polygons.filter((other, j) => j !== i && first && encloses(other, first)).length,
    );
    const isFilled = (i: number) => (style === 0 ? (depths[i] ?? 0) % 2 === 0 : depths[i] === 0);
    return {
      shapes: paths.flatMap((corners, i) => {
        if (!isFilled(i)) return [];
        const inner = style === 2 ? [] : paths.filter((_, j) => depths[j] === (depths[i] ?? 0) + 1);
        return [{ corners: openWithin(corners, inner), isClosed: true }];
      }),
    };
  },
  LWPOLYLINE: polyline,
  POLYLINE: polyline,
};

/** What an entity draws; `null` for one that is not understood. */
export function shapesOf(entity: Entity): Drawn | null {
  return Object.hasOwn(KINDS, entity.kind) ? (KINDS[entity.kind] as Draw)(entity) : null;
}

/** Paths of one hatch that are held against each other. */
const MOST_PATHS = 500;

const lengthOf = (corners: readonly Vertex[]): number => {
  const box = boxOfPoints(corners);
  return box ? Math.max(box.maxX - box.minX, box.maxY - box.minY) : 0;
};

/** How finely curves are followed where an outline runs in and round, as a share of the whole. */
const FINE = 0.0005;

/** An outline with what is free within it. */
function openWithin(outline: readonly Vertex[], inner: readonly (readonly Vertex[])[]): readonly Vertex[] {
  const fine = FINE * lengthOf(outline);
  if (fine === 0 || inner.length === 0) return outline;
  const whole = flatten(outline, fine);
  const own = inner
    .map((one) => flatten(one, fine))
    .filter(([first]) => first !== undefined && encloses(whole, first));
  return own.length === 0 ? outline : cutIn(area(whole) < 0 ? [...whole].reverse() : whole, own);
}

/** Four corners, of which the last two are written the other way round. */
function solid(one: Entity): Drawn {
  const corner = (k: number) => ({ x: numberOf(one, 10 + k), y: numberOf(one, 20 + k) });
  const [a, b, c] = [corner(0), corner(1), corner(2)];
  const hasFourth = one.codes.some(([code]) => code === 13);
  const d = hasFourth ? corner(3) : c;
  const isTriangle = d.x === c.x && d.y === c.y;
  return closed(isTriangle ? [a, b, c] : [a, b, d, c]);
}

/** A level face of four corners; one of three may be a part of a larger face. */
function face(one: Entity): Drawn | null {
  const corners = [0, 1, 2, 3].map((k) => ({ x: numberOf(one, 10 + k), y: numberOf(one, 20 + k) }));
  const isLevel = [0, 1, 2, 3].every((k) => numberOf(one, 30 + k) === numberOf(one, 30));
  const isWhole = new Set(corners.map(({ x, y }) => `${x} ${y}`)).size === 4;
  return isLevel && isWhole ? closed(corners) : null;
}

/** Ends that are nearer than this meet, in units of the drawing. */
const MEET = 0.0002;

/** Corners of one line that are read. */
const MOST_CORNERS = 20_000;

function polyline(one: Entity): Drawn {
  const corners = cornersOf(one);
  const [first, last] = [corners[0], corners.at(-1)];
  if (!first || !last || corners.length < 2) return NOTHING;
  if (corners.length > MOST_CORNERS)
    return { shapes: [], left: `lines of more than ${MOST_CORNERS} corners` };
  const isClosed = (numberOf(one, 70) & 1) === 1;
  const width = widthOf(one);
  if (width > 0) return painted(corners, isClosed, width);
  const meets = Math.hypot(first.x - last.x, first.y - last.y) < MEET && corners.length > 2;
  if (isClosed || meets) return closed(meets ? corners.slice(0, -1) : corners);
  return open(corners);
}

function widthOf(one: Entity): number {
  const own = one.kind === 'LWPOLYLINE' ? numberOf(one, 43) : 0;
  return own || Math.max(numberOf(one, 40), numberOf(one, 41));
}

/** A line with a width: a disc, a ring or a bar is what it paints; the middle line of others stands for them. */
function painted(corners: readonly Vertex[], isClosed: boolean, width: number): Drawn {
  const [a, b] = corners as [Vertex, Vertex];
  const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (isClosed && corners.length === 2 && Math.abs(a.bulge ?? 0) === 1 && Math.abs(b.bulge ?? 0) === 1) {
    const inner = length / 2 - width / 2;
    const outer = circle(x, y, length / 2 + width / 2);
    return closed(inner > MEET ? openWithin(outer, [circle(x, y, inner)]) : outer);
  }
  if (!isClosed && corners.length === 2 && !a.bulge && length > 0) {
    const [dx, dy] = [(-(b.y - a.y) / length) * (width / 2), ((b.x - a.x) / length) * (width / 2)];
    return closed([
      { x: a.x + dx, y: a.y + dy },
      { x: a.x - dx, y: a.y - dy },
      { x: b.x - dx, y: b.y - dy },
      { x: b.x + dx, y: b.y + dy },
    ]);
  }
  return {
    shapes: [{ corners, isClosed }],
    left: 'widths of lines with several corners (their middle is taken)',
  };
}

/** The corners of a polyline, old or new. */
function cornersOf({ kind, codes }: Entity): Vertex[] {
  const corners: { x: number; y: number; bulge: number }[] = [];
  // an old one has a place of its own before its first corner
  let begun = kind === 'LWPOLYLINE';
  for (const [code, value] of codes) {
    const last = corners.at(-1);
    if (code === -1) {
      begun = true;
      corners.push({ x: 0, y: 0, bulge: 0 });
    } else if (!begun) continue;
    else if (code === 10 && kind === 'LWPOLYLINE') corners.push({ x: Number(value), y: 0, bulge: 0 });
    else if (last && code === 10) last.x = Number(value);
    else if (last && code === 20) last.y = Number(value);
    else if (last && code === 42) last.bulge = Number(value);
  }
  return corners
    .filter(({ x, y, bulge }) => [x, y, bulge].every(Number.isFinite))
    .map(({ x, y, bulge }) => ({ x, y, ...(bulge === 0 ? {} : { bulge }) }));
}
