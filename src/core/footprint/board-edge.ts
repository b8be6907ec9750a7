import type { EdgeIntent } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import { bodyAt } from '../package/drawn';
import { quantise } from '../units/length';
import type { BoardEdge, Footprint } from './footprint';

/** The board's edge that the part must reach, and how far the part stands out beyond it; `null` without a place. */
export function boardEdge(
  footprint: Footprint,
  { side, at: out, minOverhang, maxOverhang }: ChoicesRead['edge'],
): BoardEdge | null {
  if (side === null || out === null) return null;
  const sign = side === 'right' || side === 'top' ? 1 : -1;
  const along = side === 'left' || side === 'right';
  const reach = reachOf(footprint, side);
  const beyond = (end: number) => quantise(sign * end - out);
  return {
    side,
    at: along ? { x: quantise(sign * out), y: 0 } : { x: 0, y: quantise(sign * out) },
    outward: OUTWARD[side],
    overhang: { min: beyond(reach.min), max: beyond(reach.max) },
    least: minOverhang,
    most: maxOverhang,
  };
}

const OUTWARD = { right: 0, top: 90, left: 180, bottom: 270 } as const;

/** Where the part ends on a side: the imported model where there is one, else the body at least and most. */
function reachOf({ body: { extent, imported } }: Footprint, side: EdgeIntent['side']) {
  const axis = side === 'left' || side === 'right' ? 'X' : 'Y';
  const high = side === 'right' || side === 'top';
  if (imported?.seen) {
    const end = imported.seen.box[high ? 'max' : 'min'][axis === 'X' ? 'x' : 'y'];
    return { min: end, max: end };
  }
  const end = (limit: 'min' | 'max') => bodyAt(extent, limit)[`${high ? 'max' : 'min'}${axis}`];
  return { min: end('min'), max: end('max') };
}
