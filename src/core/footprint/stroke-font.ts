import type { Polyline } from '../geometry/polygon';
import { quantise } from '../units/length';
import { remembered } from '../units/remembered';

/**
 * Tapis' own single-stroke lettering. A glyph is its width and its strokes; a point is two
 * base-36 digits, x from 0 and y with the baseline at 4, capitals up to g (16), small letters
 * to c (12), descenders to 0. Corners are cut at 45°, as a plotter pen likes them.
 */
const GLYPHS: Readonly<Record<string, readonly [number, string]>> = {
  ' ': [4, ''],
  A: [8, '044g84 1777'],
  B: [8, '040g6g8e8c6a0a 6a88866404'],
  C: [8, '8e6g2g0e06246486'],
  D: [8, '040g5g8d875404'],
  E: [7, '7g0g0474 0a5a'],
  F: [7, '7g0g04 0a5a'],
  G: [8, '8e6g2g0e062464868a5a'],
  H: [8, '040g 848g 0a8a'],
  I: [4, '0g4g 2g24 0444'],
  J: [6, '6g66442406'],
  K: [8, '040g 8g08 3b84'],
  L: [7, '0g0474'],
  M: [8, '040g4a8g84'],
  N: [8, '040g848g'],
  O: [8, '2g0e062464868e6g2g'],
  P: [8, '040g6g8e8b6909'],
  Q: [8, '2g0e062464868e6g2g 5884'],
  R: [8, '040g6g8e8b6909 4984'],
  S: [8, '8e6g2g0e0c2a6a8886642406'],
  T: [8, '0g8g 4g44'],
  U: [8, '0g062464868g'],
  V: [8, '0g448g'],
  W: [8, '0g244c648g'],
  X: [8, '048g 0g84'],
  Y: [8, '0g4a8g 4a44'],
  Z: [8, '0g8g0484'],
  0: [8, '2g0e062464868e6g2g 068e'],
  1: [6, '0d3g34 0464'],
  2: [8, '0e2g6g8e8c0484'],
  3: [8, '0e2g6g8e8c6a3a 6a8886642406'],
  4: [8, '646g0888'],
  5: [8, '8g0g0a6a8886642406'],
  6: [8, '8e6g2g0e06246486886a0a'],
  7: [8, '0g8g34'],
  8: [8, '2g0e0c2a6a8c8e6g2g 2a0806246486886a'],
  9: [8, '8a2a0c0e2g6g8e86642406'],
  a: [6, '6a4c2c0a06244466 6c64'],
  b: [6, '0g04 0a2c4c6a66442406'],
  c: [6, '6a4c2c0a06244466'],
  d: [6, '6g64 6a4c2c0a06244466'],
  e: [6, '08686a4c2c0a06244465'],
  f: [5, '5f4g3g2e24 0c4c'],
  g: [6, '6a4c2c0a06244466 6c62402001'],
  h: [6, '0g04 0a2c4c6a64'],
  i: [0, '0c04 0f0g'],
  j: [3, '3c322000 3f3g'],
  k: [6, '0g04 6c08 3a64'],
  l: [3, '0g062434'],
  m: [8, '0c04 0a2c3c4a44 4a6c7c8a84'],
  n: [6, '0c04 0a2c4c6a64'],
  o: [6, '2c0a062444666a4c2c'],
  p: [6, '0c00 0a2c4c6a66442406'],
  q: [6, '6c60 6a4c2c0a06244466'],
  r: [5, '0c04 0a2c4c5b'],
  s: [6, '6b4c2c0b0a28486665442405'],
  t: [5, '2g264454 0c4c'],
  u: [6, '0c06244466 6c64'],
  v: [6, '0c346c'],
  w: [8, '0c244a648c'],
  x: [6, '0c64 046c'],
  y: [6, '0c34 6c2000'],
  z: [6, '0c6c0464'],
  '.': [0, '0405'],
  ',': [1, '1502'],
  '-': [5, '0a5a'],
  '−': [6, '0a6a'],
  '+': [6, '3d37 0a6a'],
  _: [8, '0383'],
  '/': [6, '046g'],
  '\\': [6, '0g64'],
  '(': [3, '3g1e1634'],
  ')': [2, '0g2e2604'],
  '[': [2, '2g0g0424'],
  ']': [2, '0g2g2404'],
  ':': [0, '0506 0b0c'],
  ';': [1, '1502 1b1c'],
  '=': [6, '0c6c 0868'],
  '#': [8, '3g14 7g54 0c8c 0888'],
  '*': [6, '3d37 0b69 096b'],
  '%': [8, '048g 0g2g2e0e0g 6686846466'],
  '&': [8, '842b2e4g6e6c0806246488'],
  "'": [0, '0g0d'],
  '"': [2, '0g0d 2g2d'],
  '<': [6, '6d0a67'],
  '>': [6, '0d6a07'],
  '?': [6, '0e2g4g6e6c3a38 3534'],
  '!': [0, '0g08 0504'],
  µ: [6, '0c00 06244466 6c64'],
  Ω: [8, '0424270a0d2g6g8d8a676484'],
  '°': [3, '1g0f0e1d2d3e3f2g1g'],
  '±': [6, '3e38 0b6b 0464'],
  '×': [6, '0c68 086c'],
  '⌀': [8, '2g0e062464868e6g2g 038h'],
};

