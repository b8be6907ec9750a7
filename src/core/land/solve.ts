import type { Level } from '../document/document';
import { sizeOf } from '../geometry/figure';
import type { SpanGroup, SpotGroup, TerminalGroup } from '../package/terminal';
import type { Process } from '../process/process';
import { NO_CHOICES, type LandChoices, type LandSolution, type SpanSolution } from './solution';
import { solvePin } from './solve-pin';
import { solveSpan } from './solve-span';
import { solveSpot } from './solve-spot';
import { trimCorners } from './trims';

/**
 * Solves the lands of all groups of a package at one level. Exposed pads come first, because
 * the other lands keep clear of them; rows that meet at a corner are fitted to one another last.
 * @returns one solution for each group, in their order
 */
export function solveLands(
  groups: readonly TerminalGroup[],
  level: Level,
  process: Process,
  choices: LandChoices = NO_CHOICES,
): LandSolution[] {
  const thermal = groups.filter(isThermal);
  const reach = (axis: 'x' | 'y') => thermalReach(thermal, axis, level, choices);
  const solutions = groups.map((group): LandSolution => {
    switch (group.kind) {
      case 'span':
        return solveSpan(group, level, process, choices, reach(group.axis));
      case 'spot':
        return solveSpot(group, level, choices.of(group.id));
      case 'pin':
        return solvePin(group, level, process, choices);
    }
  });
  return choices.untrimmed.has('quad-corner') ? solutions : withCorners(groups, solutions, process);
}

function isThermal(group: TerminalGroup): group is SpotGroup {
  return group.kind === 'spot' && group.form === 'thermal';
}

/** How far the exposed pads reach from the middle along an axis, mm. */
function thermalReach(
  thermal: readonly SpotGroup[],
  axis: 'x' | 'y',
  level: Level,
  choices: LandChoices,
): number | null {
  const reaches = thermal.flatMap((group) => {
    const { width, height } = sizeOf(solveSpot(group, level, choices.of(group.id)).figure);
    return group.places.map(({ at, rotation }) => {
      const along = (rotation % 180 === 0) === (axis === 'x') ? width : height;
      return Math.abs(at[axis]) + along / 2;
    });
  });
  return reaches.length > 0 ? Math.max(...reaches) : null;
}

/** Shortens the corner lands of crossing rows where they would come too close. */
function withCorners(
  groups: readonly TerminalGroup[],
  solutions: readonly LandSolution[],
  process: Process,
): LandSolution[] {
  const spans = groups.flatMap((group, i) => {
    const solution = solutions[i];
    return group.kind === 'span' && solution?.kind === 'span' ? [{ group, solution, i }] : [];
  });
  const result = [...solutions];
  for (const across of spans.filter(({ group }) => group.axis === 'x')) {
    for (const upright of spans.filter(({ group }) => group.axis === 'y')) {
      const a = result[across.i] as SpanSolution;
      const b = result[upright.i] as SpanSolution;
      const fitted = trimCorners([across.group, a], [upright.group, b], process);
      if (fitted) [result[across.i], result[upright.i]] = fitted;
    }
  }
  return result;
}

/** Whether a place is the first or last of its row, where rows of a quad package meet. */
export function isCornerPlace({ places }: SpanGroup, along: number): boolean {
  const reach = Math.max(...places.map((place) => Math.abs(place.along)));
  return reach > 0 && Math.abs(Math.abs(along) - reach) < 1e-9;
}
