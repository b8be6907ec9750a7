import type { Footprint, Land } from './footprint';

/** Whether a land has copper on the side that its part stands on; a hole brings it to both. */
export function isOnOwnSide({ far }: Pick<Footprint, 'far'>, land: Pick<Land, 'far' | 'hole'>): boolean {
  return land.hole !== null || land.far === far;
}
