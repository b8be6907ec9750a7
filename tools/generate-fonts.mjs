// Puts the interface's type into a module that the core can embed into files: the font itself, and how wide
// its letters are, so that lines are broken without opening it.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import * as fontkit from 'fontkit';

const target = fileURLToPath(new URL('../src/core/format/paper/generated/fonts.js', import.meta.url));
const files = new URL('../node_modules/@fontsource/barlow-semi-condensed/files/', import.meta.url);

const font = (weight) => {
  const bytes = readFileSync(new URL(`barlow-semi-condensed-latin-${weight}-normal.woff`, files));
  const read = fontkit.create(bytes);
  const widths = Object.fromEntries(
    read.characterSet
      .filter((code) => code >= 0x20 && code < 0xfffd)
      .map((code) => [
        code,
        Math.round((read.glyphForCodePoint(code).advanceWidth * 1000) / read.unitsPerEm),
      ]),
  );
  return { base64: bytes.toString('base64'), widths };
};
const text = `export const regular = ${JSON.stringify(font(400))};\nexport const bold = ${JSON.stringify(font(600))};\n`;
if (!existsSync(target) || readFileSync(target, 'utf8') !== text) {
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, text);
}
