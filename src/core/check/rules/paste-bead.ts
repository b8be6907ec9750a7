/**
 * Looks for paste that is printed under the bare body of a chip, inside of its end caps: it is
 * squeezed out beside the body and stays there as a bead.
 */
import { pointerKey } from '../../document/edit';
import { putPlaced, undone } from '../../geometry/placement';
import type { CheckContext } from '../context';
import type { Nearest } from '../probes';
import { worstOf, type Miss, type Rule } from '../rule';

const message =
  'Paste of land {land} reaches {value} mm under the body beyond the longest end cap, at most {limit} mm; {count} such in all.';

/** Paste may reach this far inside the cap before it beads, mm. */
const LIMIT = 0.1;

/** How far paste reaches inside the end caps of chips. */
const insideOf = ({ footprint, groupOf }: CheckContext): Miss[] =>
  footprint.lands.flatMap((land): Miss[] => {
    const [paste] = land.paste;
    const { kind, terminals } = groupOf(land);
    // home plates take paste away exactly here
    if (kind !== 'span' || terminals.form !== 'rectangular-end' || !paste || paste.figure.kind === 'contour')
      return [];
    const inFrame = undone(terminals.frame);
    const [printed, cap] = [putPlaced(inFrame, paste), putPlaced(inFrame, land.contact.max)];
    const value = land.end === 1 ? cap.minX - printed.minX : printed.maxX - cap.maxX;
    return [{ value, at: land.at, lands: [land] }];
  });

export const pasteBead: Rule = {
  id: 'paste-bead',
  title: 'Solder beads beside a chip',
  fault: 'Solder may bead beside the chip',
  source: 'IPC-7525B, clause 3.2.2.4: reductions for chip components',
  severity: 'note',
  stage: 'stack',
  looksAt: ['chip ends'],
  nearest: (context) =>
    insideOf(context).map(({ value }): Nearest => ({ value, limit: LIMIT, unit: 'mm', is: 'most' })),
  check(context) {
    const misses = insideOf(context).filter(({ value }) => value > LIMIT + 1e-9);
    const groups = [...new Set(misses.flatMap(({ lands }) => lands.map(({ group }) => group)))];
    const form = (value: string, label: string) => ({
      label,
      edits: groups.map((group) => ({ at: `/stacks/groups/${pointerKey(group)}/paste/form`, value })),
    });
    return worstOf(misses, LIMIT, 'mm', message, 'larger').map((finding) => ({
      ...finding,
      remedies: [
        form('home-plate', 'Home-plate apertures'),
        form('inverted-home-plate', 'Inverted home-plate apertures'),
      ],
    }));
  },
};
