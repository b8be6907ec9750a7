import type { Area } from '../page';
import { threshold, type Grey } from './grey';
import type { SeenWord } from './prepare';

// Signs that readers of letters confuse or leave out: ± is read as + or £, or not at all, and then a number with a
// tolerance is two numbers. Their form is plain, and tells which they are.

/** What a patch of ink is by its form. */
export type Sign = '±' | '+' | '−' | '=';

/** A bar is at least this share of its sign wide, a stem at most that. */
const BAR = 0.75;
const STEM = 0.45;
/** Part of a sign's rows that a bar takes at least. */
const THICK = 0.06;

/** The ink of a part of a picture, row by row. */
interface Patch {
  readonly width: number;
  readonly height: number;
  readonly ink: readonly (readonly boolean[])[];
}

function patchOf(picture: Grey, { x0, y0, x1, y1 }: Area): Patch {
  const [left, top] = [Math.max(0, Math.floor(x0)), Math.max(0, Math.floor(y0))];
  const [right, bottom] = [Math.min(picture.width, Math.ceil(x1)), Math.min(picture.height, Math.ceil(y1))];
  const [width, height] = [Math.max(0, right - left), Math.max(0, bottom - top)];
  const data = Uint8Array.from({ length: width * height }, (_, i) => {
    const at = (top + Math.floor(i / width)) * picture.width + left + (i % width);
    return picture.data[at] ?? 255;
  });
  const limit = threshold({ width, height, data });
  // paper alone parts into two shades as well
  const isInk = (shade: number) => shade <= limit && shade < PAPER;
  return {
    width,
    height,
    ink: Array.from({ length: height }, (_, y) =>
      Array.from({ length: width }, (_x, x) => isInk(data[y * width + x] ?? 255)),
    ),
  };
}

/** Shades from here on are paper. */
const PAPER = 170;

/** Columns of ink that stand together, from the left. */
interface Strip {
  readonly from: number;
  /** Behind its last column. */
  readonly to: number;
}

function stripsOf({ width, ink }: Patch): Strip[] {
  const strips: Strip[] = [];
  let from = -1;
  for (let x = 0; x <= width; x += 1) {
    const isInk = x < width && ink.some((row) => row[x]);
    if (isInk && from < 0) from = x;
    if (!isInk && from >= 0) {
      strips.push({ from, to: x });
      from = -1;
    }
  }
  return strips;
}

/** The sign that a strip of ink is; `null` for anything else. */
function signOf({ ink }: Patch, { from, to }: Strip): Sign | null {
  const rows = ink.map((row) => row.slice(from, to));
  const filled = rows.flatMap((row, y) => (row.some((one) => one) ? [y] : []));
  const [first = 0, last = -1] = [filled[0], filled.at(-1)];
  const [width, height] = [to - from, last - first + 1];
  if (width < 5) return null;
  const shares = rows.slice(first, last + 1).map((row) => row.filter((one) => one).length / width);
  // bars and what stands between them, from the top
  const bands: { readonly isBar: boolean; readonly from: number; to: number }[] = [];
  shares.forEach((share, y) => {
    const isBar = share >= BAR;
    const band = bands.at(-1);
    if (band?.isBar === isBar) band.to = y + 1;
    else bands.push({ isBar, from: y, to: y + 1 });
  });
  const solid = bands.filter((band) => !band.isBar || band.to - band.from >= THICK * height);
  const form = solid.map(({ isBar }) => (isBar ? 'b' : 's')).join('');
  const between = solid.filter(({ isBar }) => !isBar);
  const isThin = (band: { readonly from: number; readonly to: number }) =>
    // the rim of a bar belongs to it
    shares.slice(band.from + 1, band.to - 1).every((share) => share <= STEM);
  if (form === 'b') return height < 0.4 * width ? '−' : null;
  if (!between.every(isThin) || height > 1.8 * width || width > 2 * height) return null;
  if (form === 'bsb') return shares.slice(...middleOf(between[0])).every((share) => share === 0) ? '=' : null;
  if (form === 'sbs') return isMiddle(solid[1], height) ? '+' : null;
  if (form === 'sbsb' || form === 'sbsbs') return '±';
  return null;
}

