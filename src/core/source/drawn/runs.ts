import type { Stroke } from './strokes';

// Straight strokes that run along the page's own two directions.

/** A stroke along an axis: where it lies across it, and from where to where it goes. */
export interface Run {
  readonly at: number;
  readonly from: number;
  readonly to: number;
  readonly width: number;
}

/** A stroke this far from its direction is still along it, points. */
const STRAIGHT = 0.3;

/** The strokes of a page that are level or upright, but for dashed ones. */
export function runsOf(strokes: readonly Stroke[]): { readonly level: Run[]; readonly upright: Run[] } {
  const level: Run[] = [];
  const upright: Run[] = [];
  for (const { a, b, width, isDashed } of strokes) {
    if (isDashed) continue;
    if (Math.abs(a.y - b.y) < STRAIGHT)
      level.push({ at: (a.y + b.y) / 2, from: Math.min(a.x, b.x), to: Math.max(a.x, b.x), width });
    else if (Math.abs(a.x - b.x) < STRAIGHT)
      upright.push({ at: (a.x + b.x) / 2, from: Math.min(a.y, b.y), to: Math.max(a.y, b.y), width });
  }
  return { level, upright };
}
