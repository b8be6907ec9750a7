/**
 * Asks for lands no narrower than their widest terminal where the formulas would make them wider: a row
 * of fine pitch, or a person, has taken so much of the width that leads may overhang on both sides.
 */
import type { Land } from '../../footprint/footprint';
import type { SpanSolution } from '../../land/solution';
import { formatMm } from '../../units/length';
import type { CheckContext } from '../context';
import type { Nearest } from '../probes';
import { fill, idsOf, type Rule, type RuleFinding } from '../rule';

const messages = {
  trimmed:
    'Land {land} is {value} mm wide, its widest terminal {limit} mm: the row has no room for the {wished} mm of the formulas, so the terminal overhangs by up to {over} mm a side when centred; {count} such in all.',
  other:
    'Land {land} is {value} mm wide, its widest terminal {limit} mm; the formulas make it {wished} mm; {count} such in all.',
};

export const landNarrow: Rule = {
  id: 'land-narrow',
  title: 'Land as wide as its terminal',
  fault: 'Land narrower than its terminal',
  source: 'IPC-7351B, clause 3.1: land width; IPC-A-610, 8.3.5.1: side overhang',
  severity: 'note',
  stage: 'land',
  looksAt: ['spans'],
  nearest: ({ footprint, jointsOf }) =>
    footprint.groups.flatMap((group) => {
      if (group.kind !== 'span') return [];
      // what the goals themselves make narrower is as it is wanted
      const limit = Math.min(group.terminals.width.max, wishedOf(group));
      return jointsOf(group).map(({ size: { X } }): Nearest => ({
        value: X,
        limit,
        unit: 'mm',
        is: 'least',
        less: 'less rounding',
      }));
    }),
  check(context) {
    return context.footprint.groups.flatMap((group) =>
      group.kind === 'span' ? findings(group, context) : [],
    );
  },
};

/** What the formulas make of the width, but for rounding. mm */
const wishedOf = ({ computed, rounding }: SpanSolution): number => computed.X - rounding / 2;

function findings(group: SpanSolution, { jointsOf }: CheckContext): RuleFinding[] {
  const { terminals, computed, trims } = group;
  const widest = terminals.width.max;
  // what the goals themselves make narrower is as it is wanted
  const wished = wishedOf(group);
  const narrow = jointsOf(group).filter(({ size: { X } }) => X < widest - 1e-9 && X < wished - 1e-9);
  const [worst] = [...narrow].sort((a, b) => a.size.X - b.size.X);
  if (!worst) return [];
  const lands: readonly Land[] = narrow.flatMap((joint) => joint.lands);
  const [land] = worst.lands;
  const { X } = worst.size;
  return [
    {
      message: fill(trims.includes('row-gap') ? messages.trimmed : messages.other, {
        land: land.number,
        value: formatMm(X),
        limit: formatMm(widest),
        wished: formatMm(computed.X),
        over: formatMm((widest - X) / 2),
        count: lands.length,
      }),
      measured: { value: X, limit: widest, unit: 'mm' },
      place: { at: land.copper.at, lands: idsOf(lands) },
    },
  ];
}
