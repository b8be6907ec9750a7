import type { Process } from '../process/process';
import type { OpeningChoice, StackChoices } from './choices';
import type { PadMargins, Padstack, Source, StackBase, StackPart } from './padstack';

/** Where each part of a padstack comes from. */
export function sourcesOf(
  base: StackBase,
  choices: StackChoices,
  margins: PadMargins,
  process: Process,
): Padstack['sources'] {
  const hand: Source = 'set by hand';
  const chosen = (...values: unknown[]) => values.some((value) => value !== null && value !== false);
  const opening = ({ margin, width, height, none, as }: OpeningChoice, whole: boolean): Source =>
    chosen(margin, width, height, none, as) || whole ? hand : 'process';
  const { hole, other, relief, windows, vias } = choices;
  const copper = chosen(
    choices.shape,
    choices.width,
    choices.height,
    choices.radius,
    choices.chamfer,
    choices.contour,
  )
    ? hand
    : base.copperSource;
  const mask =
    choices.definedBy === 'mask' ? hand : opening(choices.mask, margins.mask !== process.maskMargin);
  const split = chosen(windows.columns, windows.rows, windows.coverage, windows.gap, windows.radius);
  return {
    copper,
    mask,
    paste:
      base.kind === 'thermal' || split
        ? split || choices.paste.none
          ? hand
          : 'process'
        : choices.paste.form === null
          ? opening(choices.paste, margins.paste !== process.pasteMargin)
          : hand,
    ...(base.hole === null
      ? {}
      : {
          hole:
            chosen(hole.diameter, hole.slot, hole.plus, hole.minus) || hole.plated === false
              ? hand
              : base.copperSource,
          other: chosen(other.width, other.height) ? hand : copper,
          inner: choices.inner === null ? 'by rule' : hand,
          maskOther: opening(choices.maskOther, mask === hand),
        }),
    relief: chosen(relief.on, relief.spokes, relief.width, relief.gap) ? hand : 'process',
    clearance: choices.clearance === null ? 'process' : hand,
    vias: base.vias
      ? 'package'
      : chosen(vias.pitch, vias.hole, vias.ring, vias.columns, vias.rows)
        ? hand
        : 'process',
  };
}

/** The same where a house has its habits: what it says, and nobody chose otherwise, comes from its standard. */
export function sourcesWithHabit(
  base: StackBase,
  own: StackChoices,
  habit: StackChoices,
  margins: PadMargins,
  process: Process,
): Padstack['sources'] {
  const chosen = sourcesOf(base, own, margins, process);
  const used = sourcesOf(base, habit, { mask: process.maskMargin, paste: process.pasteMargin }, process);
  return Object.fromEntries(
    (Object.entries(chosen) as [StackPart, Source][]).map(([part, source]) => [
      part,
      source !== 'set by hand' && used[part] === 'set by hand' ? 'house standard' : source,
    ]),
  );
}
