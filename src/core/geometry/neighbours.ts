import Flatbush from 'flatbush';
import type { Box } from './box';

/** Answers which boxes lie near which, without comparing every pair. */
export interface Neighbours {
  /** Indices of the boxes that touch or overlap a box. */
  readonly near: (box: Box) => number[];
  /** Each pair (i < j) whose boxes come closer than `within` mm, on both axes; in order. */
  readonly pairs: (within: number) => Generator<readonly [number, number]>;
}

/**
 * Builds a spatial index over boxes.
 * @param boxes their order gives the indices in the answers
 */
export function neighboursOf(boxes: readonly Box[]): Neighbours {
  if (boxes.length === 0) return { near: () => [], pairs: function* () {} };
  const index = new Flatbush(boxes.length);
  for (const box of boxes) index.add(box.minX, box.minY, box.maxX, box.maxY);
  index.finish();
  return {
    near: (box) => index.search(box.minX, box.minY, box.maxX, box.maxY),
    *pairs(within) {
      for (let i = 0; i < boxes.length; i += 1) {
        const { minX, minY, maxX, maxY } = boxes[i] as Box;
        const found = index.search(minX - within, minY - within, maxX + within, maxY + within);
        if (found.length > 1) found.sort((a, b) => a - b);
        for (const j of found) if (j > i) yield [i, j];
      }
    },
  };
}
