import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { MessageChannel, Worker } from 'node:worker_threads';
import type * as Pdfjs from 'pdfjs-dist';
import { greyOf, type Grey } from '../../core/source/picture/grey';
import { LARGEST_PICTURE } from '../../core/source/picture/prepare';
import { fail, ok, type Result } from '../../core/units/result';
import { whyNotDrawn } from './ink';
import type { PdfDocument } from './pdf';
import { seenWords, type Recognise } from './picture';

// How the terminal and the server open PDFs: the same reader as in the browser, with its files beside it.

const at = (file: string) => createRequire(import.meta.url).resolve(file);

/** Pixels of a picture that is unpacked: a page of A3 at 600 to the inch. */
const LARGEST_IMAGE = 70_000_000;
/** Longest side of a picture. */
const LONGEST_SIDE = 30_000;
/** How many times as long as wide a page is at most. */
const NARROWEST = 40;
/** How long a page may take to be looked through, its pictures unpacked, ms: A4 at 600 to the inch takes three. */
const LOOK_TIME = 8000;
/** How long a page may be drawn, ms. */
const DRAW_TIME = 5000;

/** What parses a PDF, in a thread: one that goes on without end lets times run out, and can be ended. */
const PARSER = `const { workerData: { parser, port } } = require('node:worker_threads');
import(parser).then(({ WorkerMessageHandler }) => WorkerMessageHandler.initializeFromPort(port));`;
/** How long a PDF may take to be opened, ms, and what its thread may hold, MB. */
const OPEN_TIME = 10_000;
/** How long its pages may take, ms: many that are pictures take twenty seconds. */
const READ_TIME = 60_000;
const PARSER_MEMORY = 400;

/** A file that takes more time or memory than it may; its message says which. */
class TooMuch extends Error {}

/** What parses PDFs one after the other; to start it takes longer than most of them. */
interface Parser {
  readonly worker: Pdfjs.PDFWorker;
  /** Rejects where it has ended: nothing more comes of what it was given. */
  readonly ended: Promise<never>;
  /** Whether the process waits for it. */
  readonly keep: (isAwaited: boolean) => void;
  readonly end: () => Promise<unknown>;
}

/** A parser that has nothing to do; it does not keep the process. */
let idle: Parser | null = null;

const root = dirname(at('pdfjs-dist/package.json'));

/** Starts what parses PDFs, in a thread with a bound on its memory. */
function startParser({ PDFWorker, VerbosityLevel }: typeof Pdfjs): Parser {
  const { port1, port2 } = new MessageChannel();
  const script = pathToFileURL(join(root, 'legacy/build/pdf.worker.mjs')).href;
  const thread = new Worker(PARSER, {
    eval: true,
    workerData: { parser: script, port: port2 },
    transferList: [port2],
    resourceLimits: { maxOldGenerationSizeMb: PARSER_MEMORY },
  });
  const ended = new Promise<never>((_, reject) => {
    thread.once('error', () => reject(new TooMuch('it takes more memory than a datasheet may')));
  });
  const worker = new PDFWorker({ port: port1 as unknown as null, verbosity: VerbosityLevel.ERRORS });
  const parser: Parser = {
    worker,
    ended,
    keep: (isAwaited) => {
      for (const one of [thread, port1]) one[isAwaited ? 'ref' : 'unref']();
    },
    end: () => {
      port1.close();
      worker.destroy();
      return thread.terminate();
    },
  };
  // one that ends while it has nothing to do is not handed the next file
  thread.once('exit', () => {
    if (idle === parser) idle = null;
  });
  // what waits for it is told; where nothing waits there is nobody to tell
  ended.catch(() => {
    if (idle === parser) idle = null;
  });
  return parser;
}

/** How long a parser may take to leave a PDF, ms; after that it is ended with it. */
const LEAVE_TIME = 500;

/** A PDF that is open. */
type OpenPdf = PdfDocument & {
  readonly destroy: () => Promise<void>;
  /** Rejects where what parses it has ended. */
  readonly ended: Promise<never>;
};

