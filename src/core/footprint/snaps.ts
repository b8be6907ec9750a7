import type { SeatedModel } from './footprint';
import { quantise } from '../units/length';

/** A place that the model can be laid against: the offsets that take it there, mm. */
export interface Snap {
  readonly name: string;
  readonly at: { readonly x?: number; readonly y?: number; readonly z?: number };
}

/** Contacts onto their lands, middles and edges of the boxes, and the planes of the board. */
export function snapsOf({ pose: { at }, ground, seen }: SeatedModel): Snap[] {
  if (!seen) return [];
  const { box, fit } = seen;
  const own = ground.box;
  const by = (axis: 'x' | 'y' | 'z', shift: number) => quantise(at[axis] + shift);
  const middle = (axis: 'x' | 'y') => (own.min[axis] + own.max[axis] - box.min[axis] - box.max[axis]) / 2;
  const firm = fit?.matches.filter(({ target }) => ground.targets[target]?.kind !== 'peg') ?? [];
  const mean = (axis: 'x' | 'y') =>
    firm.reduce((sum, { off }) => sum + off[axis], 0) / Math.max(1, firm.length);
  const lands = firm.filter(({ target }) => ground.targets[target]?.kind === 'land');
  const lowest = lands.reduce((low, { off }) => Math.min(low, off.z), Infinity);
  return [
    ...(firm.length > 0
      ? [{ name: 'contacts', at: { x: by('x', -mean('x')), y: by('y', -mean('y')) } }]
      : []),
    ...(lands.length > 0 ? [{ name: 'lands', at: { z: by('z', -lowest) } }] : []),
    { name: 'middle', at: { x: by('x', middle('x')), y: by('y', middle('y')) } },
    { name: 'left edge', at: { x: by('x', own.min.x - box.min.x) } },
    { name: 'right edge', at: { x: by('x', own.max.x - box.max.x) } },
    { name: 'front edge', at: { y: by('y', own.min.y - box.min.y) } },
    { name: 'back edge', at: { y: by('y', own.max.y - box.max.y) } },
    { name: 'laminate', at: { z: by('z', -box.min.z) } },
    { name: 'stated top', at: { z: by('z', own.max.z - box.max.z) } },
  ];
}

/**
 * Pulls a dragged offset to the nearest snap of one axis.
 * @param reach how near counts, mm
 */
export function snapped(value: number, axis: 'x' | 'y' | 'z', snaps: readonly Snap[], reach: number): number {
  const places = snaps.flatMap(({ at }) => (at[axis] === undefined ? [] : [at[axis]]));
  const nearest = places.reduce<number | null>(
    (best, place) => (best === null || Math.abs(place - value) < Math.abs(best - value) ? place : best),
    null,
  );
  return nearest !== null && Math.abs(nearest - value) <= reach ? nearest : value;
}
