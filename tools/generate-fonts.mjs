// Puts the interface's type into modules that the core can embed into files: the fonts themselves, and how wide
// their letters are, so that lines are broken without opening them. Letters and signs that the type has not come
// from faces of other scripts, which are loaded when a text has one.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import * as fontkit from 'fontkit';

const OWN = 'barlow-semi-condensed/files/barlow-semi-condensed-latin';
/** Faces by the script that they bring, the first that has a letter is taken. */
const OTHERS = {
  latin: 'noto-sans/files/noto-sans-latin-ext-400',
  greek: 'noto-sans/files/noto-sans-greek-400',
  cyrillic: 'noto-sans/files/noto-sans-cyrillic-400',
  signs: 'noto-sans-math/files/noto-sans-math-latin-400',
};

/** A face with the widths of its letters, in thousandths of its size. */
function face(path, wanted = () => true) {
  const bytes = readFileSync(new URL(`../node_modules/@fontsource/${path}-normal.woff`, import.meta.url));
  const read = fontkit.create(bytes);
  // from the table: a glyph asked for its width unpacks all that the face draws. Glyphs past its end are as wide as the last
  const { metrics } = read.hmtx;
  const widthOf = (code) =>
    metrics.get(Math.min(read.glyphForCodePoint(code).id, metrics.length - 1)).advance;
  const widths = Object.fromEntries(
    read.characterSet
      .filter((code) => code >= 0x20 && code < 0xfffd && wanted(code))
      .map((code) => [code, Math.round((widthOf(code) * 1000) / read.unitsPerEm)]),
  );
  return { base64: bytes.toString('base64'), widths };
}

function write(name, text) {
  const target = fileURLToPath(new URL(`../src/core/format/paper/generated/${name}`, import.meta.url));
  if (existsSync(target) && readFileSync(target, 'utf8') === text) return;
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, text);
}

const regular = face(`${OWN}-400`);
const bold = face(`${OWN}-600`);
const has = new Set(Object.keys(regular.widths).map(Number));
const others = Object.entries(OTHERS).map(([script, path]) => {
  // of the face of signs those that formulas and drawings use: sub- and superscripts, arrows, operators, shapes
  const isSign = (code) => code >= 0x2070 && code < 0x2700;
  const made = face(path, (code) => !has.has(code) && (script !== 'signs' || isSign(code)));
  for (const code of Object.keys(made.widths)) has.add(Number(code));
  return { script, ...made };
});

write(
  'fonts.js',
  [
    `export const regular = ${JSON.stringify(regular)};`,
    `export const bold = ${JSON.stringify(bold)};`,
    `export const others = ${JSON.stringify(others.map(({ script, widths }) => ({ script, widths })))};`,
    '',
  ].join('\n'),
);
write(
  'other-faces.js',
  `export const faces = ${JSON.stringify(Object.fromEntries(others.map(({ script, base64 }) => [script, base64])))};\n`,
);
