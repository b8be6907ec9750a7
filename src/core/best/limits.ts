import { LEVELS } from '../document/document';
import type { Drawable } from '../footprint/footprint';
import type { SpanSolution } from '../land/solution';
import { NO_CHOICES } from '../land/solution';
import { thermalReach } from '../land/solve';
import { clearGap } from '../land/trims';
import { LEAST_AREA_RATIO, LEAST_ASPECT_RATIO } from '../padstack/paste-forms';
import type { Process } from '../process/process';
import { formatNumber, quantise } from '../units/length';

// What the rules leave the lands of a span, so that the best of them is one that they let pass.

/** A land reaches no farther beyond or inside of its terminal than this, mm. */
const FARTHEST = 1.5;

/** What lands of a group may be, mm. */
export interface LandLimits {
  readonly minZ: number;
  readonly maxZ: number;
  readonly minG: number;
  readonly maxG: number;
  readonly minX: number;
  readonly maxX: number;
  /** By how much the paste of a land, as long and as wide as given, misses what lets it out of its aperture. */
  readonly pasteLacks: (length: number, width: number) => number;
  /** What sets each limit that a land can run into, in words. */
  readonly words: readonly string[];
}

/** What holds where several limits do. */
export function strictest(all: readonly LandLimits[]): LandLimits {
  const [first, ...others] = all as [LandLimits, ...LandLimits[]];
  if (others.length === 0) return first;
  const pick = (of: (one: LandLimits) => number, how: (...values: number[]) => number) => how(...all.map(of));
  const minG = pick((one) => one.minG, Math.max);
  const minZ = pick((one) => one.minZ, Math.max);
  return {
    ...first,
    minZ,
    maxZ: Math.max(
      minZ,
      pick((one) => one.maxZ, Math.max),
    ),
    minG,
    maxG: Math.max(
      minG,
      pick((one) => one.maxG, Math.min),
    ),
    maxX: pick((one) => one.maxX, Math.max),
    words: [...first.words, 'the same for the second sources'],
  };
}

/**
 * What the rules leave a land: the gap in its row and to what faces it, the narrowest copper. What no class
 * demands of toe and heel, the least level’s goals do: a joint is more than what just passes.
 */
export function limitsOf(
  { process, footprint, levels }: Drawable,
  group: SpanSolution,
  maxZ: number | undefined,
): LandLimits {
  const { terminals, level } = group;
  const gap = clearGap(process);
  const words: string[] = [];
  let maxX = terminals.width.max + 2 * FARTHEST;
  const { pitch } = terminals;
  // where gap and mask web leave no land, the copper's gap alone is kept
  const between = pitch !== null && pitch - gap < process.minWidth - 1e-9 ? process.minGap : gap;
  if (pitch !== null && pitch - between < maxX) {
    maxX = quantise(pitch - between);
    words.push(
      `width ${formatNumber(maxX, 2, 3)} mm by the row: pitch ${formatNumber(pitch, 2, 3)} less a gap of ${formatNumber(between, 2, 3)}`,
    );
  }
  const facing = new Set(terminals.places.map(({ end }) => end)).size > 1;
  // a row that faces none may reach inward as far as it likes
  let minG = facing ? gap : terminals.span.min - 2 * (terminals.length.max + FARTHEST);
  if (facing) words.push(`inner distance ${formatNumber(gap, 2, 3)} mm or more`);
  const thermal = footprint.groups.flatMap(({ terminals: one }) =>
    one.kind === 'spot' && one.form === 'thermal' ? [one] : [],
  );
  const reach = thermalReach(thermal, terminals, level, NO_CHOICES);
  if (reach !== null && 2 * (reach + gap) > minG) {
    minG = 2 * (reach + gap);
    words.push(`inner distance ${formatNumber(minG, 2, 3)} mm or more by the exposed pad`);
  }
  const { body } = terminals;
  if (body && body.standoff.min < process.minStandoff - 1e-9) {
    // as far under a low body as the levels themselves go, whose heels keep their reduced goal
    const proposed = LEVELS.flatMap((one) => {
      const solved = levels?.[one].find((other) => other.terminals.id === terminals.id);
      return solved?.kind === 'span' ? [solved.proposed.G] : [];
    });
    const edge = Math.min(body.size.max, ...proposed);
    if (edge > minG) {
      minG = edge;
      words.push(`inner distance ${formatNumber(minG, 2, 3)} mm or more by the low body`);
    }
  }
  const most = terminals.span.max + 2 * FARTHEST;
  if (maxZ !== undefined && maxZ < most)
    words.push(`outer distance ${formatNumber(maxZ, 2, 3)} mm at most, as asked`);
  const farthest = Math.min(most, maxZ ?? most);
  const least = levels?.C.find((one) => one.terminals.id === terminals.id);
  const goals = least?.kind === 'span' ? least.computed : group.computed;
  words.push(
    `toe and heel no less than level C asks: outer distance ${formatNumber(goals.Z, 2, 3)} mm, inner ${formatNumber(goals.G, 2, 3)} mm`,
  );
  const pasteLacks = pasteOf(footprint, group, process);
  const { land } = group;
  if (pasteLacks(land.Y * 0.9, land.X * 0.9) > 0)
    words.push(
      `paste that leaves its aperture: area ratio ${LEAST_AREA_RATIO}, aspect ratio ${LEAST_ASPECT_RATIO} in a foil of ${formatNumber(process.stencilThickness, 2, 3)} mm`,
    );
  return {
    pasteLacks,
    minZ: Math.min(goals.Z, farthest),
    maxZ: farthest,
    minG,
    maxG: Math.max(minG, goals.G),
    minX: process.minWidth,
    maxX: Math.max(process.minWidth, maxX),
    words,
  };
}

/**
 * What lets paste out of the aperture of a land of its own size; windows and forms that somebody chose are judged by
 * the rules alone.
 */
function pasteOf(
  footprint: Drawable['footprint'],
  { terminals }: SpanSolution,
  { pasteMargin, stencilThickness }: Process,
): LandLimits['pasteLacks'] {
  const land = footprint.lands.find((one) => one.group === terminals.id);
  const kind = land?.padstack.copper.kind;
  const isPlain = land?.padstack.paste.length === 1 && kind === 'rectangle';
  if (!isPlain || stencilThickness <= 0) return () => 0;
  return (length, width) => {
    const [a, b] = [length, width].map((side) => side - 2 * pasteMargin) as [number, number];
    if (a <= 0 || b <= 0) return 1;
    const ratio = (a * b) / (2 * (a + b) * stencilThickness);
    return (
      Math.max(0, LEAST_AREA_RATIO - ratio) +
      Math.max(0, LEAST_ASPECT_RATIO - Math.min(a, b) / stencilThickness)
    );
  };
}
