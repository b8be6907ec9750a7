import { formatNumber } from '../../units/length';
import type { PlausibilityRule } from '../family';

const mm = (value: number) => formatNumber(value, 2, 3);

/** The lead span has to be wider than the body that the leads come out of. */
export const spanAgainstBody: PlausibilityRule<'E' | 'E1'> = {
  id: 'span-body',
  title: 'Lead span against body width',
  source: 'Geometry: outward leads reach beyond the body',
  check({ d, entered, enter }) {
    if (d.E.nom > d.E1.nom) return [];
    const [span, body] = [entered('E'), entered('E1')];
    const swap =
      span && body ? [{ label: 'Swap E and E1', edits: [enter('E', body), enter('E1', span)] }] : [];
    return [
      {
        severity: 'stop',
        message: `Lead span E ${mm(d.E.nom)} mm is not wider than body width E1 ${mm(d.E1.nom)} mm. The two columns may be swapped.`,
        place: { dimensions: ['E', 'E1'] },
        measured: { value: d.E.nom, limit: d.E1.nom, unit: 'mm' },
        remedies: swap,
      },
    ];
  },
};

/** The leads of a row have to fit on the side of the body: e·(n/2 − 1) + b against D. */
export const rowAgainstBody: PlausibilityRule<'n' | 'e' | 'b' | 'D'> = {
  id: 'row-body',
  title: 'Row length against body length',
  source: 'Geometry: the first and last lead come out of the body',
  check({ d }) {
    const row = d.e.nom * (d.n.nom / 2 - 1);
    const over = row + d.b.nom - d.D.max;
    const per = d.n.nom / 2;
    if (over > 1e-9) {
      return [
        {
          severity: 'stop',
          message: `A row of ${per} leads at pitch e ${mm(d.e.nom)} is ${mm(row)} mm long plus a lead width; body length D is only ${mm(d.D.max)} mm. One of n, e and D is wrong.`,
          place: { dimensions: ['D', 'e', 'n'] },
          measured: { value: row + d.b.nom, limit: d.D.max, unit: 'mm' },
          remedies: [],
        },
      ];
    }
    // bodies end about one pitch beyond the outer lead's centre; three is another lead count
    const spare = d.D.min - row;
    if (spare <= 3 * d.e.nom + 1e-9) return [];
    return [
      {
        severity: 'caution',
        message: `Body length D ${mm(d.D.min)} mm leaves ${mm(spare)} mm beside a row of ${mm(row)} mm: room for more than ${per} leads at pitch e ${mm(d.e.nom)}. Check n and D.`,
        place: { dimensions: ['D', 'e', 'n'] },
        measured: { value: spare, limit: 3 * d.e.nom, unit: 'mm' },
        remedies: [],
      },
    ];
  },
};

/** Leads that are wider than the pitch would touch. */
export const terminalAgainstPitch: PlausibilityRule<'b' | 'e'> = {
  id: 'terminal-pitch',
  title: 'Lead width against pitch',
  source: 'Geometry: neighbouring leads do not touch',
  check({ d }) {
    if (d.b.max < d.e.nom - 1e-9) return [];
    return [
      {
        severity: 'stop',
        message: `Lead width b reaches ${mm(d.b.max)} mm, which leaves no gap at pitch e ${mm(d.e.nom)} mm.`,
        place: { dimensions: ['b', 'e'] },
        measured: { value: d.b.max, limit: d.e.nom, unit: 'mm' },
        remedies: [],
      },
    ];
  },
};
