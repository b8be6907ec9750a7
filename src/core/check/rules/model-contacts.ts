/**
 * Requires every contact of an imported model on its land, and a contact for every land and hole.
 */
import { boxAt, overhang } from '../../geometry/box';
import type { Land } from '../../footprint/footprint';
import { fill, idsOf, worstOf, type Miss, type Rule } from '../rule';
import { matchesOf } from './model-fit';

const messages = {
  off: 'A contact of the model stands {value} mm off land {land}; {count} of its contacts do.',
  fewer: 'The model touches {met} of {all} lands and holes; nothing of it is at {list}.',
  none: 'Nothing of the model touches a land: it stands elsewhere, or is another part.',
};

/** Contacts may stand out this much by rounding alone, mm. */
const SLACK = 1e-3;

export const modelContact: Rule = {
  id: 'model-contact',
  title: 'Model’s contacts on their lands',
  source: 'Geometry: contact against copper',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const misses = matchesOf(footprint, 'land').flatMap(({ land, contact }): Miss[] => {
      const out = overhang(boxAt(contact, contact.width, contact.height), land.copper);
      return out > SLACK ? [{ value: out, at: { x: contact.x, y: contact.y }, lands: [land] }] : [];
    });
    return worstOf(misses, 0, 'mm', messages.off, 'larger');
  },
};

/** Numbers that a message lists before it goes on in a count. */
const LISTED = 8;

export const modelPinCount: Rule = {
  id: 'model-pin-count',
  title: 'A contact of the model for every land',
  source: 'Geometry: contacts against lands',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const { imported } = footprint.body;
    if (!imported?.seen) return [];
    const all = imported.ground.targets.filter(({ kind }) => kind !== 'peg').length;
    const missing = (imported.seen.fit?.missing ?? []).flatMap((i): Land[] => {
      const land = footprint.lands[imported.ground.targets[i]?.index ?? -1];
      return land ? [land] : [];
    });
    if (!imported.seen.fit || missing.length === all)
      return [
        {
          message: messages.none,
          severity: 'stop',
          place: {},
          measured: { value: 0, limit: all, unit: 'count' },
        },
      ];
    const [first] = missing;
    if (!first) return [];
    const numbers = missing.map(({ number }) => number);
    const more = numbers.length > LISTED ? ` and ${numbers.length - LISTED} more` : '';
    const list = `${numbers.slice(0, LISTED).join(', ')}${more}`;
    return [
      {
        message: fill(messages.fewer, { met: all - missing.length, all, list }),
        measured: { value: all - missing.length, limit: all, unit: 'count' },
        place: { at: first.at, lands: idsOf(missing) },
      },
    ];
  },
};
