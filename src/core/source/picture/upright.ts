import { inkOf, type Grey } from './grey';

/** Furthest that a page lies askew on a scanner, and the step of looking for it, degrees. */
const FURTHEST = 3;
const STEP = 0.1;
/** Widest that the picture is looked at for it, pixels. */
const ENOUGH = 900;

/** A picture turned by quarters clockwise. */
export function quarterTurned(grey: Grey, quarters: Quarters): Grey {
  const { width, height, data } = grey;
  if (quarters === 0) return grey;
  const out = new Uint8Array(data.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = quarters === 1 ? x * height + (height - 1 - y) : (width - 1 - x) * height + y;
      out[at] = data[y * width + x] ?? 255;
    }
  return { width: height, height: width, data: out };
}

/** Quarters that a page is turned by to stand upright. */
export type Quarters = 0 | 1 | 3;
/** The ways in which a page may lie, the likeliest first; none is printed to be read upside down. */
export const STANDS: readonly Quarters[] = [0, 1, 3];

/**
 * By what angle a picture has to be turned so that its lines lie level: the one for which the ink of its rows
 * differs most from row to row.
 * @returns radians, for {@link resampled}
 */
export function skewOf(grey: Grey): number {
  const { width, height } = grey;
  const ink = inkOf(grey);
  const skip = Math.max(1, Math.round(width / ENOUGH));
  const points: [number, number][] = [];
  for (let y = 0; y < height; y += skip)
    for (let x = 0; x < width; x += skip) if (ink[y * width + x]) points.push([x / skip, y / skip]);
  if (points.length === 0) return 0;
  const rows = Math.ceil(height / skip);
  const offset = Math.ceil((Math.sin((FURTHEST * Math.PI) / 180) * width) / skip) + 1;
  const sharpness = (degrees: number) => {
    const slope = Math.tan((degrees * Math.PI) / 180);
    const counts = new Float64Array(rows + 2 * offset);
    for (const [x, y] of points) {
      const row = Math.round(y - slope * x) + offset;
      if (row >= 0 && row < counts.length) counts[row] = (counts[row] ?? 0) + 1;
    }
    let sum = 0;
    for (let i = 1; i < counts.length; i += 1) sum += ((counts[i] ?? 0) - (counts[i - 1] ?? 0)) ** 2;
    return sum;
  };
  let [best, at] = [sharpness(0) * 1.02, 0];
  for (let degrees = -FURTHEST; degrees <= FURTHEST + 1e-9; degrees += STEP) {
    const found = sharpness(degrees);
    if (found > best) [best, at] = [found, degrees];
  }
  return (at * Math.PI) / 180;
}
