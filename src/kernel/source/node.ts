import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
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
