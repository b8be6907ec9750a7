import { backwards, flatten, type Contour, type Vertex } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import { area, type Polygon } from '../../geometry/polygon';
import { fail, ok, type Result } from '../../units/result';
import { formatNumber, quantise } from '../../units/length';

// Closed outlines of a DXF drawing (the ASCII group codes of release 12 and later): polylines with their
// arcs, circles, and lines and arcs that meet end to end. Text, dimensions, hatches and blocks are told.

/** A closed outline of a drawing. */
export interface Outline {
  readonly layer: string;
  /** Counter-clockwise, mm. */
  readonly contour: Contour;
}

/** Lines and arcs of a drawing that do not close, from end to end. */
export interface OpenLine {
  readonly layer: string;
  readonly points: readonly Vertex[];
}

/** A text of a drawing, and where it stands or is centred. */
export interface DrawnText {
  readonly layer: string;
  readonly at: Point;
  readonly text: string;
}

/** What a drawing holds. */
export interface Drawn {
  /** Largest first. */
  readonly outlines: readonly Outline[];
  readonly lines: readonly OpenLine[];
  readonly texts: readonly DrawnText[];
  /** What was not understood or is not closed, in words. */
  readonly left: readonly string[];
}

/** Largest drawing that is read, in characters. */
export const LARGEST_DXF = 8_000_000;
/** Ends that are nearer than this meet. mm */
const MEET = 0.005;
/** Lines and arcs that are joined at most. */
const MOST_LOOSE = 20_000;

/** One entity: its kind and its group codes in their order. */
interface Entity {
  readonly kind: string;
  readonly codes: readonly (readonly [number, string])[];
}

/** A line or an arc of an outline, from its start to its end. */
interface Edge {
  readonly layer: string;
  readonly from: Vertex;
  readonly to: Vertex;
}

/** mm of a drawing's unit by its number in `$INSUNITS`; a drawing that does not say is in mm. */
const UNITS: Readonly<Record<string, number>> = {
  '0': 1,
  '1': 25.4,
  '2': 304.8,
  '4': 1,
  '5': 10,
  '6': 1000,
  '13': 0.001,
};

/** Reads the closed outlines of a DXF drawing. @returns what it holds, or why it is none */
export function readOutlines(text: string): Result<Drawn, string> {
  if (text.length > LARGEST_DXF)
    return fail(
      `The drawing has ${formatNumber(text.length / 1e6, 1)} million characters; at most 8 are read.`,
    );
  if (text.includes('\u0000')) return fail('This is a binary drawing; save it as ASCII DXF.');
  const pairs = pairsOf(text);
  if (!pairs.ok) return pairs;
  const entities = entitiesOf(pairs.value);
  if (!entities) return fail('There is no section ENTITIES: this is not a whole DXF drawing.');
  const unit = unitOf(pairs.value);
  const factor = UNITS[unit];
  if (factor === undefined)
    return fail(`The drawing’s unit ($INSUNITS ${unit}) is not known here; save it in mm or inches.`);
  const outlines: Outline[] = [];
  const loose: Edge[] = [];
  const texts: DrawnText[] = [];
  const left = new Map<string, number>();
  for (const entity of entities) {
    if (entity.kind === 'TEXT') {
      texts.push(textOf(entity, factor));
      continue;
    }
    const made = outlineOf(entity, factor);
    if (made === null) left.set(entity.kind, (left.get(entity.kind) ?? 0) + 1);
    else if ('contour' in made) outlines.push(made);
    else loose.push(...made);
  }
  if (loose.length > MOST_LOOSE)
    return fail(`The drawing has ${loose.length} single lines and arcs; at most ${MOST_LOOSE} are joined.`);
  const joined = join(loose);
  const all = [...outlines, ...joined.outlines].flatMap(
    ({ layer, contour }): (Outline & { size: number })[] => {
      const size = area(flatten(contour));
      if (Math.abs(size) < 1e-4) return [];
      return [{ layer, contour: size > 0 ? contour : turnedRound(contour), size: Math.abs(size) }];
    },
  );
  const words = [...left].map(([kind, count]) => `${count} of kind ${kind}`);
  return ok({
    outlines: all.sort((a, b) => b.size - a.size).map(({ layer, contour }) => ({ layer, contour })),
    lines: joined.lines,
    texts,
    left: [
      ...(words.length > 0 ? [`Not understood: ${words.join(', ')}.`] : []),
      ...(joined.open > 0 ? [`${joined.open} lines and arcs do not close.`] : []),
      ...(unit === '0' && !saysMm(pairs.value)
        ? ['The drawing does not say its unit; it is read in mm.']
        : []),
    ],
  });
}