type Band = { readonly from: number; readonly to: number } | undefined;
const middleOf = (band: Band): [number, number] =>
  band ? [Math.floor((band.from + band.to) / 2), Math.floor((band.from + band.to) / 2) + 1] : [0, 0];
const isMiddle = (band: Band, height: number): boolean =>
  band !== undefined && Math.abs((band.from + band.to) / 2 / height - 0.5) < 0.2;

/** What stands for ± where a reader of letters did not know it. */
const MISTAKEN = /^[+£¢#]/;
/** Gaps between words that may hold a sign, in heights of the line. */
const [NARROW, WIDE] = [0.35, 6];
/** How sure a sign is that was found by its form, of 100. */
const BY_FORM = 90;
const UNKNOWN = 50;

/** Words with signs as they are drawn, and with those that were left out; what stands beside unread ink is unsure. */
export function withSigns(seen: readonly SeenWord[], picture: Grey): SeenWord[] {
  return linesOf(seen).flatMap((line) =>
    line.flatMap((word, i) => {
      const next = line[i + 1];
      const own = ownSigns(word, picture);
      if (!next || !/\d/.test(next.text)) return [own];
      const between = signBetween(word, next, picture);
      if (between === null) return [own];
      return between === 'unknown'
        ? [{ ...own, confidence: Math.min(own.confidence, UNKNOWN) }]
        : [own, between];
    }),
  );
}

/** Words by the lines that they stand on, from the left. */
function linesOf(seen: readonly SeenWord[]): SeenWord[][] {
  const middle = ({ area }: SeenWord) => (area.y0 + area.y1) / 2;
  const lines: SeenWord[][] = [];
  for (const word of [...seen].sort((a, b) => middle(a) - middle(b))) {
    const line = lines.at(-1);
    const last = line?.at(-1);
    const isOn = last && middle(word) - middle(last) < 0.4 * (last.area.y1 - last.area.y0);
    if (line && isOn) line.push(word);
    else lines.push([word]);
  }
  return lines.map((line) => line.sort((a, b) => a.area.x0 - b.area.x0));
}

/** A word whose signs are those that are drawn, as far as its letters can be told apart. */
function ownSigns(word: SeenWord, picture: Grey): SeenWord {
  if (!/[+£¢#]/.test(word.text)) return word;
  const patch = patchOf(picture, word.area);
  const strips = stripsOf(patch);
  const letters = [...word.text];
  const signs = letters.map((letter, i) => {
    if (!MISTAKEN.test(letter)) return letter;
    const strip = strips.length === letters.length ? strips[i] : i === 0 ? strips[0] : undefined;
    return (strip && signOf(patch, strip)) ?? letter;
  });
  return { ...word, text: signs.join('') };
}

/** A sign that stands unread between two words; `unknown` for ink that is none, `null` where there is no ink. */
function signBetween(left: SeenWord, right: SeenWord, picture: Grey): SeenWord | 'unknown' | null {
  const [x0, x1] = [left.area.x1 + 1, right.area.x0 - 1];
  const tall = Math.max(left.area.y1 - left.area.y0, right.area.y1 - right.area.y0);
  if (x1 - x0 < NARROW * tall || x1 - x0 > WIDE * tall) return null;
  const area = {
    x0,
    x1,
    y0: Math.min(left.area.y0, right.area.y0),
    y1: Math.max(left.area.y1, right.area.y1),
  };
  const patch = patchOf(picture, area);
  // specks and the points of leaders are no signs
  const strips = stripsOf(patch).filter(({ from, to }) => to - from > 0.2 * tall);
  const [only, ...more] = strips;
  if (!only) return null;
  const sign = more.length === 0 ? signOf(patch, only) : null;
  if (sign === null) return 'unknown';
  return {
    text: sign === '−' ? '-' : sign,
    confidence: BY_FORM,
    area: { ...area, x0: x0 + only.from, x1: x0 + only.to },
  };
}
