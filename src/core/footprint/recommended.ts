import type { RecommendedLands, RecommendedPattern, TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { place, rectangle, type Placed } from '../geometry/figure';
import { landFrom } from '../land/rounding';
import type { SettableSize } from '../land/solution';
import type { LandSize } from '../land/solver';
import { plainScope, readEntry } from '../units/entry';
import { quantise } from '../units/length';
import { pointerKey } from './entry-reader';
import type { Footprint } from './footprint';

/** The datasheet's own lands of one group, mm. */
export interface PatternLands {
  /** What was given, as sizes that can be set. */
  readonly sizes: Readonly<Partial<Record<SettableSize, number>>>;
  /** Complete for a span; `null` while a size or the distance is missing. */
  readonly land: LandSize | null;
}

/** Recommended lands by group. */
export type PatternByGroup = Readonly<Record<string, PatternLands>>;

/** Land length and width with one of three distances, as numbers in mm. */
export function landFromPattern(
  Y: number,
  X: number,
  given: RecommendedLands['given'],
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

const NAMES = {
  Y: 'land length',
  X: 'land width',
  D: 'land diameter',
  H: 'hole',
  distance: 'distance',
} as const;

/** Reads the datasheet's recommended lands; a size that cannot be read is left out and named. */
export function readPattern(document: TapisDocument): {
  readonly lands: PatternByGroup;
  readonly problems: readonly Finding[];
} {
  const pattern: RecommendedPattern = document.recommended ?? {};
  const scope = plainScope(pattern.unit ?? document.package.unit ?? 'mm');
  const problems: Finding[] = [];
  const lands: Record<string, PatternLands> = {};
  for (const [group, given] of Object.entries(pattern.groups ?? {})) {
    const size = (key: keyof typeof NAMES): number | null => {
      const text = given[key]?.trim();
      if (!text) return null;
      const read = readEntry(text, scope);
      if (read.ok && read.value.nom > 0) return read.value.nom;
      const reason = read.ok ? 'It must be larger than 0.' : read.error.message;
      const at = `/recommended/groups/${pointerKey(group)}/${key}`;
      problems.push({
        rule: 'entry',
        severity: 'stop',
        title: `Recommended ${NAMES[key]} cannot be used`,
        message: `“${text}”: ${reason} It is left out of the comparison until it is mended.`,
        source: 'Entry grammar',
        stage: 'land',
        place: {},
        remedies: [{ label: 'Remove it', edits: [{ at, value: undefined }] }],
      });
      return null;
    };
    const [Y, X, D, H, distance] = [size('Y'), size('X'), size('D'), size('H'), size('distance')];
    const complete = Y !== null && X !== null && distance !== null;
    const land = complete ? landFromPattern(Y, X, given.given, distance) : null;
    const sizes = { Y, X, D, H, C: land?.C ?? null };
    const known = Object.entries(sizes).filter(([, value]) => value !== null);
    if (known.length > 0) lands[group] = { sizes: Object.fromEntries(known), land };
  }
  return { lands, problems };
}

/** The datasheet's lands where they would lie, to be drawn over the footprint's own. */
export function patternFigures(footprint: Footprint, pattern: PatternByGroup): Placed[] {
  return footprint.lands.flatMap((land): Placed[] => {
    const given = Object.hasOwn(pattern, land.group) ? pattern[land.group] : undefined;
    if (!given) return [];
    const { rotation, side, at } = land;
    if (side !== null) {
      if (!given.land) return [];
      const { C, X, Y } = given.land;
      const out = quantise((side * C) / 2);
      const moved = rotation % 180 === 0 ? { x: out, y: at.y } : { x: at.x, y: out };
      return [place(rectangle(Y, X), moved, rotation)];
    }
    const { D, X, Y } = given.sizes;
    if (D !== undefined) return [place({ kind: 'round', diameter: D }, at)];
    return X !== undefined && Y !== undefined ? [place(rectangle(Y, X), at, rotation)] : [];
  });
}
