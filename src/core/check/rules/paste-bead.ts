/**
 * Looks for paste that is printed under the bare body of a chip, inside of its end caps: it is
 * squeezed out beside the body and stays there as a bead.
 */
import { pointerKey } from '../../document/edit';
import { putPlaced, undone } from '../../geometry/placement';
import { worstOf, type Miss, type Rule } from '../rule';

const message =
  'Paste of land {land} reaches {value} mm under the body beyond the longest end cap, at most {limit} mm; {count} such in all.';

/** Paste may reach this far inside the cap before it beads, mm. */
const LIMIT = 0.1;

export const pasteBead: Rule = {
  id: 'paste-bead',
  title: 'Solder beads beside a chip',
  fault: 'Solder may bead beside the chip',
  source: 'IPC-7525B, clause 3.2.2.4: reductions for chip components',
  severity: 'note',
  stage: 'stack',
  looksAt: ['chip ends'],
  check({ footprint, groupOf }) {
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const [paste] = land.paste;
      const { kind, terminals } = groupOf(land);
      // home plates take paste away exactly here
      if (kind !== 'span' || terminals.form !== 'rectangular-end' || paste?.figure.kind === 'contour')
        return [];
      if (!paste) return [];
      const inFrame = undone(terminals.frame);
      const [printed, cap] = [putPlaced(inFrame, paste), putPlaced(inFrame, land.contact.max)];
      const inside = land.end === 1 ? cap.minX - printed.minX : printed.maxX - cap.maxX;
      return inside > LIMIT + 1e-9 ? [{ value: inside, at: land.at, lands: [land] }] : [];
    });
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
