import type { Footprint, Land } from '../footprint/footprint';
import type { LandSize } from '../land/solver';
import { line } from '../package/declare';
import type { DimensionLine } from '../package/family';

/** A dimension line of the land pattern: which size it shows, and its value in mm. */
export interface LandDimension extends DimensionLine {
  readonly size: keyof LandSize;
  readonly value: number;
}

/**
 * Where a draughtsman dimensions a land pattern: spans of the rows at left and right above and
 * below, their width beside the last land of the low side; spans of the rows at bottom and top
 * at the right.
 */
export function landDimensions({ lands, groups, solutions }: Footprint): LandDimension[] {
  return groups.flatMap(({ id, axis }, i) => {
    const own = lands.filter(({ group }) => group === id);
    const size = solutions[i]?.land;
    const low = own.filter(({ side }) => side === -1).at(-1);
    const high = own.find(({ side }) => side === 1);
    if (!size || !low || !high) return [];
    return axis === 'x' ? besideRows(size, low, high, own[0] as Land) : overRows(size, high, id);
  });
}

function besideRows({ Z, G, C, X, Y }: LandSize, low: Land, high: Land, first: Land): LandDimension[] {
  const [head, foot] = [first.copper.maxY, high.copper.minY];
  const middle = ({ copper }: Land) => (copper.minX + copper.maxX) / 2;
  return [
    { ...line('G', 'plan', 'top', [-G / 2, head], [G / 2, head]), size: 'G', value: G },
    { ...line('Z', 'plan', 'top', [-Z / 2, head], [Z / 2, head], 1), size: 'Z', value: Z },
    {
      ...line('Y', 'plan', 'bottom', [high.copper.minX, foot], [high.copper.maxX, foot]),
      size: 'Y',
      value: Y,
    },
    {
      ...line('C', 'plan', 'bottom', [middle(low), low.at.y], [middle(high), high.at.y], 1),
      size: 'C',
      value: C,
    },
    {
      ...line('X', 'plan', 'left', [low.copper.minX, low.copper.minY], [low.copper.minX, low.copper.maxY]),
      size: 'X',
      value: X,
    },
  ];
}

function overRows({ Z, G }: LandSize, high: Land, group: string): LandDimension[] {
  const edge = high.copper.maxX;
  return [
    { ...line(`G ${group}`, 'plan', 'right', [edge, -G / 2], [edge, G / 2]), size: 'G', value: G },
    { ...line(`Z ${group}`, 'plan', 'right', [edge, -Z / 2], [edge, Z / 2], 1), size: 'Z', value: Z },
  ];
}