/** Opens a PDF. @throws Error where it is none, is damaged, has a password or takes too much */
export async function openPdf(bytes: Uint8Array): Promise<OpenPdf> {
  const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const parser = idle ?? startParser(pdfjs);
  idle = null;
  parser.keep(true);
  const task = pdfjs.getDocument({
    // the reader keeps what it is given
    data: new Uint8Array(bytes),
    worker: parser.worker,
    isEvalSupported: false,
    disableFontFace: true,
    // larger ones are left out before they are unpacked
    maxImageSize: LARGEST_IMAGE,
    verbosity: pdfjs.VerbosityLevel.ERRORS,
    standardFontDataUrl: `${join(root, 'standard_fonts')}/`,
    cMapUrl: `${join(root, 'cmaps')}/`,
    wasmUrl: `${join(root, 'wasm')}/`,
  });
  const destroy = async () => {
    try {
      // it answers once nothing of the file is worked on any more
      await inTime(Promise.race([task.destroy(), parser.ended]), LEAVE_TIME, 'it does not come to an end');
    } catch {
      return void (await parser.end());
    }
    if (idle) return void (await parser.end());
    parser.keep(false);
    idle = parser;
  };
  try {
    const pdf = await inTime(
      Promise.race([task.promise, parser.ended]),
      OPEN_TIME,
      'it takes too long to be opened',
    );
    return Object.assign(pdf as unknown as PdfDocument, {
      codes: { ...pdfjs.OPS },
      destroy,
      ended: parser.ended,
    });
  } catch (error) {
    // it may still be at what could not be opened, and would keep the next file waiting
    await parser.end();
    throw error;
  }
}

/** Says that something did not come in time. */
export const LATE = Symbol('late');

/** What is waited for, or {@link LATE} where it has not come by then; what comes of it later is of no interest. */
export async function orLate<T>(promise: Promise<T>, ms: number): Promise<T | typeof LATE> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<typeof LATE>((resolve) => {
    timer = setTimeout(() => resolve(LATE), ms);
  });
  try {
    return await Promise.race([promise, late]);
  } finally {
    clearTimeout(timer);
    promise.catch(() => undefined);
  }
}

/** What is waited for, or an error in words where that takes too long. */
async function inTime<T>(promise: Promise<T>, ms: number, words: string): Promise<T> {
  const come = await orLate(promise, ms);
  if (come === LATE) throw new TooMuch(words);
  return come;
}

/** Pages that are to be looked at: the one that is named, or the first of all. */
interface PagesAsked {
  readonly bytes: Uint8Array;
  /** What the file is called in refusals. */
  readonly name: string;
  readonly page?: number | undefined;
  readonly most: number;
}

/** Opens a PDF, reads some of its pages and closes it. @returns what was read, or why not, in words */
export async function withPages<T>(
  { bytes, name, page, most }: PagesAsked,
  read: (pdf: PdfDocument, numbers: readonly number[]) => Promise<Result<T, string>>,
): Promise<Result<T, string>> {
  const why = (error: unknown) => (error as Error).message.slice(0, 200);
  let pdf: OpenPdf;
  try {
    pdf = await openPdf(bytes);
  } catch (error) {
    return fail(`${name} cannot be opened: ${why(error)}`);
  }
  try {
    const pages = pdf.numPages;
    if (page !== undefined && !(Number.isInteger(page) && page >= 1 && page <= pages))
      return fail(`${name} has ${pages} ${pages === 1 ? 'page' : 'pages'}, and no page ${page}.`);
    const first = Array.from({ length: Math.min(pages, most) }, (_, i) => i + 1);
    const reading = read(pdf, page === undefined ? first : [page]);
    return await inTime(Promise.race([reading, pdf.ended]), READ_TIME, 'its pages take too long to be read');
  } catch (error) {
    return fail(`${name} ${error instanceof TooMuch ? 'cannot be read' : 'is damaged'}: ${why(error)}`);
  } finally {
    await pdf.destroy();
  }
}

/** How long the letters of a page may take, ms: a dense one takes five seconds. */
const LETTER_TIME = 20_000;

