import { place, rectangle, type Placed } from '../geometry/figure';
import { putPlaced, putPoint, undone } from '../geometry/placement';
import type { PatternByGroup } from '../land/pattern';
import type { Footprint } from './footprint';

/** The datasheet's lands where they would lie, to be drawn over the footprint's own. */
export function patternFigures({ groups, lands }: Footprint, pattern: PatternByGroup): Placed[] {
  const frames = new Map(groups.map(({ terminals: { id, frame } }) => [id, frame]));
  return lands.flatMap(({ group, end, at, rotation }): Placed[] => {
    const given = pattern.get(group);
    const frame = frames.get(group);
    if (!given || !frame) return [];
    if (end !== null) {
      if (!given.land) return [];
      const { C, X, Y } = given.land;
      const spot = { x: (end * C) / 2, y: putPoint(undone(frame), at).y };
      return [putPlaced(frame, place(rectangle(Y, X), spot, end === 1 ? 0 : 180))];
    }
    const { D, X, Y } = given.sizes;
    if (D !== undefined) return [place({ kind: 'round', diameter: D }, at)];
    return X !== undefined && Y !== undefined ? [place(rectangle(Y, X), at, rotation)] : [];
  });
}
