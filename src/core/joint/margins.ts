import type { Footprint, Land } from '../footprint/footprint';
import { insideDistance, rss, type LineTolerances } from '../land/solver';
import type { SpanSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import { correctedGroup } from '../package/contact';
import type { SpanGroup } from '../package/terminal';
import { spread } from '../units/toleranced';
import { landOf } from './model';

/** How far a land reaches beyond its terminal on one side, over all tolerances. mm. */
export interface Margin {
  readonly end: 'toe' | 'heel' | 'side';
  /** The goal at the document's level. */
  readonly goal: number;
  /** At nominal part, board and placement. */
  readonly nominal: number;
  /** Least margin with tolerances as root of the sum of squares, as the land formulas reckon. */
  readonly rms: number;
  /** Least and largest margin with every tolerance at its worst. */
  readonly worst: { readonly min: number; readonly max: number };
}

/**
 * Toe, heel and side margins of a group's lands (J-STD-001 terms, IPC-7351B arithmetic).
 *
 * With the land as solved and unrounded, `rms` equals the goal. Worst case adds F and P
 * in full, as the formulas do, and takes S at its untrimmed limits.
 * @param land another land for the same terminals, such as the datasheet's own
 */
export function jointMargins(
  group: SpanGroup,
  solution: SpanSolution,
  line: LineTolerances,
  land: LandSize = solution.land,
): Margin[] {
  const { Z, G, X } = land;
  const { goals, goalRow } = solution;
  const { fabricationTolerance: F, placementTolerance: P } = line;
  const { span, length, width } = group;
  const inside = insideDistance(group, []);
  const ends = {
    least: span.min - 2 * length.max,
    most: span.max - 2 * length.min,
  };
  const nominalInside = span.nom - 2 * length.nom;
  return [
    {
      end: goalRow.ends.outer,
      goal: goals.outer,
      nominal: (Z - span.nom) / 2,
      rms: (Z - span.min - rss(spread(span), F, P)) / 2,
      worst: { min: (Z - span.max - F - P) / 2, max: (Z - span.min + F + P) / 2 },
    },
    {
      end: goalRow.ends.inner,
      goal: goals.inner,
      nominal: (nominalInside - G) / 2,
      rms: (inside.max - G - rss(inside.tolerance, F, P)) / 2,
      worst: { min: (ends.least - G - F - P) / 2, max: (ends.most - G + F + P) / 2 },
    },
    {
      end: 'side',
      goal: goals.side,
      nominal: (X - width.nom) / 2,
      rms: (X - width.min - rss(spread(width), F, P)) / 2,
      worst: { min: (X - width.max - F - P) / 2, max: (X - width.min + F + P) / 2 },
    },
  ];
}

/** The margins of a land as it lies; `null` where its terminal has no span. */
export function spanMargins(
  { groups, contacts }: Footprint,
  land: Land,
  line: LineTolerances,
): Margin[] | null {
  const group = groups.find(({ terminals }) => terminals.id === land.group);
  if (group?.kind !== 'span') return null;
  const { terminals } = group;
  const touching = correctedGroup(terminals, contacts.get(terminals.id));
  return jointMargins(touching, group, line, landOf(land, terminals));
}
