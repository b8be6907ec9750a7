import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { PdfDocument } from './pdf';

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
