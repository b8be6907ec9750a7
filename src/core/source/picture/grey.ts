/** A picture in shades of grey: 0 black, 255 white, row by row from the top. */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** A picture of red, green, blue and (with four) alpha, or of grey, as shades of grey on white. */
export function greyOf(
  width: number,
  height: number,
  data: ArrayLike<number>,
  channels: number,
  depth = 8,
): Grey {
  const grey = new Uint8Array(width * height);
  const shift = depth === 16 ? 8 : 0;
  const of = (i: number) => (data[i] ?? 0) >> shift;
  for (let i = 0; i < grey.length; i += 1) {
    const at = i * channels;
    const shade = channels < 3 ? of(at) : 0.299 * of(at) + 0.587 * of(at + 1) + 0.114 * of(at + 2);
    const alpha = channels === 2 || channels === 4 ? of(at + channels - 1) / 255 : 1;
    grey[i] = Math.round(shade * alpha + 255 * (1 - alpha));
  }
  return { width, height, data: grey };
}

/** The shade that parts ink from paper best: where the two differ most (Otsu). */
export function threshold({ data }: Grey): number {
  const counts = new Float64Array(256);
  for (const shade of data) counts[shade] = (counts[shade] ?? 0) + 1;
  const total = data.length;
  let sum = 0;
  for (let shade = 0; shade < 256; shade += 1) sum += shade * (counts[shade] ?? 0);
  let [below, sumBelow, best, at] = [0, 0, -1, 128];
  for (let shade = 0; shade < 255; shade += 1) {
    below += counts[shade] ?? 0;
    if (below === 0 || below === total) continue;
    sumBelow += shade * (counts[shade] ?? 0);
    const apart = sumBelow / below - (sum - sumBelow) / (total - below);
    const between = below * (total - below) * apart * apart;
    if (between > best) [best, at] = [between, shade];
  }
  return at;
}

/** Shades that paper has beside each other without there being ink. */
const SAME_SHADE = 16;

/** Whether a picture is of one shade. */
export function isBlank({ data }: Grey): boolean {
  let [least, most] = [255, 0];
  for (const shade of data) {
    if (shade < least) least = shade;
    if (shade > most) most = shade;
    if (most - least > SAME_SHADE) return false;
  }
  return true;
}

/** 1 where there is ink. */
export function inkOf(grey: Grey): Uint8Array {
  const limit = threshold(grey);
  return grey.data.map((shade) => (shade <= limit ? 1 : 0));
}

/** The same picture enlarged, and turned about its middle by an angle in radians, on white. */
export function resampled({ width, height, data }: Grey, scale: number, angle = 0): Grey {
  const [w, h] = [Math.round(width * scale), Math.round(height * scale)];
  const out = new Uint8Array(w * h).fill(255);
  const [cos, sin] = [Math.cos(angle) / scale, Math.sin(angle) / scale];
  for (let y = 0; y < h; y += 1) {
    const v = y - (h - 1) / 2;
    for (let x = 0; x < w; x += 1) {
      const u = x - (w - 1) / 2;
      const sx = cos * u - sin * v + (width - 1) / 2;
      const sy = sin * u + cos * v + (height - 1) / 2;
      const [x0, y0] = [Math.floor(sx), Math.floor(sy)];
      if (x0 < 0 || y0 < 0 || x0 >= width - 1 || y0 >= height - 1) continue;
      const [fx, fy] = [sx - x0, sy - y0];
      const at = y0 * width + x0;
      const top = (data[at] ?? 255) * (1 - fx) + (data[at + 1] ?? 255) * fx;
      const low = (data[at + width] ?? 255) * (1 - fx) + (data[at + width + 1] ?? 255) * fx;
      out[y * w + x] = Math.round(top * (1 - fy) + low * fy);
    }
  }
  return { width: w, height: h, data: out };
}
