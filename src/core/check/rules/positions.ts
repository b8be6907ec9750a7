/**
 * Holds where the lands are against where the drawing has its terminals: pitch, drift over the row,
 * lands that miss their terminal, and asymmetry that the drawing does not have.
 */
import { centreOf } from '../../geometry/box';
import { gapBetweenFigures } from '../../geometry/gaps';
import type { Placed } from '../../geometry/figure';
import { putPlaced, undone } from '../../geometry/placement';
import type { Point } from '../../geometry/point';
import type { Footprint, Land } from '../../footprint/footprint';
import { worstOf, type Miss, type Rule } from '../rule';

/** Differences below this are rounding, mm. */
const ROUNDING = 1e-4;

/** A land of a row: where it lies along the row, how far its copper is off its terminal there, and how wide that is. mm */
interface InRow {
  readonly land: Land;
  readonly along: number;
  readonly off: number;
  readonly width: number;
}

/** Rows of lands in order, as their own groups see them. */
function rowsOf({ lands, groups }: Footprint): InRow[][] {
  return groups.flatMap(({ kind, terminals }) => {
    if (kind !== 'span' || terminals.pitch === null) return [];
    const inFrame = undone(terminals.frame);
    return [-1, 1].map((end) =>
      lands
        .filter((land) => land.group === terminals.id && land.end === end)
        .map((land): InRow => {
          const [copper, contact] = [land.copper, land.contact.nom].map((placed) =>
            putPlaced(inFrame, placed),
          );
          const along = centreOf(contact as Placed).y;
          return {
            land,
            along,
            off: centreOf(copper as Placed).y - along,
            width: (contact as Placed).maxY - (contact as Placed).minY,
          };
        })
        .sort((a, b) => a.along - b.along),
    );
  });
}

export const pitch: Rule = {
  id: 'pitch',
  title: 'Pitch against the drawing',
  source: 'The drawing: pitch of the terminals',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['rows'],
  check({ footprint }) {
    const misses = rowsOf(footprint).flatMap((row) =>
      row.slice(1).flatMap(({ land, off }, i): Miss[] => {
        const before = row[i] as InRow;
        const value = Math.abs(off - before.off);
        return value > ROUNDING ? [{ value, at: centreOf(land.copper), lands: [before.land, land] }] : [];
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
  looksAt: ['rows'],
  check({ footprint }) {
    const misses = rowsOf(footprint).flatMap((row) =>
      row.flatMap(({ land, off, width }): Miss[] => {
        const value = Math.abs(off);
        return value > width / 10 + ROUNDING ? [{ value, at: centreOf(land.copper), lands: [land] }] : [];
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
  looksAt: ['lands'],
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
  looksAt: ['surface lands'],
  check({ footprint }) {
    const key = ({ x, y }: Point) => `${Math.round(x * 1e4) + 0} ${Math.round(y * 1e4) + 0}`;
    const surface = footprint.lands.filter(({ hole }) => !hole);
    const at = new Map(surface.map((land) => [key(centreOf(land.contact.nom)), land]));
    const counted = new Map(surface.map((land, i) => [land, i]));
    const comesFirst = (a: Land, b: Land) => (counted.get(a) ?? 0) < (counted.get(b) ?? 0);
    const mirrored = (mirror: (p: Point) => Point) =>
      surface.flatMap((land): Miss[] => {
        const twin = at.get(key(mirror(centreOf(land.contact.nom))));
        if (!twin || twin === land || comesFirst(twin, land) || !alike(land, twin)) return [];
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
