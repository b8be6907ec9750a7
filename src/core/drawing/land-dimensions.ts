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
  return [
    {
      symbol: 'G',
      value: G,
      view: 'plan',
      from: { x: -G / 2, y: first.copper.maxY },
      to: { x: G / 2, y: first.copper.maxY },
      side: 'top',
      tier: 0,
    },
    {
      symbol: 'Z',
      value: Z,
      view: 'plan',
      from: { x: -Z / 2, y: first.copper.maxY },
      to: { x: Z / 2, y: first.copper.maxY },
      side: 'top',
      tier: 1,
    },
    {
      symbol: 'Y',
      value: Y,
      view: 'plan',
      from: { x: high.copper.minX, y: high.copper.minY },
      to: { x: high.copper.maxX, y: high.copper.minY },
      side: 'bottom',
      tier: 0,
    },
    {
      symbol: 'C',
      value: C,
      view: 'plan',
      from: { x: middle(low), y: low.at.y },
      to: { x: middle(high), y: high.at.y },
      side: 'bottom',
      tier: 1,
    },
    {
      symbol: 'X',
      value: X,
      view: 'plan',
      from: { x: low.copper.minX, y: low.copper.minY },
      to: { x: low.copper.minX, y: low.copper.maxY },
      side: 'left',
      tier: 0,
    },
  ];
}
