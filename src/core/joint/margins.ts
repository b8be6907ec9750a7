import type { Footprint, Land } from '../footprint/footprint';
import { insideDistance, rss, type LandSize } from '../land/solver';
import type { SpanSolution } from '../land/solution';
import { correctedGroup } from '../package/contact';
import type { SpanGroup } from '../package/terminal';
import type { Process } from '../process/process';
import { spread } from '../units/toleranced';
import { landOf, marginFigures, spanModel, type MarginFigures } from './model';

/** How far a land reaches beyond its terminal on one side, over all tolerances. mm. */
export interface Margin extends MarginFigures {
  readonly end: 'toe' | 'heel' | 'side';
  /** The goal at the document's level. */
  readonly goal: number;
  /**
   * The margin that the land formulas give back from the land's real size: what the goals are
   * stated for. With the land as solved and unrounded it equals the goal.
   */
  readonly inverse: number;
}

/**
 * Toe, heel and side margins of a group's lands (J-STD-001 terms): the one statistic of joints,
 * and beside it the inverse of the land formulas (IPC-7351B, clause 3.1), by which goals are judged.
 * @param group with its contacts as corrected
 * @param land another land for the same terminals, such as the datasheet's own
 */
export function jointMargins(
  group: SpanGroup,
  { goals, goalRow, land: own }: SpanSolution,
  process: Process,
  land: LandSize = own,
): Margin[] {
  const { Z, G, X } = land;
  const { fabricationTolerance: F, placementTolerance: P } = process;
  const { span, width } = group;
  const inside = insideDistance(group, []);
  const inverse = [
    (Z - span.min - rss(spread(span), F, P)) / 2,
    (inside.max - G - rss(inside.tolerance, F, P)) / 2,
    (X - width.min - rss(spread(width), F, P)) / 2,
  ];
  const model = spanModel(group, land, goals, goalRow.ends, process);
  return model.margins.map((margin, i) => ({
    end: margin.end as Margin['end'],
    goal: margin.goal ?? 0,
    inverse: inverse[i] ?? NaN,
    ...marginFigures(model, margin),
  }));
}

/** The margins of a land as it lies; `null` where its terminal has no span. */
export function spanMargins({ groups, contacts }: Footprint, land: Land, process: Process): Margin[] | null {
  const group = groups.find(({ terminals }) => terminals.id === land.group);
  return group?.kind === 'span' ? marginsOf(group, landOf(land, group.terminals), contacts, process) : null;
}

/** The margins of a group's lands of a real size, by their corrected contact. */
export function marginsOf(
  group: SpanSolution,
  size: LandSize,
  contacts: Footprint['contacts'],
  process: Process,
): Margin[] {
  const { terminals } = group;
  const touching = correctedGroup(terminals, contacts.get(terminals.id));
  return jointMargins(touching, group, process, size);
}
