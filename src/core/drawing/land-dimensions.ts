import { line } from '../package/declare';
import type { DimensionLine } from '../package/family';
import type { Footprint, Land } from '../footprint/footprint';

/** Dimension lines of the lands of the first group: Z, G, C, Y and X, with the value of each. */
export interface LandDimension extends DimensionLine {
  readonly symbol: 'Z' | 'G' | 'C' | 'X' | 'Y';
  /** mm */
  readonly value: number;
}

/**
 * Where a draughtsman dimensions a land pattern: spans above and below, the width beside
 * the last land of the low side.
 */
export function landDimensions({ lands, groups, solutions }: Footprint): LandDimension[] {
  const [group] = groups;
  const [solution] = solutions;
  if (!group || !solution) return [];
  const own = lands.filter((land) => land.group === group.id);
  const low = own.filter(({ side }) => side === -1).at(-1);
  const high = own.find(({ side }) => side === 1);
  const first = own[0];
  if (!low || !high || !first) return [];
  const { Z, G, C, X, Y } = solution.land;
  const middle = (land: Land) => (land.copper.minX + land.copper.maxX) / 2;
  const [head, foot] = [first.copper.maxY, high.copper.minY];
  return [
    { ...line('G', 'plan', 'top', [-G / 2, head], [G / 2, head]), symbol: 'G', value: G },
    { ...line('Z', 'plan', 'top', [-Z / 2, head], [Z / 2, head], 1), symbol: 'Z', value: Z },
    {
      ...line('Y', 'plan', 'bottom', [high.copper.minX, foot], [high.copper.maxX, foot]),
      symbol: 'Y',
      value: Y,
    },
    {
      ...line('C', 'plan', 'bottom', [middle(low), low.at.y], [middle(high), high.at.y], 1),
      symbol: 'C',
      value: C,
    },
    {
      ...line('X', 'plan', 'left', [low.copper.minX, low.copper.minY], [low.copper.minX, low.copper.maxY]),
      symbol: 'X',
      value: X,
    },
  ];
}
