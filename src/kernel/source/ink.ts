import {
  MOST_PATHS,
  MOST_POINTS,
  type Filling,
  type Ink,
  type InkLine,
  type InkPath,
} from '../../core/source/ink';
import { clipLine, overlapOf } from '../../core/source/clip';
import type { Area } from '../../core/source/page';
import { product, turnOf, within, type PdfDocument } from './pdf';

// The lines and areas that a PDF draws on a page, from the list of operators that its reader makes of it. Nothing
// is painted: transformations, clips to boxes, widths, dashes and kinds of filling are followed as they are said.

/** Operators of a page, as the reader of PDFs hands them over part by part. */
interface Operators {
  readonly fnArray: readonly number[];
  readonly argsArray: readonly (readonly unknown[] | null)[];
}

/**
 * What of the reader is used beyond what it declares: its list of operators comes as a stream that can be ended. The
 * call that it declares waits for the whole list, and a page may have one without an end.
 */
interface Listing {
  readonly _pageIndex: number;
  readonly _transport: {
    getRenderingIntent(intent: 'display'): {
      readonly renderingIntent: number;
      readonly cacheKey: string;
      readonly annotationStorageSerializable: { readonly map: unknown };
      readonly modifiedIds: unknown;
    };
    readonly messageHandler: {
      sendWithStream(name: 'GetOperatorList', data: object): ReadableStream<Operators>;
    };
  };
}

/** How long a page's drawing may take to be listed, ms. */
const INK_TIME = 2000;
/** Shadings of a page that is drawn: each covers all of it. */
const MOST_SHADINGS = 500;
/** States that are kept at a time; a page that saves more never restores them. */
const DEEPEST = 500;

/** What holds while a path is drawn. */
interface State {
  readonly matrix: readonly number[];
  readonly width: number;
  readonly isDashed: boolean;
  readonly stroked: Filling;
  readonly filled: Filling;
  /** How much the two cover, from 0. */
  readonly strokeAlpha: number;
  readonly fillAlpha: number;
  readonly clip: Area;
}

/** Reads what is drawn on a page. */
export async function inkOfPage(pdf: PdfDocument, number: number): Promise<Ink> {
  const page = await pdf.getPage(number);
  const rotation = page.rotate + (await turnOf(pdf, number));
  const { width, height, transform } = page.getViewport({ scale: 1, rotation });
  const names = new Map(Object.entries(pdf.codes).map(([name, code]) => [code, name]));
  const walk = new Walk(names, {
    matrix: transform,
    width: 1,
    isDashed: false,
    stroked: 'solid',
    filled: 'solid',
    strokeAlpha: 1,
    fillAlpha: 1,
    clip: { x0: 0, y0: 0, x1: width, y1: height },
  });
  const isLate = await listed(page, INK_TIME, ({ fnArray, argsArray }) =>
    fnArray.every((code, i) => walk.step(code, argsArray[i] ?? [])),
  );
  const cut = walk.isFull
    ? `has more lines than a drawing has; the first ${walk.paths.length} were read`
    : isLate
      ? `takes longer than ${INK_TIME / 1000} s to be drawn; the first of its lines were read`
      : null;
  return { paths: walk.paths, ...(cut === null ? {} : { cut: `Page ${number} ${cut}.` }) };
}

/**
 * Goes through the operators of a page, part by part.
 * @param take takes a part, and says whether to go on
 * @returns whether they went on longer than they may
 */
async function listed(page: unknown, time: number, take: (part: Operators) => boolean): Promise<boolean> {
  const reader = operatorsOf(page as Listing).getReader();
  const late = performance.now() + time;
  const read = () => within(reader.read(), late, { fnArray: [], argsArray: [] });
  let isLate = false;
  for (let next = await read(); !next.done; next = await read()) {
    const goesOn = take(next.value);
    isLate = performance.now() > late;
    if (!goesOn || isLate) {
      void reader.cancel(new Error('enough')).catch(() => undefined);
      break;
    }
  }
  return isLate;
}

