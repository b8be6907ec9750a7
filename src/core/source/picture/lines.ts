import { inkOf, type Grey } from './grey';

// Ruling lines of tables keep a reader of letters from the letters: they are found as runs of ink that are
// longer than any letter's stroke, and taken out.

/** How tall most letters are, pixels: the middle height of the patches of ink that look like letters. */
export function letterHeight({ width, height }: Grey, ink: Uint8Array): number {
  const seen = new Uint8Array(ink.length);
  const heights: number[] = [];
  const stack: number[] = [];
  for (let start = 0; start < ink.length; start += 1) {
    if (!ink[start] || seen[start]) continue;
    let [x0, x1, y0, y1] = [width, 0, height, 0];
    stack.push(start);
    seen[start] = 1;
    while (stack.length > 0) {
      const at = stack.pop() as number;
      const [x, y] = [at % width, Math.floor(at / width)];
      [x0, x1, y0, y1] = [Math.min(x0, x), Math.max(x1, x), Math.min(y0, y), Math.max(y1, y)];
      for (const next of [at - 1, at + 1, at - width, at + width]) {
        if (next < 0 || next >= ink.length || !ink[next] || seen[next]) continue;
        if (Math.abs((next % width) - x) > 1) continue;
        seen[next] = 1;
        stack.push(next);
      }
    }
    const [w, h] = [x1 - x0 + 1, y1 - y0 + 1];
    // specks, points and lines are no letters
    if (h >= 6 && w >= 2 && h < 120 && w < 4 * h) heights.push(h);
  }
  heights.sort((a, b) => a - b);
  return heights[Math.floor(heights.length / 2)] ?? 20;
}

/** Lines are longer than this many letters are tall. */
const LONGEST_STROKE = 2.2;

/** A picture without the lines that are longer than letters. */
export function withoutLines(grey: Grey, tall: number): Grey {
  const { width, height } = grey;
  const ink = inkOf(grey);
  const gone = new Uint8Array(ink.length);
  const longest = Math.round(LONGEST_STROKE * tall);
  const mark = (count: number, across: number, step: number, stride: number) => {
    for (let line = 0; line < across; line += 1) {
      let run = 0;
      for (let i = 0; i <= count; i += 1) {
        const isInk = i < count && ink[line * stride + i * step];
        if (isInk) run += 1;
        else {
          if (run >= longest) for (let k = i - run; k < i; k += 1) gone[line * stride + k * step] = 1;
          run = 0;
        }
      }
    }
  };
  mark(width, height, 1, width);
  mark(height, width, width, 1);
  const data = grey.data.slice();
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      if (!gone[y * width + x]) continue;
      // with the blurred rim of the line
      for (let dy = -2; dy <= 2; dy += 1)
        for (let dx = -2; dx <= 2; dx += 1) {
          const [u, v] = [x + dx, y + dy];
          if (u >= 0 && v >= 0 && u < width && v < height) data[v * width + u] = 255;
        }
    }
  }
  return { width, height, data };
}
