import type { EdgeIntent } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import { bodyAt } from '../package/drawn';
import type { DrawnEdge } from '../package/terminal';
import { quantise } from '../units/length';
import type { BoardEdge, Footprint } from './footprint';

/**
 * The board's edge that the part must reach, and how far the part stands out beyond it; `null` without a place.
 * What was chosen goes before what the package's own drawing shows.
 */
export function boardEdge(
  footprint: Footprint,
  { side: chosen, at: distance, minOverhang, maxOverhang }: ChoicesRead['edge'],
  drawn: DrawnEdge | undefined,
): BoardEdge | null {
  const side = chosen ?? drawn?.side ?? null;
  if (side === null) return null;
  const sign = side === 'right' || side === 'top' ? 1 : -1;
  const along = side === 'left' || side === 'right';
  const isDrawn = drawn && drawn.side === side;
  const out = distance ?? (isDrawn ? sign * (along ? drawn.at.x : drawn.at.y) : null);
  if (out === null) return null;
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
