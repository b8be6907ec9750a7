import Flatbush from 'flatbush';
import { boxRound, type Box } from './box';

/** Answers which boxes lie near which, without comparing every pair. */
export interface Neighbours {
  /** Indices of the boxes that touch or overlap a box. */
  readonly near: (box: Box) => number[];
  /** Each pair (i < j) whose boxes come within `within` mm of one another, on both axes; in order. */
  readonly pairs: (within: number) => (readonly [number, number])[];
}

/** So few boxes are looked through sooner than an index of them is built. */
const FEW = 100;

/**
 * Answers about boxes; the index behind `near` is built when it is first asked.
 * @param boxes their order gives the indices in the answers
 */
export function neighboursOf(boxes: readonly Box[]): Neighbours {
  let index: Flatbush | null = null;
  return {
    near: (box) => {
      if (boxes.length <= FEW) return touching(boxes, box);
      index ??= indexOf(boxes);
      return index.search(box.minX, box.minY, box.maxX, box.maxY);
    },
    pairs: (within) => pairsWithin(boxes, within),
  };
}

function touching(boxes: readonly Box[], { minX, minY, maxX, maxY }: Box): number[] {
  const found: number[] = [];
  for (let i = 0; i < boxes.length; i += 1) {
    const box = boxes[i] as Box;
    if (box.minX <= maxX && box.maxX >= minX && box.minY <= maxY && box.maxY >= minY) found.push(i);
  }
  return found;
}

function indexOf(boxes: readonly Box[]): Flatbush {
  const index = new Flatbush(boxes.length);
  for (const box of boxes) index.add(box.minX, box.minY, box.maxX, box.maxY);
  index.finish();
  return index;
}

/** Sweeps along the axis on which the boxes reach further: only those that stand abreast are compared. */
function pairsWithin(boxes: readonly Box[], within: number): (readonly [number, number])[] {
  const round = boxRound(boxes);
  if (!round) return [];
  const upright = round.maxY - round.minY > round.maxX - round.minX;
  const inOrder = boxes
    .map(({ minX, minY, maxX, maxY }, index) =>
      upright
        ? { index, start: minY, end: maxY, low: minX, high: maxX }
        : { index, start: minX, end: maxX, low: minY, high: maxY },
    )
    .sort((a, b) => a.start - b.start);
  const n = boxes.length;
  const keys: number[] = [];
  inOrder.forEach(({ index: i, end, low, high }, at) => {
    for (let next = at + 1; next < n; next += 1) {
      const { index: j, start, low: lowest, high: highest } = inOrder[next] as (typeof inOrder)[number];
      if (start > end + within) break;
      if (lowest <= high + within && highest >= low - within) keys.push(i < j ? i * n + j : j * n + i);
    }
  });
  const pairs: (readonly [number, number])[] = [];
  for (const key of Float64Array.from(keys).sort()) pairs.push([Math.floor(key / n), key % n]);
  return pairs;
}
