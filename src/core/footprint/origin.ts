import type { OriginIntent } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import { HOME } from '../geometry/placement';
import type { Point } from '../geometry/point';
import { quantise } from '../units/length';
import type { Footprint, Land } from './footprint';
import { moved } from './move';

/** The choices of an origin. */
export const ORIGINS: readonly { readonly id: OriginIntent['at']; readonly title: string }[] = [
  { id: 'body', title: 'middle of the terminals' },
  { id: 'lands', title: 'centroid of the lands' },
  { id: 'pin-1', title: 'land 1' },
  { id: 'point', title: 'a given point' },
];

/** Where coordinates are measured from, in the footprint's own axes; mm. */
export function originOf(
  { at, x, y }: ChoicesRead['origin'],
  lands: readonly Land[],
  first: Land | undefined,
): Point {
  switch (at) {
    case 'lands':
      return centroid(lands);
    case 'pin-1':
      return first?.at ?? HOME.at;
    case 'point':
      return { x: x ?? 0, y: y ?? 0 };
    default:
      return HOME.at;
  }
}

/** Mean of the land centres, mm. */
export function centroid(lands: readonly Land[]): Point {
  const count = Math.max(1, lands.length);
  return {
    x: quantise(lands.reduce((sum, { at }) => sum + at.x, 0) / count),
    y: quantise(lands.reduce((sum, { at }) => sum + at.y, 0) / count),
  };
}

/** The footprint with its origin at zero, as it is handed over. */
export function atOrigin(footprint: Footprint): Footprint {
  const { x, y } = footprint.origin;
  return moved(footprint, { ...HOME, at: { x: 0 - x, y: 0 - y } });
}
