/**
 * Holds where the lands are against where the drawing has its terminals: pitch, drift over the row,
 * lands that miss their terminal, and asymmetry that the drawing does not have.
 */
import { centreOf } from '../../geometry/box';
import { gapBetweenFigures } from '../../geometry/figure';
import type { Point } from '../../geometry/point';
import type { Footprint, Land } from '../../footprint/footprint';
import { worstOf, type Miss, type Rule } from '../rule';

/** Differences below this are rounding, mm. */
const ROUNDING = 1e-4;

/** Rows of lands in order, each with the axis that it runs along. */
function rowsOf({ lands, groups }: Footprint): { readonly axis: 'x' | 'y'; readonly row: readonly Land[] }[] {
  return groups.flatMap((group) => {
    if (group.kind !== 'span' || group.pitch === null) return [];
    const axis = group.axis === 'x' ? 'y' : 'x';
    return [-1, 1].map((side) => ({
      axis: axis as 'x' | 'y',
      row: lands
        .filter((land) => land.group === group.id && land.side === side)
        .sort((a, b) => a.contact.nom.at[axis] - b.contact.nom.at[axis]),
    }));
  });
}

/** How far a land's copper lies off its terminal along the row, mm. */
function off({ copper, contact }: Land, axis: 'x' | 'y'): number {
  return centreOf(copper)[axis] - centreOf(contact.nom)[axis];
}

export const pitch: Rule = {
  id: 'pitch',
  title: 'Pitch against the drawing',
  source: 'The drawing: pitch of the terminals',
  severity: 'caution',
  stage: 'stack',
  check({ footprint }) {
    const misses = rowsOf(footprint).flatMap(({ axis, row }) =>
      row.slice(1).flatMap((land, i): Miss[] => {
        const before = row[i] as Land;
        const value = Math.abs(off(land, axis) - off(before, axis));
        return value > ROUNDING ? [{ value, at: centreOf(land.copper), lands: [before, land] }] : [];
      }),
    );
    const message =
      'Lands {land} and {other} are {value} mm off the pitch of their terminals; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

export const pitchDrift: Rule = {
  id: 'pitch-drift',
  title: 'Drift over the row',
  source: 'Land centres follow their terminals to a tenth of the width',
  severity: 'stop',
  stage: 'stack',
  check({ footprint }) {
    const misses = rowsOf(footprint).flatMap(({ axis, row }) =>
      row.flatMap((land): Miss[] => {
        const { minX, minY, maxX, maxY } = land.contact.nom;
        const limit = (axis === 'x' ? maxX - minX : maxY - minY) / 10;
        const value = Math.abs(off(land, axis));
        return value > limit + ROUNDING ? [{ value, at: centreOf(land.copper), lands: [land] }] : [];
      }),
    );
    const message = 'Land {land} lies {value} mm off its terminal along the row; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

export const landOffTerminal: Rule = {
  id: 'land-off-terminal',
  title: 'Land beside its terminal',
  source: 'The drawing: positions of the terminals',
  severity: 'stop',
  stage: 'land',
  check({ footprint }) {
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const value = gapBetweenFigures(land.copper, land.contact.nom);
      return value > -1e-9 ? [{ value, at: centreOf(land.contact.nom), lands: [land] }] : [];
    });
    const message = 'Land {land} misses its terminal by {value} mm; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

export const asymmetry: Rule = {
  id: 'asymmetry',
  title: 'Asymmetry that the drawing does not have',
  source: 'Surface tension pulls a part towards the larger land',
  severity: 'caution',
  stage: 'stack',
  check({ footprint }) {
    const key = ({ x, y }: Point) => `${Math.round(x * 1e4) + 0} ${Math.round(y * 1e4) + 0}`;
    const surface = footprint.lands.filter(({ hole }) => !hole);
    const at = new Map(surface.map((land) => [key(centreOf(land.contact.nom)), land]));
    const mirrored = (mirror: (p: Point) => Point) =>
      surface.flatMap((land): Miss[] => {
        const twin = at.get(key(mirror(centreOf(land.contact.nom))));
        if (!twin || twin === land || twin.position < land.position || !alike(land, twin)) return [];
        const [a, b] = [mirror(centreOf(land.copper)), centreOf(twin.copper)];
        const sizes = (['x', 'y'] as const).map((axis) => Math.abs(extent(land, axis) - extent(twin, axis)));
        const value = Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y), ...sizes);
        return value > ROUNDING ? [{ value, at: centreOf(twin.copper), lands: [land, twin] }] : [];
      });
    const across = mirrored(({ x, y }) => ({ x: -x, y }));
    const misses = across.length > 0 ? across : mirrored(({ x, y }) => ({ x, y: -y }));
    const message =
      'Lands {land} and {other} differ by {value} mm though their terminals mirror each other; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

/** Whether the terminals of two lands are equal. */
function alike(a: Land, b: Land): boolean {
  return JSON.stringify(a.contact.nom.figure) === JSON.stringify(b.contact.nom.figure);
}

function extent({ copper }: Land, axis: 'x' | 'y'): number {
  return axis === 'x' ? copper.maxX - copper.minX : copper.maxY - copper.minY;
}
