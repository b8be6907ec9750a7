// Puts what reads datasheets in the browser beside the pages: fonts and character maps for PDFs that do not
// carry their own, decoders of pictures in them, and the reader of letters with its data. All is loaded only
// when a datasheet asks for it, from this server.
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const at = (path) => fileURLToPath(new URL(`../node_modules/${path}`, import.meta.url));
const target = fileURLToPath(new URL('../public/reading/', import.meta.url));

const COPIES = [
  ['pdfjs-dist/standard_fonts', 'pdf/fonts'],
  ['pdfjs-dist/cmaps', 'pdf/cmaps'],
  ['pdfjs-dist/wasm', 'pdf/wasm'],
  ['tesseract.js/dist/worker.min.js', 'letters/worker.min.js'],
  ['tesseract.js-core/tesseract-core-simd-lstm.wasm.js', 'letters/tesseract-core-simd-lstm.wasm.js'],
  ['@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz', 'letters/eng.traineddata.gz'],
];
const version = (name) => JSON.parse(readFileSync(at(`${name}/package.json`), 'utf8')).version;
const stamp = ['pdfjs-dist', 'tesseract.js', 'tesseract.js-core', '@tesseract.js-data/eng']
  .map((name) => `${name} ${version(name)}`)
  .join('\n');
const stampFile = `${target}versions.txt`;

if (!existsSync(stampFile) || readFileSync(stampFile, 'utf8') !== stamp) {
  rmSync(target, { recursive: true, force: true });
  mkdirSync(target, { recursive: true });
  for (const [from, to] of COPIES) cpSync(at(from), `${target}${to}`, { recursive: true });
  writeFileSync(stampFile, stamp);
}
