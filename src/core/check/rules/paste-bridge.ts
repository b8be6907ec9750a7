/**
 * Requires bars between paste apertures that the stencil keeps, so that paste of neighbours does
 * not run together.
 */
import { pointerKey } from '../../document/edit';
import type { Land } from '../../footprint/footprint';
import type { Placed } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { closerThan, pairsBetween, pairsWithin, worstOf, type Miss, type Rule } from '../rule';

const message =
  'The stencil keeps a bar of {value} mm between the paste of lands {land} and {other}, needs {limit} mm; {count} such in all.';

/** One aperture of a land. */
interface Aperture {
  readonly land: Land;
  readonly paste: Placed;
}

const aperturesOf = (land: Land): Aperture[] => land.paste.map((paste) => ({ land, paste }));
const figureOf = ({ paste }: Aperture) => paste;

export const pasteBridge: Rule = {
  id: 'paste-bridge',
  title: 'Bar between paste openings',
  fault: 'Bar between paste openings too narrow',
  source: 'Process: bar between windows; IPC-7525B, clause 3.2.2',
  severity: 'note',
  stage: 'stack',
  looksAt: ['paste'],
  check({ footprint: { lands }, process, closeLands }) {
    // lands of fine pitch are as close as their copper may be
    const limit = Math.min(process.windowGap, process.minGap);
    const within = lands.flatMap((land) =>
      land.paste.length > 1 ? pairsWithin(aperturesOf(land), figureOf, limit) : [],
    );
    const between = closeLands().flatMap(([i, j]) => {
      const [a, b] = [lands[i] as Land, lands[j] as Land];
      const pairs = a.far === b.far ? pairsBetween(aperturesOf(a), aperturesOf(b), figureOf, limit) : [];
      // paste of lands that overlap is one anyway
      return pairs.length > 0 && gapBetweenFigures(a.copper, b.copper) > 0 ? pairs : [];
    });
    const misses = closerThan([...within, ...between], figureOf, limit)
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
