import { fail, ok, type Result } from '../units/result';
import type { Point } from '../geometry/point';
import { quantise } from '../units/length';
import type { Land } from './footprint';

/** Most numbers that a range may stand for. */
const LONGEST_RANGE = 10_000;

/**
 * Reads a list of land numbers: names between commas or blanks; `1-8` and `16-9` are ranges.
 * @returns the numbers in order, or what is wrong with the text
 */
export function readNumberList(text: string): Result<string[], string> {
  const numbers: string[] = [];
  const gap = /(?:^|[^\s,;]*)\s*[,;]\s*(?=[,;])|^\s*[,;]/.exec(text);
  if (gap) return fail(`After “${gap[0].trim()}” a number is missing.`);
  for (const token of text.split(/[\s,;]+/).filter((part) => part !== '')) {
    const range = /^(\d{1,6})(?:-|–|\.\.)(\d{1,6})$/.exec(token);
    if (!range) {
      if (token.length > 12) return fail(`“${token}” is longer than a land number can be (12 letters).`);
      numbers.push(token);
      continue;
    }
    const [from, to] = [Number(range[1]), Number(range[2])];
    const count = Math.abs(to - from) + 1;
    if (count > LONGEST_RANGE) return fail(`“${token}” stands for ${count} numbers.`);
    for (let i = 0; i < count; i += 1) numbers.push(String(from < to ? from + i : from - i));
  }
  return ok(numbers);
}

/** Compares land numbers as people order them: A2 before A10, 9 before 10. */
export function byNumber(a: Pick<Land, 'number'>, b: Pick<Land, 'number'>): number {
  return ORDER.compare(a.number, b.number);
}
const ORDER = new Intl.Collator('en', { numeric: true });

/** The way from land to land in the order of their numbers. */
export function numberPath(lands: readonly Land[]): Point[] {
  return [...lands].sort(byNumber).map(({ copper: { minX, minY, maxX, maxY } }) => ({
    x: quantise((minX + maxX) / 2),
    y: quantise((minY + maxY) / 2),
  }));
}

export type Direction = 'left' | 'right' | 'up' | 'down';

/** The nearest land in a direction from another, by index; the same one where there is none. */
export function landTowards(lands: readonly Land[], from: number, direction: Direction): number {
  const start = lands[from];
  if (!start) return from;
  const level = direction === 'left' || direction === 'right';
  const sign = direction === 'right' || direction === 'up' ? 1 : -1;
  let [best, least] = [from, Infinity];
  lands.forEach(({ at }, i) => {
    const [dx, dy] = [at.x - start.at.x, at.y - start.at.y];
    const along = sign * (level ? dx : dy);
    const across = Math.abs(level ? dy : dx);
    // a land far off to the side is not meant
    const cost = along + 3 * across;
    if (along > 1e-6 && cost < least) [best, least] = [i, cost];
  });
  return best;
}
