/**
 * Requires openings no smaller than their copper, unless the land is meant to be defined by its mask:
 * mask on the land takes solder from the joint.
 */
import { pointerKey } from '../../document/edit';
import { overhang } from '../../geometry/box';
import { place } from '../../geometry/figure';
import type { Padstack } from '../../padstack/padstack';
import type { Nearest } from '../probes';
import { missesByStack, worstOf, type Rule } from '../rule';

const message =
  'The mask opening of land {land} lies {over} mm inside its copper; {count} such in all. Define the land by its mask if that is meant.';

/** By how much the one opening of a land is larger than its copper; `null` where it is meant otherwise. mm */
function marginOf({ definedBy, mask, copper, offset }: Padstack): number | null {
  const [opening, ...others] = mask;
  if (definedBy !== 'copper' || !opening || others.length > 0) return null;
  return -overhang(place(copper, offset), opening);
}

export const maskMargin: Rule = {
  id: 'mask-margin',
  title: 'Mask on a land',
  fault: 'Mask may lie on a land',
  source: 'IPC-7351B, clause 3.1.6: openings as large as the land or larger',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['lands'],
  nearest: ({ footprint: { padstacks } }) =>
    padstacks.flatMap((stack): Nearest[] => {
      const value = marginOf(stack);
      return value === null ? [] : [{ value, limit: 0, unit: 'mm', is: 'least' }];
    }),
  check({ footprint, compiled: { document } }) {
    const misses = missesByStack(footprint, (stack) => {
      const value = marginOf(stack);
      return value !== null && value < -1e-9 ? value : null;
    });
    const worst = Math.min(0, ...misses.map(({ value }) => value));
    const [finding] = worstOf(misses, 0, 'mm', message, 'smaller', { over: -Math.round(worst * 1e4) / 1e4 });
    if (!finding) return [];
    const own = [...new Set(misses.flatMap((miss) => miss.lands.map(({ group }) => group)))];
    const byMargin = document.overrides?.maskMargin !== undefined;
    return [
      {
        ...finding,
        remedies: [
          ...(byMargin
            ? [{ label: 'Margin of the process', edits: [{ at: '/overrides/maskMargin', value: undefined }] }]
            : []),
          {
            label: 'Define these lands by mask',
            edits: own.map((group) => ({
              at: `/stacks/groups/${pointerKey(group)}/definedBy`,
              value: 'mask',
            })),
          },
        ],
      },
    ];
  },
};