/** Group codes and their values, line by line. */
function pairsOf(text: string): Result<readonly (readonly [number, string])[], string> {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const pairs: (readonly [number, string])[] = [];
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const code = (lines[i] as string).trim();
    if (!/^\d{1,4}$/.test(code)) {
      if (code === '' && lines.slice(i).every((line) => line.trim() === '')) break;
      return fail(`Line ${i + 1} is “${code.slice(0, 20)}”, and a group code is expected.`);
    }
    pairs.push([Number(code), (lines[i + 1] as string).trim()]);
  }
  return pairs.length > 0 ? ok(pairs) : fail('The file is empty.');
}

/** Whether a comment says that lengths are in mm: drawings of release 12 have no word for it. */
const saysMm = (pairs: readonly (readonly [number, string])[]): boolean =>
  pairs.some(([code, value]) => code === 999 && /\b(mm|millimet)/i.test(value));

function unitOf(pairs: readonly (readonly [number, string])[]): string {
  const at = pairs.findIndex(([code, value]) => code === 9 && value === '$INSUNITS');
  const next = at >= 0 ? pairs[at + 1] : undefined;
  return next?.[0] === 70 ? String(Number(next[1])) : '0';
}

/** The entities of the drawing itself, those of blocks left alone. */
function entitiesOf(pairs: readonly (readonly [number, string])[]): Entity[] | null {
  const start = pairs.findIndex(
    ([code, value], i) => code === 2 && value === 'ENTITIES' && pairs[i - 1]?.[1] === 'SECTION',
  );
  if (start < 0) return null;
  const entities: Entity[] = [];
  let codes: (readonly [number, string])[] = [];
  for (const [code, value] of pairs.slice(start + 1)) {
    if (code === 0) {
      if (value === 'ENDSEC') break;
      codes = [];
      entities.push({ kind: value, codes });
    } else codes.push([code, value]);
  }
  return withVertices(entities);
}

/** Old polylines hold their corners as entities of their own, up to SEQEND. */
function withVertices(entities: readonly Entity[]): Entity[] {
  const whole: Entity[] = [];
  let open: (readonly [number, string])[] | null = null;
  for (const { kind, codes } of entities) {
    if (kind === 'SEQEND') open = null;
    // a corner's own codes stand behind a mark of its beginning
    else if (kind === 'VERTEX' && open) open.push([-1, ''], ...codes);
    else {
      open = kind === 'POLYLINE' ? [...codes] : null;
      whole.push({ kind, codes: open ?? codes });
    }
  }
  return whole;
}

/** A text where it is centred, else where it starts. */
function textOf({ codes }: Entity, factor: number): DrawnText {
  const of = (code: number) => codes.find(([own]) => own === code)?.[1];
  const at = (...from: readonly number[]) => {
    const value = Number(from.map(of).find((text) => text !== undefined) ?? 0);
    return Number.isFinite(value) ? quantise(value * factor) : 0;
  };
  const isCentred = Number(of(72) ?? 0) !== 0 || Number(of(73) ?? 0) !== 0;
  return {
    layer: of(8) ?? '0',
    at: isCentred ? { x: at(11, 10), y: at(21, 20) } : { x: at(10), y: at(20) },
    text: of(1) ?? '',
  };
}

function outlineOf({ kind, codes }: Entity, factor: number): Outline | Edge[] | null {
  const number = (code: number, otherwise = 0) => {
    const found = codes.find(([own]) => own === code)?.[1];
    const value = found === undefined ? otherwise : Number(found);
    return Number.isFinite(value) ? value : otherwise;
  };
  const layer = codes.find(([code]) => code === 8)?.[1] ?? '0';
  const mm = (value: number) => quantise(value * factor);
  const point = (x: number, y: number): Vertex => ({ x: mm(x), y: mm(y) });
  switch (kind) {
    case 'LINE':
      return [{ layer, from: point(number(10), number(20)), to: point(number(11), number(21)) }];
    case 'CIRCLE': {
      const [x, y, r] = [number(10), number(20), number(40)];
      if (r <= 0) return [];
      return {
        layer,
        contour: [
          { ...point(x + r, y), bulge: 1 },
          { ...point(x - r, y), bulge: 1 },
        ],
      };
    }
    case 'ARC': {
      const [x, y, r] = [number(10), number(20), number(40)];
      const start = (number(50) * Math.PI) / 180;
      const sweep = ((((number(51) - number(50)) % 360) + 360) % 360 || 360) * (Math.PI / 180);
      const at = (angle: number) => point(x + r * Math.cos(angle), y + r * Math.sin(angle));
      // halves, so that no arc is a whole turn
      const middle = start + sweep / 2;
      const bulge = Math.tan(sweep / 8);
      return [
        { layer, from: { ...at(start), bulge }, to: at(middle) },
        { layer, from: { ...at(middle), bulge }, to: at(start + sweep) },
      ];
    }
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return polyline(layer, cornersOf(kind, codes, point), (number(70) & 1) === 1);
    default:
      return null;
  }
}