/** A reader of letters in a thread of its own, which is begun once there are letters; to be ended after use. */
export function letterReader(): { recognise: Recognise; end: () => Promise<void> } {
  const begin = async () => {
    const { createWorker, OEM, PSM } = await import('tesseract.js');
    const langPath = dirname(at('@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz'));
    const worker = await createWorker('eng', OEM.LSTM_ONLY, { langPath, cacheMethod: 'none', gzip: true });
    await worker.setParameters({
      tessedit_pageseg_mode: PSM.SINGLE_BLOCK,
      preserve_interword_spaces: '1',
    });
    return worker;
  };
  let begun: ReturnType<typeof begin> | null = null;
  return {
    recognise: async (png) => {
      begun ??= begin();
      const read = (await begun).recognize(Buffer.from(png), {}, { blocks: true });
      return seenWords((await inTime(read, LETTER_TIME, 'its letters take too long to be read')).data);
    },
    end: async () => {
      if (begun) await (await begun).terminate();
    },
  };
}

/** Pixels for a point of a page that is drawn to be read: 200 to the inch. */
const DRAWN = 200 / 72;

/** Draws a page of a PDF as a picture. @returns or why it cannot be drawn */
export async function pictureOfPage(
  pdf: PdfDocument,
  number: number,
): Promise<Result<{ readonly grey: Grey; readonly scale: number }, string>> {
  const { createCanvas } = await import('@napi-rs/canvas');
  const page = await pdf.getPage(number);
  const size = page.getViewport({ scale: 1 });
  const [short, long] = [Math.min(size.width, size.height), Math.max(size.width, size.height)];
  // letters are not sought on what is as narrow as a tape either
  if (!(short > 0 && short * long < 1e9 && long < NARROWEST * short))
    return fail(`page ${number} is ${size.width} × ${size.height} points large, which no page is`);
  const why = await whyNotDrawn(pdf, number, LOOK_TIME);
  if (why !== null) return fail(`page ${number} ${why}`);
  const scale = Math.min(DRAWN, Math.sqrt(LARGEST_PICTURE / (size.width * size.height)));
  const viewport = page.getViewport({ scale });
  const [width, height] = [Math.ceil(viewport.width), Math.ceil(viewport.height)];
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  context.fillStyle = 'white';
  context.fillRect(0, 0, width, height);
  const drawing = page.render({ canvas: null, canvasContext: context, viewport });
  const late = performance.now() + DRAW_TIME;
  // it goes on in slices; between them it can be ended
  drawing.onContinue = (goOn) => {
    if (performance.now() > late) drawing.cancel();
    else setImmediate(goOn);
  };
  try {
    // what is to be drawn may never be told
    await inTime(drawing.promise, DRAW_TIME, 'it takes too long');
  } catch (error) {
    drawing.cancel();
    const { name, message } = error as Error;
    return fail(
      name === 'RenderingCancelledException' || error instanceof TooMuch
        ? `page ${number} takes longer than ${DRAW_TIME / 1000} s to be drawn`
        : `page ${number} cannot be drawn (${message.slice(0, 100)})`,
    );
  }
  const { data } = context.getImageData(0, 0, width, height);
  return ok({ grey: greyOf(width, height, data, 4), scale });
}

/** A picture file as shades of grey; one that is larger than is read is made smaller. */
export async function pictureOf(bytes: Uint8Array): Promise<Result<Grey, string>> {
  const { default: sharp } = await import('sharp');
  try {
    const image = sharp(bytes, { limitInputPixels: LARGEST_IMAGE, failOn: 'warning', sequentialRead: true });
    const { width, height } = await image.metadata();
    if (Math.max(width, height) > LONGEST_SIDE)
      return fail(`the picture has ${width} × ${height} pixels; at most ${LONGEST_SIDE} are read on a side`);
    const scale = Math.min(1, Math.sqrt(LARGEST_PICTURE / (width * height)));
    const { data, info } = await image
      .autoOrient()
      .resize(scale < 1 ? { width: Math.floor(width * scale) } : {})
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    return ok(greyOf(info.width, info.height, data, info.channels));
  } catch (error) {
    const [first = ''] = (error as Error).message.split('\n');
    return fail(
      /pixel limit/.test(first)
        ? `the picture has more than ${LARGEST_IMAGE / 1e6} million pixels`
        : `the picture cannot be read (${first.slice(0, 120)})`,
    );
  }
}
