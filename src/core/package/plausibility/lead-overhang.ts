import { formatMm as mm, formatNumber } from '../../units/length';
import type { PlausibilityRule } from '../family';

/** A foot that fills this share of the overhang is probably the whole lead. */
const LARGEST_FOOT_SHARE = 0.8;
/** Usual feet take this share of the overhang, as in the published small-outline drawings. */
const USUAL_FOOT_SHARE = [0.45, 0.75] as const;

const toStep = (value: number) => Math.round(value / 0.05) * 0.05;

/** The usual foot for an overhang, as an entry in mm, rounded to 0.05. */
export function usualFoot(overhang: number): string {
  const [least, most] = USUAL_FOOT_SHARE.map((share) => formatNumber(toStep(share * overhang), 0, 2));
  return `${least}..${most}mm`;
}

/** The foot length L against what sticks out of the body, (E − E1)/2. */
export const footAgainstOverhang: PlausibilityRule<'E' | 'E1' | 'L' | 'L1'> = {
  id: 'foot-overhang',
  title: 'Foot length against overhang',
  source: 'Geometry of a gull-wing lead: the foot is the flat part after two bends',
  check({ d, entered, enter, move }) {
    const overhang = (d.E.nom - d.E1.nom) / 2;
    const limit = LARGEST_FOOT_SHARE * overhang;
    if (overhang <= 0 || d.L.nom < limit - 1e-9) return [];
    const share = Math.round((100 * d.L.nom) / overhang);
    const foot = usualFoot(overhang);
    const shown = foot.replace('mm', '');
    const typed = entered('L');
    const remedies = [
      {
        label: `Take the usual foot ${shown}`,
        edits: [enter('L', foot, 'usual share of the overhang, not from the datasheet')],
      },
    ];
    if (typed && entered('L1') === null) {
      remedies.unshift({
        label: `${typed} is the lead L1, foot ${shown}`,
        edits: [move('L', 'L1'), enter('L', foot, 'usual share of the overhang, not from the datasheet')],
      });
    }
    return [
      {
        severity: 'stop',
        message: `Foot length L ${mm(d.L.nom)} fills ${share} % of the overhang (E − E1)/2 = ${mm(overhang)} mm. It looks like the whole lead; a foot is usually about half of it.`,
        place: { dimensions: ['L', 'E', 'E1'] },
        measured: { value: d.L.nom / overhang, limit: LARGEST_FOOT_SHARE, unit: 'share' },
        remedies,
      },
    ];
  },
};

/** A lead length that was entered has to agree with the span and the body. */
export const leadLengthAgainstOverhang: PlausibilityRule<'E' | 'E1' | 'L1'> = {
  id: 'lead-length-overhang',
  title: 'Lead length against overhang',
  source: 'Geometry: the lead length is half of lead span less body width',
  check({ d, entered, enter }) {
    if (entered('L1') === null) return [];
    const least = (d.E.min - d.E1.max) / 2;
    const most = (d.E.max - d.E1.min) / 2;
    const off = Math.max(least - d.L1.max, d.L1.min - most);
    if (off <= 1e-9) return [];
    return [
      {
        severity: 'caution',
        message: `Lead length L1 ${mm(d.L1.nom)} mm disagrees with (E − E1)/2, which lies between ${mm(least)} and ${mm(most)} mm.`,
        place: { dimensions: ['L1', 'E', 'E1'] },
        measured: { value: d.L1.nom, limit: d.L1.nom > most ? most : least, unit: 'mm' },
        remedies: [{ label: 'Compute L1 from E and E1', edits: [enter('L1', '')] }],
      },
    ];
  },
};
