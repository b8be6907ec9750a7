import type { Footprint } from '../footprint/footprint';
import { quantise } from '../units/length';

// Have we got it? Two footprints are alike where their copper is: the same lands at the same places,
// whatever they are called and however they came about.

/** The copper of a footprint about its middle: x, y, width and height of each land, one after the other. mm */
export type Copper = readonly number[];

/** Most lands that are compared. */
const MOST = 400;
/** Lands that differ by more are others. mm */
const NEAR = 0.15;

/** The copper of a footprint; `null` where there is none, or too much to be compared. */
export function copperOf({ lands }: Footprint): Copper | null {
  if (lands.length === 0 || lands.length > MOST) return null;
  const boxes = lands.map(({ copper: { minX, minY, maxX, maxY } }) => ({ minX, minY, maxX, maxY }));
  const middle = (low: 'minX' | 'minY', high: 'maxX' | 'maxY') =>
    (Math.min(...boxes.map((box) => box[low])) + Math.max(...boxes.map((box) => box[high]))) / 2;
  const [cx, cy] = [middle('minX', 'maxX'), middle('minY', 'maxY')];
  return boxes.flatMap(({ minX, minY, maxX, maxY }) =>
    [(minX + maxX) / 2 - cx, (minY + maxY) / 2 - cy, maxX - minX, maxY - minY].map(quantise),
  );
}

/**
 * By how much the lands of two footprints differ at most: in place or in size. mm
 * @returns `null` where they are not the same lands
 */
export function differenceOf(a: Copper, b: Copper): number | null {
  if (a.length !== b.length) return null;
  const left = new Set(Array.from({ length: b.length / 4 }, (_, i) => 4 * i));
  let most = 0;
  for (let i = 0; i < a.length; i += 4) {
    let [found, least] = [-1, NEAR + 1e-9];
    for (const j of left) {
      let apart = 0;
      for (let k = 0; k < 4 && apart < least; k += 1)
        apart = Math.max(apart, Math.abs((a[i + k] as number) - (b[j + k] as number)));
      if (apart < least) [found, least] = [j, apart];
    }
    if (found < 0) return null;
    left.delete(found);
    most = Math.max(most, least);
  }
  return quantise(most);
}
