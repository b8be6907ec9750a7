import type { EdgeIntent } from '../document/document';
import { quantise } from '../units/length';
import type { EntryReader } from './entry-reader';
import type { Footprint } from './footprint';

/** Adds the board's edge that the part must reach, and how far the part stands out beyond it. */
export function withEdge(
  footprint: Footprint,
  intent: EdgeIntent | undefined,
  { length }: EntryReader,
): Footprint {
  if (!intent) return footprint;
  const out = length(intent.at, '/edge/at', 'Board edge', 'rise', -500);
  if (out === null) return footprint;
  const { side } = intent;
  const sign = side === 'right' || side === 'top' ? 1 : -1;
  const reach = reachOf(footprint, side);
  const beyond = (end: number) => quantise(sign * end - out);
  return {
    ...footprint,
    edge: {
      side,
      at: quantise(sign * out),
      overhang: { min: beyond(reach.min), max: beyond(reach.max) },
      least: length(intent.minOverhang, '/edge/minOverhang', 'Least overhang', 'rise', -500),
      most: length(intent.maxOverhang, '/edge/maxOverhang', 'Most overhang', 'rise', -500),
    },
  };
}

/** Where the part ends on a side: the imported model where there is one, else the body at least and most. */
function reachOf({ body: { extent, imported } }: Footprint, side: EdgeIntent['side']) {
  const axis = side === 'left' || side === 'right' ? 'x' : 'y';
  const high = side === 'right' || side === 'top';
  if (imported?.seen) {
    const end = imported.seen.box[high ? 'max' : 'min'][axis];
    return { min: end, max: end };
  }
  const centre = extent.centre?.[axis] ?? 0;
  const half = high ? 0.5 : -0.5;
  return { min: centre + half * extent[axis].min, max: centre + half * extent[axis].max };
}
