/**
 * Requires bars between paste apertures that the stencil keeps, so that paste of neighbours does
 * not run together.
 */
import { pointerKey } from '../../document/edit';
import { gapBetweenFigures } from '../../geometry/gaps';
import { closerThan, worstOf, type Miss, type Rule } from '../rule';

const message =
  'The stencil keeps a bar of {value} mm between the paste of lands {land} and {other}, needs {limit} mm; {count} such in all.';

export const pasteBridge: Rule = {
  id: 'paste-bridge',
  title: 'Bar between paste openings',
  source: 'Process: bar between windows; IPC-7525B, clause 3.2.2',
  severity: 'note',
  stage: 'stack',
  looksAt: ['paste'],
  check({ footprint, process }) {
    // lands of fine pitch are as close as their copper may be
    const limit = Math.min(process.windowGap, process.minGap);
    const apertures = footprint.lands.flatMap((land) => land.paste.map((paste) => ({ land, paste })));
    const close = closerThan(
      apertures,
      ({ paste }) => paste,
      limit,
      // paste of lands that overlap is one anyway
      (a, b) =>
        a.land.far === b.land.far &&
        (a.land === b.land || gapBetweenFigures(a.land.copper, b.land.copper) > 0),
    );
    const misses = close
      .filter(({ gap }) => gap < limit - 1e-6)
      .map(({ gap, a, b, at }): Miss => ({
        value: gap,
        at,
        lands: a.land === b.land ? [a.land] : [a.land, b.land],
      }));
    const [finding] = worstOf(misses, limit, 'mm', message);
    if (!finding) return [];
    const groups = new Set(misses.flatMap(({ lands }) => lands.map(({ group }) => group)));
    return [
      {
        ...finding,
        remedies: [
          {
            label: 'Oblong apertures',
            edits: [...groups].map((group) => ({
              at: `/stacks/groups/${pointerKey(group)}/paste/form`,
              value: 'oblong',
            })),
          },
        ],
      },
    ];
  },
};
