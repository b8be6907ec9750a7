import { backwards, flatten, type Contour, type Vertex } from '../../geometry/contour';
import { boxOfPoints } from '../../geometry/box';
import type { Point } from '../../geometry/point';
import { area, type Polygon } from '../../geometry/polygon';
import { fail, ok, type Result } from '../../units/result';
import { formatNumber, MM_PER, quantise, type LengthUnit } from '../../units/length';
import { drawingOf } from './drawing';
import { agreed } from '../../words/agreed';
import { shownBy, type PlacedShape } from './placed';

// Closed outlines of a DXF drawing (the ASCII group codes of release 12 and later): closed shapes of all kinds,
// also in blocks, and lines and arcs that meet end to end. What is not understood or not shown is told.

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
  /** Of an answer that a block asks for: what it is called. */
  readonly tag?: string;
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

/** Ends that are nearer than this meet. mm */
const MEET = 0.005;
/** Lines and arcs that are joined at most. */
const MOST_LOOSE = 20_000;

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
  '8': 25.4e-6,
  '9': 0.0254,
  '12': 1e-6,
  '13': 0.001,
};

/** What a person says of a drawing. */
export interface OutlinesAsked {
  /** Its unit, whatever it says itself. */
  readonly unit?: LengthUnit;
}

/** Reads the closed outlines of a DXF drawing. @returns what it holds, or why it is none */
export function readOutlines(text: string, { unit: said }: OutlinesAsked = {}): Result<Drawn, string> {
  const drawing = drawingOf(text);
  if (!drawing.ok) return drawing;
  const { unit, saysMm } = drawing.value;
  const own = UNITS[unit];
  if (own === undefined && said === undefined)
    return fail(
      `The drawing’s unit ($INSUNITS ${unit}) is not known here; say which it is, or save it in mm.`,
    );
  const factor = said === undefined ? (own ?? 1) : MM_PER[said];
  const shown = shownBy(drawing.value);
  if (!shown.ok) return shown;
  const { shapes, texts, left } = shown.value;
  const all = shapes.map((shape) => ({ ...shape, corners: shape.corners.map((one) => mmOf(one, factor)) }));
  const inMm = all.filter(isInReach);
  const beyond = all.length - inMm.length;
  const loose = inMm.flatMap((shape) => (shape.isClosed ? [] : edgesOf(shape)));
  if (loose.length > MOST_LOOSE)
    return fail(`The drawing has ${loose.length} single lines and arcs; at most ${MOST_LOOSE} are joined.`);
  const joined = join(loose);
  const closed = inMm.flatMap(({ layer, corners, isClosed }) =>
    isClosed ? [{ layer, contour: corners }] : [],
  );
  const outlines = [...closed, ...joined.outlines].flatMap(
    ({ layer, contour }): (Outline & { size: number })[] => {
      const size = area(flatten(contour));
      if (!(Math.abs(size) >= 1e-4)) return [];
      return [{ layer, contour: size > 0 ? contour : turnedRound(contour), size: Math.abs(size) }];
    },
  );
  const words = [...left].map(([what, count]) => `${count} ${what}`);
  const isOtherwise = said !== undefined && unit !== '0' && Math.abs((own ?? NaN) / factor - 1) > 1e-9;
  return ok({
    outlines: outlines.sort((a, b) => b.size - a.size).map(({ layer, contour }) => ({ layer, contour })),
    lines: joined.lines,
    texts: texts.map(({ layer, at, text: letters, tag }) => ({
      ...(tag === undefined ? {} : { tag }),
      layer,
      at: { x: quantise(at.x * factor), y: quantise(at.y * factor) },
      text: letters,
    })),
    left: [
      ...(words.length > 0 ? [`Not taken: ${words.join(', ')}.`] : []),
      ...(beyond > 0
        ? [
            agreed(
              beyond,
              '# [shape is|shapes are] larger than 5 m or farther out than 100 m, and left out: is the unit right?',
            ),
          ]
        : []),
      ...(joined.open > 0 ? [agreed(joined.open, '# [line or arc does|lines and arcs do] not close.')] : []),
      ...(isOtherwise
        ? [
            `The drawing says that its unit is another; it is read in ${said === 'in' ? 'inches' : said}, as was said.`,
          ]
        : []),
      ...(unit === '0' && !saysMm && said === undefined
        ? ['The drawing does not say its unit; it is read in mm.']
        : []),
    ],
  });
}

/** How large a shape may be, and how far out it may lie, mm. */
const LARGEST = 5_000;
const FARTHEST = 100_000;

/** Whether a shape can be part of a drawing of a board or a package. */
function isInReach({ corners }: PlacedShape): boolean {
  // what is drawn of an arc, not its ends alone
  const box = boxOfPoints(flatten(corners, 1));
  if (!box) return true;
  const { minX, minY, maxX, maxY } = box;
  const away = Math.max(-minX, -minY, maxX, maxY);
  return away <= FARTHEST && Math.max(maxX - minX, maxY - minY) <= LARGEST;
}

function mmOf({ x, y, bulge }: Vertex, factor: number): Vertex {
  return { x: quantise(x * factor), y: quantise(y * factor), ...(bulge ? { bulge } : {}) };
}

const edgesOf = ({ layer, corners }: PlacedShape): Edge[] =>
  corners.slice(1).map((to, i) => ({ layer, from: corners[i] as Vertex, to }));

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
