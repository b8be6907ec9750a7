import type { SourcePage, Word } from '../../core/source/page';

// Words of a PDF with their places. What reads the file itself is handed in: the browser has its own build of
// it and a worker for it, the terminal and the server another.

/** As much of a PDF reader as is used here. */
export interface PdfDocument {
  readonly numPages: number;
  getPage(number: number): Promise<PdfPage>;
}

export interface PdfPage {
  getViewport(options: { readonly scale: number }): PdfViewport;
  getTextContent(): Promise<{ readonly items: readonly unknown[] }>;
  render(options: object): { readonly promise: Promise<void>; cancel(): void };
}

export interface PdfViewport {
  readonly width: number;
  readonly height: number;
  readonly transform: readonly number[];
}

/** Most words of a page that are read. */
const MOST_WORDS = 20_000;

interface Item {
  readonly str: string;
  readonly transform: readonly number[];
  readonly width: number;
  readonly height: number;
}

/** Reads the words of a page; a page without any is a picture. */
export async function wordsOfPage(pdf: PdfDocument, number: number): Promise<SourcePage> {
  const page = await pdf.getPage(number);
  const viewport = page.getViewport({ scale: 1 });
  const { items } = await page.getTextContent();
  const words: Word[] = [];
  for (const item of items) {
    if (!isText(item) || words.length >= MOST_WORDS) continue;
    words.push(...wordsOfItem(item, viewport.transform));
  }
  const { width, height } = viewport;
  return { number, width, height, words, isScan: false };
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
  const length = Math.max(1, str.length);
  return [...str.matchAll(/\S+/g)].map(({ 0: text, index }): Word => {
    const from = (width * index) / length;
    const to = (width * (index + text.length)) / length;
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
    return { text, area, sure: 1 };
  });
}

function unit(x: number, y: number): { readonly x: number; readonly y: number } {
  const size = Math.hypot(x, y) || 1;
  return { x: x / size, y: y / size };
}

/** One transformation after another, as PDF writes them. */
function product(m: readonly number[], n: readonly number[]): number[] {
  const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = m;
  const [g = 1, h = 0, i = 0, j = 1, k = 0, l = 0] = n;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}