/**
 * Why a page is not drawn, in words that follow “page 3”; `null` where it can be. Its drawing cannot be ended
 * while it goes over one picture or shading, and a picture whose sizes are no whole numbers goes on without end.
 * @param time how long the page may be looked through, ms
 */
export function whyNotDrawn(pdf: PdfDocument, number: number, time: number): Promise<string | null> {
  const known = looked.get(pdf) ?? new Map<number, Promise<string | null>>();
  looked.set(pdf, known);
  const why = known.get(number) ?? lookedThrough(pdf, number, time);
  known.set(number, why);
  return why;
}

/** Pages that were looked through. */
const looked = new WeakMap<PdfDocument, Map<number, Promise<string | null>>>();

async function lookedThrough(pdf: PdfDocument, number: number, time: number): Promise<string | null> {
  const names = new Map(Object.entries(pdf.codes).map(([name, code]) => [code, name]));
  let odd: string | null = null;
  let shadings = 0;
  const isLate = await listed(await pdf.getPage(number), time, (part) => {
    odd ??= oddPicture(part, names, 0);
    shadings += part.fnArray.filter((code) => names.get(code) === 'shadingFill').length;
    if (shadings > MOST_SHADINGS) odd ??= `is shaded more than ${MOST_SHADINGS} times`;
    return odd === null;
  });
  return odd ?? (isLate ? `takes longer than ${time / 1000} s to be unpacked` : null);
}

const isOperators = (value: unknown): value is Operators =>
  typeof value === 'object' && value !== null && 'fnArray' in value && 'argsArray' in value;

/** The first picture of some operators, those of its patterns too, that has no size, in words. */
function oddPicture(
  { fnArray, argsArray }: Operators,
  names: ReadonlyMap<number, string>,
  depth: number,
): string | null {
  for (const [i, code] of fnArray.entries()) {
    const args = argsArray[i] ?? [];
    const nested = args.find(isOperators);
    const within = nested && depth < DEEPEST ? oddPicture(nested, names, depth + 1) : null;
    if (within !== null) return within;
    if (!/^paint.*Image/.test(names.get(code) ?? '')) continue;
    const [first, ...sizes] = args;
    const own =
      typeof first === 'object' && first !== null ? (first as { width?: unknown; height?: unknown }) : {};
    const said = [own.width, own.height, ...sizes.slice(0, 2)].filter((one) => typeof one === 'number');
    if (said.some((side) => !Number.isInteger(side) || side < 1))
      return `has a picture of ${said.slice(0, 2).join(' × ')} pixels, which is no size`;
  }
  return null;
}

function operatorsOf({ _pageIndex, _transport }: Listing): ReadableStream<Operators> {
  const { renderingIntent, cacheKey, annotationStorageSerializable, modifiedIds } =
    _transport.getRenderingIntent('display');
  return _transport.messageHandler.sendWithStream('GetOperatorList', {
    pageId: _pageIndex,
    pageIndex: _pageIndex,
    intent: renderingIntent,
    cacheKey,
    annotationStorage: annotationStorageSerializable.map,
    modifiedIds,
  });
}

/** Walks over the operators of one page and gathers what they draw. */
class Walk {
  readonly paths: InkPath[] = [];
  isFull = false;
  private readonly kept: State[] = [];
  private points = 0;
  /** Whether the next path clips, and the box of one that waits to. */
  private clipNext = false;
  private pending: Area | null = null;

  constructor(
    /** The reader's operators by their codes. */
    private readonly names: ReadonlyMap<number, string>,
    private state: State,
  ) {}

