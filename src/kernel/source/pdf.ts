import type { SourcePage, Word } from '../../core/source/page';
import { letterStarts } from './letter-widths';

// Words of a PDF with their places. What reads the file itself is handed in: the browser has its own build of
// it and a worker for it, the terminal and the server another.

/** As much of a PDF reader as is used here. */
export interface PdfDocument {
  readonly numPages: number;
  /** Codes of the operators that its pages list, by name. */
  readonly codes: Readonly<Record<string, number>>;
  getPage(number: number): Promise<PdfPage>;
}

export interface PdfPage {
  /** How it is turned by itself, degrees clockwise. */
  readonly rotate: number;
  getViewport(options: { readonly scale: number; readonly rotation?: number }): PdfViewport;
  streamTextContent(): ReadableStream<{ readonly items: readonly unknown[] }>;
  render(options: object): {
    readonly promise: Promise<void>;
    cancel(): void;
    onContinue?: ((goOn: () => void) => void) | null;
  };
}

export interface PdfViewport {
  readonly width: number;
  readonly height: number;
  readonly transform: readonly number[];
}

/** Most words of a page that are read; a page full of small print has two thousand. */
const MOST_WORDS = 8000;
/** What is longer is no word of a datasheet. */
const LONGEST_WORD = 200;
/** How long a page's text may take, ms: pages whose forms hold forms go on without end. */
const TEXT_TIME = 2000;

interface Item {
  readonly str: string;
  readonly transform: readonly number[];
  readonly width: number;
  readonly height: number;
}

/** Reads the words of a page without drawing it; a page without any is a picture. */
export async function wordsOfPage(pdf: PdfDocument, number: number): Promise<SourcePage> {
  const page = await pdf.getPage(number);
  const asItIs = page.getViewport({ scale: 1 });
  const read = await wordsIn(page, asItIs);
  const turn = turnOfWords(read.words);
  turnsOf(pdf).set(number, turn);
  const viewport = turn === 0 ? asItIs : page.getViewport({ scale: 1, rotation: page.rotate + turn });
  const { words, cut } = turn === 0 ? read : await wordsIn(page, viewport);
  const { width, height } = viewport;
  return {
    number,
    width,
    height,
    words,
    isScan: false,
    ...(cut === null ? {} : { cut: `Page ${number} ${cut}.` }),
  };
}

/** By how much pages are turned beyond what they say, degrees clockwise; known once they were looked at. */
const turns = new WeakMap<PdfDocument, Map<number, number>>();

function turnsOf(pdf: PdfDocument): Map<number, number> {
  const known = turns.get(pdf) ?? new Map<number, number>();
  turns.set(pdf, known);
  return known;
}

/** By how much a page is turned beyond what it says, degrees clockwise, so that its text stands upright. */
export async function turnOf(pdf: PdfDocument, number: number): Promise<number> {
  const known = turnsOf(pdf).get(number);
  if (known !== undefined) return known;
  const page = await pdf.getPage(number);
  const turn = turnOfWords((await wordsIn(page, page.getViewport({ scale: 1 }))).words);
  turnsOf(pdf).set(number, turn);
  return turn;
}

/** Letters that a turned page has at least, and how many times as many as stand upright. */
const LEAST_LETTERS = 12;
const MOST_TURNED = 1.5;

/** By how much a page has to be turned clockwise so that nearly all its words stand upright. */
function turnOfWords(words: readonly Word[]): number {
  const letters = new Map<number, number>();
  for (const { text, angle = 0 } of words) {
    // numbers of upright dimensions are turned on any drawing; sentences and titles stand as the page does
    if (!/\p{L}{2}/u.test(text)) continue;
    const quarter = ((Math.round(angle / 90) % 4) + 4) % 4;
    letters.set(quarter, (letters.get(quarter) ?? 0) + text.length);
  }
  const upright = letters.get(0) ?? 0;
  const [most = [0, 0]] = [...letters].sort((a, b) => b[1] - a[1]);
  const [quarter, count] = most;
  return count >= LEAST_LETTERS && count > MOST_TURNED * upright ? 90 * quarter : 0;
}

/** The words of a page as a view of it has them. */
async function wordsIn(
  page: PdfPage,
  viewport: PdfViewport,
): Promise<{ readonly words: readonly Word[]; readonly cut: string | null }> {
  const words: Word[] = [];
  let cut: string | null = null;
  const reader = page.streamTextContent().getReader();
  const late = performance.now() + TEXT_TIME;
  const read = () => within(reader.read(), late, { items: [] });
  for (let next = await read(); !next.done; next = await read()) {
    for (const item of next.value.items)
      if (isText(item)) words.push(...wordsOfItem(item, viewport.transform));
    if (words.length > MOST_WORDS) cut = `has more than ${MOST_WORDS} words; the first were read`;
    else if (performance.now() > late)
      cut = `has text that takes longer than ${TEXT_TIME / 1000} s; its first words were read`;
    if (cut !== null) break;
  }
  if (cut !== null) void reader.cancel(new Error('enough')).catch(() => undefined);
  return { words: words.slice(0, MOST_WORDS), cut };
}

/** What is read next, or an empty part where that comes too late: a page may go on without end. */
export function within<T>(
  next: Promise<ReadableStreamReadResult<T>>,
  late: number,
  empty: T,
): Promise<ReadableStreamReadResult<T>> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(
      () => resolve({ done: false, value: empty }),
      Math.max(0, late - performance.now()) + 1,
    );
    void next.then(resolve, reject).finally(() => clearTimeout(timer));
  });
}

function isText(item: unknown): item is Item {
  return typeof item === 'object' && item !== null && 'str' in item && 'transform' in item;
}

/** Words of one run of text: where blanks part it, by the share of its letters. */
function wordsOfItem({ str, transform, width, height }: Item, view: readonly number[]): Word[] {
  const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = product(view, transform);
  const size = Math.hypot(c, d) || height || 1;
  // along the text and across it, in the page's points
  const along = unit(a, b);
  const up = unit(c, d);
  const starts = letterStarts(str, width / (size * Math.max(1, str.length)));
  return [...str.matchAll(/\S+/g)]
    .filter(({ 0: text }) => text.length <= LONGEST_WORD)
    .map(({ 0: text, index }): Word => {
      const from = width * (starts[index] ?? 0);
      const to = width * (starts[index + text.length] ?? 1);
      // letters stand from a little under their line to three quarters over it
      const corners = [from, to].flatMap((s) =>
        [-0.18 * size, 0.74 * size].map((t) => ({
          x: e + along.x * s + up.x * t,
          y: f + along.y * s + up.y * t,
        })),
      );
      const xs = corners.map(({ x }) => x);
      const ys = corners.map(({ y }) => y);
      const area = { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) };
      return { text, area, sure: 1, ...turnedBy(along, size) };
    });
}

/** How turned text stands; nothing of text that stands upright. */
function turnedBy({ x, y }: { readonly x: number; readonly y: number }, size: number): Partial<Word> {
  const angle = Math.round((Math.atan2(-y, x) * 1800) / Math.PI) / 10;
  return angle === 0 ? {} : { angle: angle === -180 ? 180 : angle, size };
}

function unit(x: number, y: number): { readonly x: number; readonly y: number } {
  const size = Math.hypot(x, y) || 1;
  return { x: x / size, y: y / size };
}

/** One transformation after another, as PDF writes them. */
export function product(m: readonly number[], n: readonly number[]): number[] {
  const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = m;
  const [g = 1, h = 0, i = 0, j = 1, k = 0, l = 0] = n;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}
