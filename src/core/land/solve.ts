import type { Level } from '../document/document';
import { place } from '../geometry/figure';
import { putPlaced, undone, within } from '../geometry/placement';
import type { SpanGroup, SpotGroup, TerminalGroup } from '../package/terminal';
import type { Process } from '../process/process';
import { NO_CHOICES, type LandChoices, type SolvedGroup, type SpanSolution } from './solution';
import { solvePin } from './solve-pin';
import { solveSpan } from './solve-span';
import { solveSpot } from './solve-spot';
import { trimCorners } from './trims';

/**
 * Solves the lands of all groups of a package at one level, each where it stands. Lands keep clear
 * of exposed pads; rows that meet at a corner are fitted to one another last.
 * @returns one solved group for each group, in their order
 */
export function solveLands(
  groups: readonly TerminalGroup[],
  level: Level,
  process: Process,
  choices: LandChoices = NO_CHOICES,
): SolvedGroup[] {
  const thermal = groups.filter(isThermal);
  const solved = groups.map((group): SolvedGroup => {
    switch (group.kind) {
      case 'span':
        return solveSpan(group, level, process, choices, thermalReach(thermal, group, level, choices));
      case 'spot':
        return solveSpot(group, level, choices);
      case 'pin':
        return solvePin(group, level, process, choices);
    }
  });
  return choices.untrimmed.has('quad-corner') ? solved : withCorners(solved, process);
}

function isThermal(group: TerminalGroup): group is SpotGroup {
  return group.kind === 'spot' && group.form === 'thermal';
}

/** How far the exposed pads on its side of the board reach along a group's span, from its middle. mm */
export function thermalReach(
  thermal: readonly SpotGroup[],
  { frame }: SpanGroup,
  level: Level,
  choices: LandChoices,
): number | null {
  const reaches = thermal.flatMap((group) => {
    const seen = within(undone(frame), group.frame);
    if (seen.far) return [];
    const { figure } = solveSpot(group, level, choices);
    return group.places.map(({ at, rotation }) => {
      const { minX, maxX } = putPlaced(seen, place(figure, at, rotation));
      return Math.max(-minX, maxX);
    });
  });
  return reaches.length > 0 ? Math.max(...reaches) : null;
}

/** Shortens the corner lands of rows that cross at right angles where they would come too close. */
function withCorners(solved: readonly SolvedGroup[], process: Process): SolvedGroup[] {
  const result = [...solved];
  result.forEach((_, i) => {
    for (let j = i + 1; j < result.length; j += 1) {
      const [a, b] = [result[i], result[j]];
      if (a?.kind !== 'span' || b?.kind !== 'span' || !areCrossed(a, b)) continue;
      const fitted = trimCorners(a, b, process);
      if (fitted) [result[i], result[j]] = fitted;
    }
  });
  return result;
}

/** Whether two spans share their middle and stand at right angles, as the sides of a quad package do. */
function areCrossed({ terminals: a }: SpanSolution, { terminals: b }: SpanSolution): boolean {
  const { at, angle, far } = within(undone(a.frame), b.frame);
  return !far && angle % 180 === 90 && Math.hypot(at.x, at.y) < 1e-6;
}

/** Whether a place is the first or last of its row, where rows of a quad package meet. */
export function isCornerPlace({ places }: SpanGroup, along: number): boolean {
  const reach = Math.max(...places.map((place) => Math.abs(place.along)));
  return reach > 0 && Math.abs(Math.abs(along) - reach) < 1e-9;
}