  /** Follows one operator. @returns whether to go on */
  step(code: number, args: readonly unknown[]): boolean {
    const name = this.names.get(code) ?? '';
    const [first] = args;
    switch (name) {
      case 'save':
      case 'beginGroup':
        this.save();
        break;
      case 'restore':
      case 'endGroup':
      case 'paintFormXObjectEnd':
      case 'endAnnotation':
        this.state = this.kept.pop() ?? this.state;
        break;
      case 'transform':
        this.set({ matrix: product(this.state.matrix, args as number[]) });
        break;
      case 'paintFormXObjectBegin':
        this.save();
        if (isNumbers(first)) this.set({ matrix: product(this.state.matrix, first) });
        if (isNumbers(args[1])) this.clipTo(boxOf(args[1], this.state.matrix));
        break;
      case 'setLineWidth':
        this.set({ width: Number(first) || 0 });
        break;
      case 'setDash':
        this.set({ isDashed: isDash(first) });
        break;
      case 'setGState':
        for (const [key, value] of (first ?? []) as [string, unknown][]) this.graphics(key, value);
        break;
      case 'setStrokeColorN':
        this.set({ stroked: 'pattern' });
        break;
      case 'setFillColorN':
        this.set({ filled: 'pattern' });
        break;
      case 'constructPath':
        return this.path(args);
      case 'clip':
      case 'eoClip':
        // the path that clips is told by the operator that ends it
        this.clipNext = true;
        break;
      default:
        if (/^setStroke.*Color$|^setStrokeGray$/.test(name)) this.set({ stroked: shadeOf(first) });
        else if (/^setFill.*Color$|^setFillGray$/.test(name)) this.set({ filled: shadeOf(first) });
    }
    return !this.isFull;
  }

  private save(): void {
    if (this.kept.length < DEEPEST) this.kept.push(this.state);
  }

  private set(part: Partial<State>): void {
    this.state = { ...this.state, ...part };
  }

  private graphics(key: string, value: unknown): void {
    if (key === 'LW') this.set({ width: Number(value) || 0 });
    if (key === 'D') this.set({ isDashed: isDash((value as unknown[])?.[0]) });
    if (key === 'CA') this.set({ strokeAlpha: Number(value) });
    if (key === 'ca') this.set({ fillAlpha: Number(value) });
  }

  private clipTo(box: Area | null): void {
    if (box) this.set({ clip: overlapOf(this.state.clip, box) ?? NOWHERE });
  }

  /** A path that is drawn, fills, clips, or ends without any. */
  private path([how, data, bounds]: readonly unknown[]): boolean {
    const runs = Array.isArray(data) ? (data as readonly unknown[])[0] : null;
    const { matrix, clip, width, isDashed } = this.state;
    const scale = Math.sqrt(
      Math.abs((matrix[0] ?? 1) * (matrix[3] ?? 1) - (matrix[1] ?? 0) * (matrix[2] ?? 0)),
    );
    if (this.clipNext) {
      this.clipNext = false;
      this.pending = isNumbers(bounds) ? boxOf(bounds, matrix) : null;
    }
    const paint = this.names.get(Number(how)) ?? '';
    const isStroked = STROKES.test(paint) && this.state.strokeAlpha > 0.03 && this.state.stroked !== 'paper';
    const fill = FILLS.test(paint) && this.state.fillAlpha > 0.03 ? this.state.filled : null;
    if ((isStroked || fill !== null) && isNumbers(runs) && inside(bounds, matrix, clip)) {
      const lines = linesOf(runs, matrix);
      // what fills an area is kept whole, and a line as far as it is seen
      const seen = fill !== null ? lines : lines.flatMap((line) => clipLine(line, clip));
      this.points += seen.reduce((sum, { points }) => sum + points.length / 2, 0);
      if (seen.length > 0)
        this.paths.push({
          lines: seen,
          ...(isStroked ? { stroke: { width: width * scale, isDashed } } : {}),
          ...(fill === null ? {} : { fill }),
        });
    }
    this.clipTo(this.pending);
    this.pending = null;
    this.isFull = this.paths.length >= MOST_PATHS || this.points >= MOST_POINTS;
    return !this.isFull;
  }
}

const NOWHERE: Area = { x0: -1, y0: -1, x1: -1, y1: -1 };

/** What ends a path strokes it, fills it, or does both. */
const STROKES = /stroke/i;
const FILLS = /fill/i;

function isNumbers(value: unknown): value is readonly number[] {
  return Array.isArray(value) || ArrayBuffer.isView(value);
}

