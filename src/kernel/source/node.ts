import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { decode } from 'fast-png';
import { greyOf, type Grey } from '../../core/source/picture/grey';
import { LARGEST_PICTURE } from '../../core/source/picture/prepare';
import { fail, ok, type Result } from '../../core/units/result';
import type { PdfDocument } from './pdf';
import { seenWords, type Recognise } from './picture';

// How the terminal and the server open PDFs: the same reader as in the browser, with its files beside it.

const at = (file: string) => createRequire(import.meta.url).resolve(file);

/** Opens a PDF. @throws Error where it is none, is damaged or has a password */
export async function openPdf(bytes: Uint8Array): Promise<PdfDocument & { destroy: () => Promise<void> }> {
  const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const root = dirname(at('pdfjs-dist/package.json'));
  const task = getDocument({
    // the reader keeps what it is given
    data: new Uint8Array(bytes),
    isEvalSupported: false,
    disableFontFace: true,
    verbosity: VerbosityLevel.ERRORS,
    standardFontDataUrl: `${join(root, 'standard_fonts')}/`,
    cMapUrl: `${join(root, 'cmaps')}/`,
    wasmUrl: `${join(root, 'wasm')}/`,
  });
  const pdf = await task.promise;
  return Object.assign(pdf as unknown as PdfDocument, { destroy: () => task.destroy() });
}

/** A reader of letters in a thread of its own; to be ended after use. */
export async function letterReader(): Promise<{ recognise: Recognise; end: () => Promise<void> }> {
  const { createWorker, OEM, PSM } = await import('tesseract.js');
  const langPath = dirname(at('@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz'));
  const worker = await createWorker('eng', OEM.LSTM_ONLY, { langPath, cacheMethod: 'none', gzip: true });
  await worker.setParameters({ tessedit_pageseg_mode: PSM.SINGLE_BLOCK, preserve_interword_spaces: '1' });
  return {
    recognise: async (png) =>
      seenWords((await worker.recognize(Buffer.from(png), {}, { blocks: true })).data),
    end: async () => {
      await worker.terminate();
    },
  };
}

/** Pixels for a point of a page that is drawn to be read: 200 to the inch. */
const DRAWN = 200 / 72;

/** Draws a page of a PDF as a picture. */
export async function pictureOfPage(
  pdf: PdfDocument,
  number: number,
): Promise<{ readonly grey: Grey; readonly scale: number }> {
  const { createCanvas } = await import('@napi-rs/canvas');
  const page = await pdf.getPage(number);
  const size = page.getViewport({ scale: 1 });
  const scale = Math.min(DRAWN, Math.sqrt(LARGEST_PICTURE / (size.width * size.height)));
  const viewport = page.getViewport({ scale });
  const [width, height] = [Math.ceil(viewport.width), Math.ceil(viewport.height)];
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  context.fillStyle = 'white';
  context.fillRect(0, 0, width, height);
  await page.render({ canvas: null, canvasContext: context, viewport }).promise;
  const { data } = context.getImageData(0, 0, width, height);
  return { grey: greyOf(width, height, data, 4), scale };
}

/** A picture file as shades of grey; PNG by itself, others with what draws pages. */
export async function pictureOf(bytes: Uint8Array): Promise<Result<Grey, string>> {
  try {
    if (bytes[0] === 0x89) {
      // its size stands in the first bytes: what is too large is not unpacked
      const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
      if (view.getUint32(16) * view.getUint32(20) > LARGEST_PICTURE) return fail(TOO_LARGE);
      const { width, height, data, channels, depth, palette } = decode(bytes, { checkCrc: true });
      const samples = depth < 8 ? unpacked(data, width, height, depth) : data;
      if (palette) return ok(greyOf(width, height, coloured(samples, palette), 3));
      // a fax has black and white, and a scan sixteen shades
      const most = 2 ** depth - 1;
      return ok(
        depth < 8
          ? greyOf(
              width,
              height,
              Array.from(samples, (sample) => Math.round((sample / most) * 255)),
              1,
            )
          : greyOf(width, height, data, channels, depth),
      );
    }
    const { createCanvas, loadImage } = await import('@napi-rs/canvas');
    const image = await loadImage(Buffer.from(bytes));
    const { width, height } = image;
    if (width * height > LARGEST_PICTURE) return fail(TOO_LARGE);
    const context = createCanvas(width, height).getContext('2d');
    context.drawImage(image, 0, 0);
    return ok(greyOf(width, height, context.getImageData(0, 0, width, height).data, 4));
  } catch (error) {
    return fail(`the picture cannot be read (${(error as Error).message})`);
  }
}

const TOO_LARGE = `the picture has more than ${LARGEST_PICTURE / 1e6} million pixels`;

/** Samples of fewer than eight bits: rows are packed from the left, and begin with a byte of their own. */
function unpacked(data: ArrayLike<number>, width: number, height: number, depth: number): Uint8Array {
  const samples = new Uint8Array(width * height);
  const perByte = 8 / depth;
  const rowBytes = Math.ceil(width / perByte);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const byte = data[y * rowBytes + Math.floor(x / perByte)] ?? 0;
      const shift = 8 - depth * ((x % perByte) + 1);
      samples[y * width + x] = (byte >> shift) & (2 ** depth - 1);
    }
  return samples;
}

function coloured(data: ArrayLike<number>, palette: readonly (readonly number[])[]): number[] {
  return Array.from(data).flatMap((index) => (palette[index] ?? [255, 255, 255]).slice(0, 3));
}
