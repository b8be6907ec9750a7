import Flatbush from 'flatbush';
import { boxRound, type Box } from './box';

/** Answers which boxes lie near which, without comparing every pair. */
export interface Neighbours {
  /** Indices of the boxes that touch or overlap a box. */
  readonly near: (box: Box) => number[];
  /** Each pair (i < j) whose boxes come within `within` mm of one another, on both axes; in order. */
  readonly pairs: (within: number) => (readonly [number, number])[];
}

/**
 * Answers about boxes; the index behind `near` is built when it is first asked.
 * @param boxes their order gives the indices in the answers
 */
export function neighboursOf(boxes: readonly Box[]): Neighbours {
  if (boxes.length === 0) return { near: () => [], pairs: () => [] };
  let index: Flatbush | null = null;
  return {
    near: ({ minX, minY, maxX, maxY }) => (index ??= indexOf(boxes)).search(minX, minY, maxX, maxY),
    pairs: (within) => pairsWithin(boxes, within),
  };
}

function indexOf(boxes: readonly Box[]): Flatbush {
  const index = new Flatbush(boxes.length);
  for (const box of boxes) index.add(box.minX, box.minY, box.maxX, box.maxY);
  index.finish();
  return index;
}

/** Sweeps along the axis on which the boxes reach further: only those that stand abreast are compared. */
function pairsWithin(boxes: readonly Box[], within: number): (readonly [number, number])[] {
  const round = boxRound(boxes) as Box;
  const n = boxes.length;
  const upright = round.maxY - round.minY > round.maxX - round.minX;
  // along the sweep, then across it
  const ends = boxes.map((b) =>
    upright ? [b.minY, b.maxY, b.minX, b.maxX] : [b.minX, b.maxX, b.minY, b.maxY],
  ) as [number, number, number, number][];
  const order = Array.from(boxes, (_, i) => i).sort((i, j) => ends[i]![0] - ends[j]![0]);
  const keys: number[] = [];
  for (let at = 0; at < n; at += 1) {
    const i = order[at] as number;
    const [, end, low, high] = ends[i] as (typeof ends)[number];
    for (let next = at + 1; next < n; next += 1) {
      const j = order[next] as number;
      const other = ends[j] as (typeof ends)[number];
      if (other[0] > end + within) break;
      if (other[2] > high + within || other[3] < low - within) continue;
      keys.push(i < j ? i * n + j : j * n + i);
    }
  }
  return Array.from(Float64Array.from(keys).sort(), (key) => [Math.floor(key / n), key % n] as const);
}