const isDash = (value: unknown): boolean =>
  isNumbers(value) && value.length > 0 && Array.from(value).some((part) => part > 0);

/** What ink of a colour is: `#rrggbb`, as the reader of PDFs says all colours. */
function shadeOf(colour: unknown): Filling {
  const [, r = '0', g = '0', b = '0'] = /^#(..)(..)(..)$/.exec(String(colour)) ?? [];
  const [red, green, blue] = [r, g, b].map((part) => Number.parseInt(part, 16) / 255);
  const bright = 0.3 * (red ?? 0) + 0.59 * (green ?? 0) + 0.11 * (blue ?? 0);
  if (bright > 0.96) return 'paper';
  return bright < 0.3 ? 'solid' : 'tint';
}

const at = (m: readonly number[], x: number, y: number): [number, number] => [
  (m[0] ?? 1) * x + (m[2] ?? 0) * y + (m[4] ?? 0),
  (m[1] ?? 0) * x + (m[3] ?? 1) * y + (m[5] ?? 0),
];

/** A box of the path's own as the box round it on the page. */
function boxOf(bounds: readonly number[], matrix: readonly number[]): Area {
  const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = bounds;
  const corners = [at(matrix, x0, y0), at(matrix, x1, y0), at(matrix, x0, y1), at(matrix, x1, y1)];
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) };
}

function inside(bounds: unknown, matrix: readonly number[], clip: Area): boolean {
  if (!isNumbers(bounds)) return true;
  const { x0, y0, x1, y1 } = boxOf(bounds, matrix);
  return (
    [x0, y0, x1, y1].every(Number.isFinite) &&
    x1 >= clip.x0 &&
    x0 <= clip.x1 &&
    y1 >= clip.y0 &&
    y0 <= clip.y1
  );
}

/** Chords that a bend becomes. */
const CHORDS = 8;

/** The runs of a path: its codes are move, line, two kinds of bends, and close. */
function linesOf(data: readonly number[], matrix: readonly number[]): InkLine[] {
  const lines: InkLine[] = [];
  let points: number[] = [];
  let isCurved = false;
  let [x, y] = [0, 0];
  const end = (isClosed: boolean) => {
    if (points.length >= 4) lines.push({ points, isClosed, isCurved });
    points = [];
    isCurved = false;
  };
  const put = (toX: number, toY: number) => {
    points.push(...at(matrix, toX, toY));
    [x, y] = [toX, toY];
  };
  let start: readonly [number, number] = [0, 0];
  for (let i = 0; i < data.length;) {
    const code = data[i];
    const next = (k: number) => data[i + k] ?? 0;
    if (code === 0) {
      end(false);
      put(next(1), next(2));
      start = [x, y];
      i += 3;
    } else if (code === 1) {
      if (points.length === 0) put(...start);
      put(next(1), next(2));
      i += 3;
    } else if (code === 2 || code === 3) {
      if (points.length === 0) put(...start);
      const [x0, y0] = [x, y];
      const isCubic = code === 2;
      const to = isCubic ? [next(5), next(6)] : [next(3), next(4)];
      const [ax, ay] = isCubic
        ? [next(1), next(2)]
        : [x0 + (2 / 3) * (next(1) - x0), y0 + (2 / 3) * (next(2) - y0)];
      const [tx = 0, ty = 0] = to;
      const [bx, by] = isCubic
        ? [next(3), next(4)]
        : [tx + (2 / 3) * (next(1) - tx), ty + (2 / 3) * (next(2) - ty)];
      for (let k = 1; k <= CHORDS; k += 1) {
        const t = k / CHORDS;
        const s = 1 - t;
        put(
          s ** 3 * x0 + 3 * s * s * t * ax + 3 * s * t * t * bx + t ** 3 * tx,
          s ** 3 * y0 + 3 * s * s * t * ay + 3 * s * t * t * by + t ** 3 * ty,
        );
      }
      isCurved = true;
      i += isCubic ? 7 : 5;
    } else {
      end(true);
      [x, y] = start;
      i += 1;
    }
  }
  end(false);
  return lines;
}