/** The corners of a polyline, old or new. */
function cornersOf(kind: string, codes: Entity['codes'], point: (x: number, y: number) => Vertex): Vertex[] {
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
    .map(({ x, y, bulge }) => ({ ...point(x, y), ...(bulge === 0 ? {} : { bulge }) }));
}

function polyline(layer: string, corners: readonly Vertex[], isClosed: boolean): Outline | Edge[] {
  const [first, last] = [corners[0], corners.at(-1)];
  if (!first || !last || corners.length < 2) return [];
  const meets = near(first, last);
  if (isClosed || (meets && corners.length > 2))
    return { layer, contour: meets && corners.length > 2 ? corners.slice(0, -1) : corners };
  return corners.slice(1).map((to, i) => ({ layer, from: corners[i] as Vertex, to }));
}

const near = (a: Vertex, b: Vertex): boolean => Math.hypot(a.x - b.x, a.y - b.y) < MEET;

/** The same edge the other way. */
function reversed({ layer, from: { x, y, bulge }, to }: Edge): Edge {
  return { layer, from: { x: to.x, y: to.y, ...(bulge ? { bulge: -bulge } : {}) }, to: { x, y } };
}

/** A contour walked the other way, its arcs where they are. */
const turnedRound = (contour: Contour): Contour =>
  backwards(contour).map(({ x, y, bulge }) => (bulge ? { x, y, bulge: -bulge } : { x, y }));

/** Lines and arcs of one layer that meet end to end and come back to where they began. */
function join(edges: readonly Edge[]): {
  readonly outlines: Outline[];
  readonly lines: OpenLine[];
  readonly open: number;
} {
  const outlines: Outline[] = [];
  const lines: OpenLine[] = [];
  let open = 0;
  const layers = new Set(edges.map(({ layer }) => layer));
  for (const layer of layers) {
    const free = edges.filter((edge) => edge.layer === layer && !near(edge.from, edge.to));
    const ends = new Map<string, Set<number>>();
    const cell = ({ x, y }: Vertex, dx = 0, dy = 0) =>
      `${Math.round(x / MEET) + dx} ${Math.round(y / MEET) + dy}`;
    const file = (v: Vertex, i: number) => {
      const at = ends.get(cell(v)) ?? new Set();
      ends.set(cell(v), at.add(i));
    };
    free.forEach(({ from, to }, i) => {
      file(from, i);
      file(to, i);
    });
    const used = new Set<number>();
    const nextAt = (v: Vertex): number | null => {
      for (const dx of [0, -1, 1])
        for (const dy of [0, -1, 1])
          for (const i of ends.get(cell(v, dx, dy)) ?? []) {
            const edge = free[i] as Edge;
            if (!used.has(i) && (near(edge.from, v) || near(edge.to, v))) return i;
          }
      return null;
    };
    free.forEach((first, i) => {
      if (used.has(i)) return;
      used.add(i);
      const chain = [first];
      for (;;) {
        const { to } = chain.at(-1) as Edge;
        if (near(to, first.from)) {
          outlines.push({ layer, contour: chain.map(({ from }) => from) });
          return;
        }
        const next = nextAt(to);
        if (next === null) {
          open += chain.length;
          lines.push({ layer, points: [...chain.map(({ from }) => from), to] });
          return;
        }
        used.add(next);
        const edge = free[next] as Edge;
        chain.push(near(edge.from, to) ? edge : reversed(edge));
      }
    });
  }
  return { outlines, lines, open };
}

/** Chords of arcs lie at most this far off when an outline is written as corners. mm */
const CHORD = 0.01;

/** An outline as corners about the middle of its box, for a field that takes them. mm */
export function cornersText({ contour }: Outline): string {
  const points: Polygon = flatten(contour, CHORD);
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  const middle = (all: readonly number[]) => (Math.min(...all) + Math.max(...all)) / 2;
  const [cx, cy] = [middle(xs), middle(ys)];
  const number = (value: number) => formatNumber(Math.round(value * 1e4) / 1e4 + 0, 0, 4);
  return `${points.map(({ x, y }) => `${number(x - cx)},${number(y - cy)}`).join(' ')} mm`;
}
