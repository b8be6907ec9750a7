/**
 * Requires parts to stay out of areas that others keep free, such as the room of a screw's head, and of areas
 * that the board keeps free.
 */
import { between, fill, mm, type RuleFinding } from '../../check/rule';
import type { PlacedKeepOut } from '../../footprint/footprint';
import { gapBetween } from '../../geometry/box';
import type { Placed } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { moveApart, placeOf, besides, type Neighbour, type TrialRule } from '../rule';
import type { BoardKeepOut } from '../trial';

const messages = {
  other: '{what} of {a} lies {by} mm within an area that {b} keeps free{why}.',
  board: '{what} of {a} lies {by} mm within an area that the board keeps free{why}.',
};

type Area = Pick<BoardKeepOut, 'area' | 'what' | 'side'>;
const SIDES = { component: 'top', far: 'bottom', both: 'both' } as const;

const areaOf = ({ area, what, side }: PlacedKeepOut): Area => ({ area, what, side: SIDES[side] });

/** What of a part lies deepest in an area that is kept free of it. */
function within(
  { has }: Neighbour,
  { area, what, side }: Area,
): { what: string; figure: Placed; gap: number } | null {
  const every = what === 'everything';
  const on = (top: boolean, bottom: boolean) => side === 'both' || (side === 'top' ? top : bottom);
  const candidates = [
    ...(what === 'copper' || every
      ? has.copper
          .filter(({ top, bottom }) => on(top, bottom))
          .map(({ figure }) => ['Copper', figure] as const)
      : []),
    ...(what === 'vias' || every ? has.holes.map(({ figure }) => ['A hole', figure] as const) : []),
    ...((what === 'components' || every) && on(!has.body.far, has.body.far)
      ? [['The body', has.body.figure] as const]
      : []),
  ];
  let deepest: { what: string; figure: Placed; gap: number } | null = null;
  for (const [name, figure] of candidates) {
    if (gapBetween(figure, area) >= -1e-6) continue;
    const gap = gapBetweenFigures(figure, area);
    if (gap < Math.min(-1e-6, deepest?.gap ?? 0)) deepest = { what: name, figure, gap };
  }
  return deepest;
}

export const otherKeepOuts: TrialRule = {
  id: 'trial-keep-out',
  title: 'Areas that parts keep free',
  fault: 'Part lies where another keeps free',
  source: 'The footprint’s keep-outs',
  looksAt: besides('with areas of its own', ({ part }) => part.footprint.keepOuts.length > 0),
  severity: 'stop',
  pair(a, b, trial) {
    return (
      [
        [a, b],
        [b, a],
      ] as const
    ).flatMap(([one, other]) =>
      other.part.footprint.keepOuts.flatMap((keepOut): RuleFinding[] => {
        const found = within(one, areaOf(keepOut));
        if (!found) return [];
        const why = keepOut.why ? ` (${keepOut.why})` : '';
        const names = { a: one.part.reference, b: other.part.reference, what: found.what, why };
        return [
          {
            message: fill(messages.other, { ...names, by: mm(-found.gap) }),
            measured: { value: found.gap, limit: 0, unit: 'mm' },
            place: placeOf(between(found.figure, keepOut.area), one.part, other.part),
            remedies: moveApart(trial, [one, other], [found.figure, keepOut.area]),
          },
        ];
      }),
    );
  },
};

export const boardKeepOuts: TrialRule = {
  id: 'trial-board-keep-out',
  title: 'Areas that the board keeps free',
  fault: 'Part lies where the board keeps free',
  source: 'The board’s keep-outs',
  looksAt: {
    what: 'areas of the board and a part',
    isThere: ({ keepOuts }, all) => keepOuts.length > 0 && all.length > 0,
  },
  severity: 'stop',
  part(one, { keepOuts }) {
    return keepOuts.flatMap((keepOut): RuleFinding[] => {
      const found = within(one, keepOut);
      if (!found) return [];
      const why = keepOut.why ? ` (${keepOut.why})` : '';
      return [
        {
          message: fill(messages.board, { a: one.part.reference, what: found.what, by: mm(-found.gap), why }),
          measured: { value: found.gap, limit: 0, unit: 'mm' },
          place: placeOf(between(found.figure, keepOut.area), one.part),
        },
      ];
    });
  },
};
