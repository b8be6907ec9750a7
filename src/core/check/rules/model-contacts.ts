/**
 * Requires every contact of an imported model on its land, a contact for every land and hole, and a land
 * for every contact.
 */
import { formatFigure } from '../../units/length';
import { boxAt, overhang } from '../../geometry/box';
import type { Footprint, Land } from '../../footprint/footprint';
import { fill, idsOf, mm, worstOf, type Miss, type Rule } from '../rule';
import { matchesOf } from './model-fit';

const messages = {
  off: 'A contact of the model stands {value} mm off land {land}; {count} such in all.',
  fewer: 'The model touches {met} of {all} lands and holes; nothing of it is at {list}.',
  none: 'Nothing of the model touches a land: it stands elsewhere, or is another part.',
  mirrored:
    'The contacts of the model are the mirror image of the lands: no pose is right. It is the part with its rows the other way round, or it was drawn from below.',
  extra: 'A contact of the model has no land: it is {width} mm by {height} mm, at {list}. {metal}',
  extras: '{count} contacts of the model have no land: at {list}. {metal}',
  place: 'x {x} mm, y {y} mm',
  metal: 'Where that is metal copper is missing, or it is another part.',
  unseen:
    'The underside of the model is one plane over {count} lands: where its terminals are cannot be seen, and its turn about Z cannot be known.',
};

/** Contacts may stand out this much by rounding alone, mm. */
const SLACK = 1e-3;

export const modelContact: Rule = {
  id: 'model-contact',
  title: 'Model’s contacts on their lands',
  fault: 'Model’s contacts miss their lands',
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
  fault: 'Lands have no contact of the model',
  source: 'Geometry: contacts against lands',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const { imported } = footprint.body;
    if (!imported?.seen) return [];
    const { fit } = imported.seen;
    const all = imported.ground.targets.filter(({ kind }) => kind !== 'peg').length;
    const missing = landsAt(footprint, fit?.missing ?? []);
    if (!fit || (missing.length === all && all > 0))
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
    const met = all - missing.length - fit.unseen.length;
    return [
      {
        message: fill(messages.fewer, { met, all, list }),
        measured: { value: met, limit: all, unit: 'count' },
        place: { at: first.at, lands: idsOf(missing) },
      },
    ];
  },
};

/** The lands of some targets. */
function landsAt({ lands, body: { imported } }: Footprint, targets: readonly number[]): Land[] {
  return targets.flatMap((i) => {
    const land = lands[imported?.ground.targets[i]?.index ?? -1];
    return land ? [land] : [];
  });
}

export const modelMirrored: Rule = {
  id: 'model-mirrored',
  title: 'Model is no mirror image',
  fault: 'Model is a mirror image',
  source: 'Geometry: contacts against lands, mirrored',
  severity: 'stop',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint: { body } }) {
    return body.imported?.seen?.fit?.mirrored ? [{ message: messages.mirrored, place: {} }] : [];
  },
};

export const modelExtra: Rule = {
  id: 'model-extra',
  title: 'A land for every contact of the model',
  fault: 'Contacts of the model have no land',
  source: 'Geometry: contacts against lands',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint: { body, origin } }) {
    const extra = body.imported?.seen?.fit?.extra ?? [];
    const [first] = extra;
    if (!first) return [];
    const places = extra
      .slice(0, PLACES)
      .map(({ x, y }) => fill(messages.place, { x: at(x - origin.x), y: at(y - origin.y) }));
    const more = extra.length > PLACES ? [`and ${extra.length - PLACES} more`] : [];
    const words = {
      count: extra.length,
      list: [...places, ...more].join('; '),
      width: mm(first.width),
      height: mm(first.height),
      metal: messages.metal,
    };
    return [
      {
        message: fill(extra.length === 1 ? messages.extra : messages.extras, words),
        measured: { value: extra.length, limit: 0, unit: 'count' },
        place: { at: { x: first.x, y: first.y } },
      },
    ];
  },
};

/** Places that a message lists before it goes on in a count. */
const PLACES = 4;

/** A coordinate as a message prints it. */
const at = (value: number) => formatFigure(value, 2, 2);

export const modelUnseen: Rule = {
  id: 'model-unseen',
  title: 'Model shows its terminals',
  fault: 'Model does not show its terminals',
  source: 'Geometry: contacts against lands',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const unseen = landsAt(footprint, footprint.body.imported?.seen?.fit?.unseen ?? []);
    if (unseen.length === 0) return [];
    return [
      {
        message: fill(messages.unseen, { count: unseen.length }),
        place: { lands: idsOf(unseen) },
      },
    ];
  },
};
