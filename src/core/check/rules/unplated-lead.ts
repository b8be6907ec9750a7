/**
 * Asks whether a lead with a number is meant to go through a hole without plating: its copper hangs on
 * the laminate alone, and the far side has no joint.
 */
import { pointerKey } from '../../document/edit';
import { worstOf, type Miss, type Rule } from '../rule';

const message =
  'Land {land} has copper and a number round a hole that is not plated; {count} such in all. Only one side holds the lead, and no layer is connected.';

export const unplatedLead: Rule = {
  id: 'unplated-lead',
  title: 'Lead through an unplated hole',
  fault: 'Lead goes through an unplated hole',
  source: 'IPC-2221B, clause 9.1: component holes are plated through',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['lands with holes'],
  check({ footprint }) {
    const misses = footprint.lands.flatMap((land): Miss[] =>
      land.hole && !land.plated ? [{ value: 0, at: land.at, lands: [land] }] : [],
    );
    const edits = misses.flatMap(({ lands }) =>
      lands.flatMap(({ id, group }) => [
        { at: `/stacks/groups/${pointerKey(group)}/hole/plated`, value: undefined },
        { at: `/stacks/lands/${pointerKey(id)}/hole/plated`, value: undefined },
      ]),
    );
    return worstOf(misses, 1, 'count', message).map((finding) => ({
      ...finding,
      remedies: [{ label: 'Plate it through', edits }],
    }));
  },
};
