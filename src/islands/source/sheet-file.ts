import type { Worker as Letters } from 'tesseract.js';
import type { Ink } from '../../core/source/ink';
import type { Area, SourcePage } from '../../core/source/page';
import { LARGEST_PICTURE } from '../../core/source/picture/prepare';
import type { Quarters } from '../../core/source/picture/upright';
import { turnOf, wordsOfPage, type PdfDocument } from '../../kernel/source/pdf';
import { readPrepared, seenWords, type Ready } from '../../kernel/source/picture';
import { runJob } from '../common/job';

/** A datasheet that is open: its pages can be drawn and read. */
export interface OpenSheet {
  readonly pages: number;
  /** Size of a page in its own points or pixels. */
  size(page: number): Promise<{ readonly width: number; readonly height: number }>;
  /** Draws a page; `scale` is in pixels for each of its points. */
  draw(page: number, scale: number): Promise<HTMLCanvasElement>;
  /** Words that stand in the page as text; none where it is a picture. */
  words(page: number): Promise<SourcePage>;
  /** What is drawn on the page; nothing of a picture. */
  ink(page: number): Promise<Ink>;
  close(): void;
}

/** A page that was read, and where its words are seen. */
export interface ReadPage {
  readonly page: SourcePage;
  readonly seen: (area: Area) => Area;
}

const asItIs = (area: Area): Area => area;

/** Opens a PDF or a picture. @throws Error in words where it cannot be opened */
export async function openSheet(bytes: Uint8Array, name: string): Promise<OpenSheet> {
  const start = String.fromCharCode(...bytes.subarray(0, 1024));
  return start.includes('%PDF-') ? openPdf(bytes, name) : openPicture(bytes, name);
}

/** Pixels of a picture in a page that is unpacked: A3 at 600 to the inch. */
const LARGEST_IMAGE = 70_000_000;

/** How long a page may be looked through before it is drawn, ms: a tablet unpacks a large scan slowly. */
const LOOK_TIME = 30_000;

/** Where what reads datasheets lies on this server. */
const READING = '/reading';

async function openPdf(bytes: Uint8Array, name: string): Promise<OpenSheet> {
  const [{ getDocument, GlobalWorkerOptions, OPS, VerbosityLevel }, { default: worker }] = await Promise.all([
    import('pdfjs-dist'),
    import('pdfjs-dist/build/pdf.worker.min.mjs?url'),
  ]);
  GlobalWorkerOptions.workerSrc = worker;
  const task = getDocument({
    data: bytes.slice(),
    // larger pictures are left out before they are unpacked
    maxImageSize: LARGEST_IMAGE,
    // letters are drawn as outlines: no font is handed to the page
    disableFontFace: true,
    isEvalSupported: false,
    verbosity: VerbosityLevel.ERRORS,
    standardFontDataUrl: `${READING}/pdf/fonts/`,
    cMapUrl: `${READING}/pdf/cmaps/`,
    wasmUrl: `${READING}/pdf/wasm/`,
  });
  const pdf = await task.promise.catch((error: Error) => {
    const why =
      error.name === 'PasswordException' ? 'it is locked with a password' : 'it is damaged, or no PDF';
    throw new Error(`${name} cannot be opened: ${why}.`);
  });
  const read: PdfDocument = Object.assign(pdf as unknown as PdfDocument, { codes: { ...OPS } });
  return {
    pages: pdf.numPages,
    async size(number) {
      const page = await pdf.getPage(number);
      const rotation = page.rotate + (await turnOf(read, number));
      const { width, height } = page.getViewport({ scale: 1, rotation });
      return { width, height };
    },
    async draw(number, scale) {
      const page = await pdf.getPage(number);
      const rotation = page.rotate + (await turnOf(read, number));
      const { width, height } = page.getViewport({ scale: 1, rotation });
      const viewport = page.getViewport({
        rotation,
        scale: Math.min(scale, Math.sqrt(LARGEST_PICTURE / (width * height))),
      });
      const why = await (await import('../../kernel/source/ink')).whyNotDrawn(read, number, LOOK_TIME);
      if (why !== null) throw new Error(`Page ${number} of ${name} ${why}.`);
      const canvas = blank(Math.ceil(viewport.width), Math.ceil(viewport.height));
      await page.render({ canvas, viewport }).promise;
      return canvas;
    },
    words: (page) => wordsOfPage(read, page),
    ink: async (page) => (await import('../../kernel/source/ink')).inkOfPage(read, page),
    close: () => void task.destroy(),
  };
}