/** Drawn for letters that there are no strokes for. */
const UNKNOWN: readonly [number, string] = [6, '040g6g6404'];
/** Height of capitals, the baseline, and the gap between letters, in units of the grid. */
const CAPITAL = 12;
const BASELINE = 4;
const GAP = 4;

/** Letters that look like others. */
const ALIKE: Readonly<Record<string, string>> = { μ: 'µ', '–': '-', '—': '-', '’': "'" };

/** Lines of a text about its middle, and its size. mm */
export interface StrokedText {
  readonly lines: readonly Polyline[];
  readonly width: number;
  readonly height: number;
}

/**
 * Draws a text with single strokes, its middle at the origin.
 * @param height of capitals, mm
 */
export function strokeText(text: string, height: number): StrokedText {
  const unit = height / CAPITAL;
  const glyphs = [...text].map(decoded);
  const width = glyphs.reduce((sum, [w], i) => sum + w + (i > 0 ? GAP : 0), 0) * unit;
  const lines: Polyline[] = [];
  let left = -width / 2;
  for (const [w, strokes] of glyphs) {
    for (const stroke of strokes) {
      lines.push(stroke.map(({ x, y }) => ({ x: quantise(left + x * unit), y: quantise(y * unit) })));
    }
    left += (w + GAP) * unit;
  }
  return { lines, width: quantise(width), height };
}

/** Width and strokes of a letter, y from its middle; every text is made of the same few. */
const decoded = remembered((letter: string): readonly [number, readonly Polyline[]] => {
  const [width, strokes] = glyphOf(letter);
  const points = (stroke: string) =>
    Array.from({ length: stroke.length / 2 }, (_, i) => ({
      x: parseInt(stroke.charAt(2 * i), 36),
      y: parseInt(stroke.charAt(2 * i + 1), 36) - BASELINE - CAPITAL / 2,
    }));
  return [width, strokes.split(' ').filter(Boolean).map(points)];
}, 500);

function glyphOf(letter: string): readonly [number, string] {
  const plain = ALIKE[letter] ?? letter;
  if (Object.hasOwn(GLYPHS, plain)) return GLYPHS[plain] as readonly [number, string];
  // an accented letter is drawn without its accent
  const base = plain.normalize('NFD').charAt(0);
  return Object.hasOwn(GLYPHS, base) ? (GLYPHS[base] as readonly [number, string]) : UNKNOWN;
}
