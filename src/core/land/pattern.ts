import type { PatternDistance } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import { landFrom } from './rounding';
import type { SettableSize } from './solution';
import type { LandSize } from './solver';

/** The datasheet's own lands of one group, mm. */
export interface PatternLands {
  /** What was given, as sizes that can be set. */
  readonly sizes: Readonly<Partial<Record<SettableSize, number>>>;
  /** Complete for a span; `null` while a size or the distance is missing. */
  readonly land: LandSize | null;
}

/** Recommended lands by group. */
export type PatternByGroup = ReadonlyMap<string, PatternLands>;

/** Land length and width with one of three distances, as numbers in mm. */
export function landFromPattern(
  Y: number,
  X: number,
  given: PatternDistance | null | undefined,
  distance: number,
): LandSize {
  switch (given ?? 'gap') {
    case 'gap':
      return landFrom(Y, X, distance + Y);
    case 'centre':
      return landFrom(Y, X, distance);
    case 'outer':
      return landFrom(Y, X, distance - Y);
  }
}

/** The datasheet's own lands as they were read, by group. */
export function patternOf({ groups }: ChoicesRead['recommended']): PatternByGroup {
  const lands = new Map<string, PatternLands>();
  for (const [group, { Y, X, D, H, given, distance }] of groups) {
    const land =
      Y !== null && X !== null && distance !== null ? landFromPattern(Y, X, given, distance) : null;
    const sizes = { Y, X, D, H, C: land?.C ?? null };
    const known = Object.entries(sizes).filter(([, value]) => value !== null);
    if (known.length > 0) lands.set(group, { sizes: Object.fromEntries(known), land });
  }
  return lands;
}
