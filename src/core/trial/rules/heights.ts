/**
 * Requires parts to fit under the covers over them, and leads that come out below to stay off the parts there.
 */
import { between, fill, mm, type RuleFinding } from '../../check/rule';
import { gapBetween } from '../../geometry/box';
import { gapBetweenFigures } from '../../geometry/gaps';
import { moveApart, placeOf, round, type TrialRule } from '../rule';

const messages = {
  cover: '{a} is {height} mm high, the cover over it{why} leaves {limit} mm.',
  leads: 'Leads of {a} come out {length} mm, the cover there{why} leaves {limit} mm.',
  below:
    'Lead {number} of {a} comes out {length} mm under {b}, whose underside is {limit} mm off the laminate.',
};

export const underCover: TrialRule = {
  id: 'trial-cover',
  title: 'Heights under covers',
  fault: 'Part too tall for its cover',
  source: 'The trial’s covers',
  looksAt: { what: 'a cover and a part', isThere: ({ covers }, all) => covers.length > 0 && all.length > 0 },
  severity: 'stop',
  part({ part, has }, { covers }) {
    const a = part.reference;
    return covers.flatMap(({ area, under: limit, far, why: what }): RuleFinding[] => {
      const why = what ? ` (${what})` : '';
      const { body } = has;
      if (body.far === far && body.top > limit + 1e-6 && gapBetweenFigures(body.figure, area) < -1e-6)
        return [
          {
            message: fill(messages.cover, { a, height: mm(body.top), limit: mm(limit), why }),
            measured: { value: body.top, limit, unit: 'mm' },
            place: placeOf(body.figure.at, part),
          },
        ];
      const lead = has.leads.find(
        ({ figure, far: below, length }) =>
          below === far && length > limit + 1e-6 && gapBetweenFigures(figure, area) < -1e-6,
      );
      return lead
        ? [
            {
              message: fill(messages.leads, { a, length: mm(lead.length), limit: mm(limit), why }),
              measured: { value: lead.length, limit, unit: 'mm' },
              place: placeOf(lead.figure.at, part),
            },
          ]
        : [];
    });
  },
};

export const leadsBelow: TrialRule = {
  id: 'trial-leads',
  title: 'Leads under parts of the other side',
  fault: 'Leads come out under a part of the other side',
  source: 'Geometry',
  looksAt: {
    what: 'leads and a part on the other side',
    isThere: (_, all) =>
      all.some(({ has }) => has.leads.some(({ far }) => all.some((one) => one.has.body.far === far))),
  },
  severity: 'stop',
  pair(a, b, trial) {
    return (
      [
        [a, b],
        [b, a],
      ] as const
    ).flatMap(([one, other]): RuleFinding[] => {
      const { body } = other.has;
      const hit = one.has.leads.find(
        ({ figure, far, length }) =>
          far === body.far &&
          length > body.underside + 1e-6 &&
          gapBetween(figure, body.figure) < -1e-6 &&
          gapBetweenFigures(figure, body.figure) < -1e-6,
      );
      if (!hit) return [];
      return [
        {
          message: fill(messages.below, {
            number: hit.land.number || '(without a number)',
            a: one.part.reference,
            b: other.part.reference,
            length: mm(hit.length),
            limit: mm(body.underside),
          }),
          measured: { value: hit.length, limit: body.underside, unit: 'mm' },
          place: placeOf(between(hit.figure, body.figure), one.part, other.part),
          // out of the room that the leads need there, so that nothing is left to do
          remedies: moveApart(
            trial,
            [one, other],
            [
              round(one.has.courtyards.filter(({ through }) => through)),
              round(other.has.courtyards.filter(({ through }) => !through)),
            ],
          ),
        },
      ];
    });
  },
};
