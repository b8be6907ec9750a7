import type { Area } from '../page';
import { resampled, type Grey } from './grey';
import type { SeenWord } from './prepare';

// A reader of letters that looks at a whole page takes two numbers over each other for one line, and is unsure of
// what stands by itself. Such places are cut out, enlarged and read once more.

/** Places of a page that are read once more, at most: each takes a tenth of a second. */
const MOST = 24;
/** Words below this are not clear, of 100. */
const CLEAR = 70;
/** A word that is so many times as tall as most may be two lines. */
const TALL = 1.35;
/** Paper round a part, in heights of its letters, and by how much it is enlarged. */
const ROUND = 0.8;
const LARGER = 1.5;

const tall = ({ area }: SeenWord) => area.y1 - area.y0;

/** Where numbers stand that are not clear, or are taller than a line. */
export function doubtfulPlaces(words: readonly SeenWord[]): Area[] {
  const heights = words.map(tall).sort((a, b) => a - b);
  const usual = heights[Math.floor(heights.length / 2)] ?? 1;
  const doubtful = words.filter(
    (word) => /\d/.test(word.text) && (word.confidence < CLEAR || tall(word) > TALL * usual),
  );
  const places: Area[] = [];
  for (const { area } of doubtful) {
    const margin = ROUND * usual;
    // what stands just over and under it belongs to it, what stands beside it in a cell of its own does not
    const place = { x0: area.x0 - margin, x1: area.x1 + margin, y0: area.y0 - margin, y1: area.y1 + margin };
    if (!places.some((one) => meets(one, area))) places.push(place);
  }
  return places.slice(0, MOST);
}

const meets = (a: Area, b: Area) => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;

/** A part of a picture, larger, and where it stands. */
export interface Part {
  readonly picture: Grey;
  readonly x0: number;
  readonly y0: number;
}

export function enlarged(picture: Grey, { x0, y0, x1, y1 }: Area): Part {
  const [left, top] = [Math.max(0, Math.floor(x0)), Math.max(0, Math.floor(y0))];
  const width = Math.max(1, Math.min(picture.width, Math.ceil(x1)) - left);
  const height = Math.max(1, Math.min(picture.height, Math.ceil(y1)) - top);
  const data = new Uint8Array(width * height);
  for (let y = 0; y < height; y += 1)
    data.set(picture.data.subarray((top + y) * picture.width + left).subarray(0, width), y * width);
  return { picture: resampled({ width, height, data }, LARGER), x0: left, y0: top };
}

/** Words with those of a place as they were read by themselves, where that is clearer. */
export function replaced(
  words: readonly SeenWord[],
  place: Area,
  again: readonly SeenWord[],
  part: Part,
): readonly SeenWord[] {
  const inside = (area: Area) => {
    const [x, y] = [(area.x0 + area.x1) / 2, (area.y0 + area.y1) / 2];
    return x > place.x0 && x < place.x1 && y > place.y0 && y < place.y1;
  };
  const before = words.filter(({ area }) => inside(area));
  const moved = again.map((word): SeenWord => {
    const { x0, x1, y0, y1 } = word.area;
    const at = (v: number, from: number) => from + v / LARGER;
    return {
      ...word,
      area: { x0: at(x0, part.x0), x1: at(x1, part.x0), y0: at(y0, part.y0), y1: at(y1, part.y0) },
    };
  });
  const within = moved.filter(({ area }) => inside(area));
  const digits = (some: readonly SeenWord[]) =>
    some.reduce((sum, { text }) => sum + (text.match(/\d/g) ?? []).length, 0);
  const least = (some: readonly SeenWord[]) => Math.min(...some.map(({ confidence }) => confidence));
  // nothing that was read may be lost
  const isBetter =
    within.length > 0 &&
    digits(within) >= digits(before) &&
    (least(within) > least(before) || digits(within) > digits(before));
  return isBetter ? [...words.filter((word) => !before.includes(word)), ...within] : words;
}
