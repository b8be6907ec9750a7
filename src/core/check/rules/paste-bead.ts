/**
 * Looks for paste that is printed under the bare body of a chip, inside of its end caps: it is
 * squeezed out beside the body and stays there as a bead.
 */
import { worstOf, type Miss, type Rule } from '../rule';

const message =
  'Paste of land {land} reaches {value} mm under the body beyond the end cap, at most {limit} mm; {count} such in all.';

/** Paste may reach this far inside the cap before it beads, mm. */
const LIMIT = 0.1;

export const pasteBead: Rule = {
  id: 'paste-bead',
  title: 'Solder beads beside a chip',
  source: 'IPC-7525B, clause 3.2.2.4: reductions for chip components',
  severity: 'note',
  stage: 'stack',
  check({ footprint }) {
    const chips = new Set(
      footprint.groups.flatMap((group) =>
        group.kind === 'span' && group.form === 'rectangular-end' ? [group.id] : [],
      ),
    );
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const [paste] = land.paste;
      // home plates take paste away exactly here
      if (!chips.has(land.group) || !paste || paste.figure.kind === 'contour') return [];
      const { nom } = land.contact;
      const inside = {
        0: nom.minX - paste.minX,
        180: paste.maxX - nom.maxX,
        90: nom.minY - paste.minY,
        270: paste.maxY - nom.maxY,
      }[land.rotation];
      return inside > LIMIT + 1e-9 ? [{ value: inside, at: land.at, lands: [land] }] : [];
    });
    const groups = [...new Set(misses.flatMap(({ lands }) => lands.map(({ group }) => group)))];
    const form = (value: string, label: string) => ({
      label,
      edits: groups.map((group) => ({ at: `/stacks/groups/${group}/paste/form`, value })),
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
