import type { Point } from '../geometry/point';
import { quantise } from '../units/length';
import type { Land } from './footprint';

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