async function openPicture(bytes: Uint8Array, name: string): Promise<OpenSheet> {
  const bitmap = await createImageBitmap(new Blob([bytes.slice().buffer])).catch(() => {
    throw new Error(`${name} cannot be opened: it is no PDF and no picture that this browser reads.`);
  });
  const { width, height } = bitmap;
  if (width * height > LARGEST_PICTURE)
    throw new Error(
      `${name} has ${width} × ${height} pixels; at most ${LARGEST_PICTURE / 1e6} million are read.`,
    );
  return {
    pages: 1,
    size: () => Promise.resolve({ width, height }),
    draw(_page, scale) {
      const canvas = blank(Math.round(width * scale), Math.round(height * scale));
      canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
      return Promise.resolve(canvas);
    },
    words: (number) => Promise.resolve({ number, width, height, words: [], isScan: true }),
    ink: () => Promise.resolve({ paths: [] }),
    close: () => bitmap.close(),
  };
}

function blank(width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width, height];
  return canvas;
}

/** Letters of a page are drawn this large to be read, pixels for a point: 200 to the inch. */
const DRAWN = 200 / 72;

/**
 * Reads a page: its words where it has any, else the picture that it is. Reading a picture takes seconds.
 * @param onPicture told when a picture begins to be read
 */
export async function readPage(sheet: OpenSheet, number: number, onPicture: () => void): Promise<ReadPage> {
  const page = await sheet.words(number);
  if (page.words.length > 0) return { page, seen: asItIs };
  onPicture();
  const scale = page.isScan ? 1 : Math.min(DRAWN, Math.sqrt(LARGEST_PICTURE / (page.width * page.height)));
  const canvas = await sheet.draw(number, scale);
  const prepare = async (quarters: Quarters): Promise<Ready> => {
    const picture = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height);
    if (!picture) throw new Error('The page cannot be drawn to be read.');
    return levelled(picture, quarters);
  };
  const recognise = async (png: Uint8Array) =>
    seenWords((await (await letters()).recognize(new Blob([png.slice().buffer]), {}, { blocks: true })).data);
  const read = await readPrepared(prepare, recognise, number);
  const seen = (area: Area): Area => {
    const { x0, y0, x1, y1 } = read.seen(area);
    return { x0: x0 / scale, y0: y0 / scale, x1: x1 / scale, y1: y1 / scale };
  };
  return { page: read.page, seen };
}

/** How long a picture may take to be made ready, ms. */
const LEVEL_TIME = 60_000;

async function levelled({ width, height, data }: ImageData, quarters: Quarters): Promise<Ready> {
  const made = await runJob({
    job: 'level',
    request: { width, height, data, quarters },
    transfer: [data.buffer],
    signal: new AbortController().signal,
    time: LEVEL_TIME,
    late: `The picture was not made ready within ${LEVEL_TIME / 1000} s. Take a smaller one.`,
    broken: 'Take a smaller picture.',
  });
  if (!made.ok) throw new Error(made.error);
  return made.value;
}

let reader: Promise<Letters> | null = null;

/** The reader of letters; loaded with the first picture and kept while the page is open. */
function letters(): Promise<Letters> {
  reader ??= startLetters().catch((error: unknown) => {
    reader = null;
    throw new Error(`The reader of pictures could not be loaded: ${String(error)}`);
  });
  return reader;
}

async function startLetters(): Promise<Letters> {
  const { createWorker, OEM, PSM } = await import('tesseract.js');
  const worker = await createWorker('eng', OEM.LSTM_ONLY, {
    workerPath: `${READING}/letters/worker.min.js`,
    corePath: `${READING}/letters/tesseract-core-simd-lstm.wasm.js`,
    langPath: `${READING}/letters`,
    workerBlobURL: false,
    cacheMethod: 'none',
    gzip: true,
  });
  await worker.setParameters({ tessedit_pageseg_mode: PSM.SINGLE_BLOCK, preserve_interword_spaces: '1' });
  return worker;
}
