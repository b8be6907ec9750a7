import { formatMm as mm, formatNumber } from '../../units/length';
import type { PlausibilityRule } from '../family';

/**
 * A foot is the whole lead where its nominal fills this share of the overhang, and its least this
 * share of the largest. Published outlines reach 0.94 (three leads, 2.9 × 1.3) and 0.64.
 */
const WHOLE_LEAD = { nominal: 0.88, least: 0.7 } as const;
/** Feet shorter than this share of the overhang, as nominal, are too short for it; published ones start at 0.4. */
const SHORTEST_FOOT_SHARE = 0.35;
/** No foot is this short, mm. */
const SHORTEST_FOOT = 0.1;
/** Usual feet take this share of the overhang, as in the published small-outline drawings. */
const USUAL_FOOT_SHARE = [0.45, 0.75] as const;

const toStep = (value: number) => Math.round(value / 0.05) * 0.05;

/** The usual foot for an overhang, as an entry in mm, rounded to 0.05. */
export function usualFoot(overhang: number): string {
  const [least, most] = USUAL_FOOT_SHARE.map((share) => formatNumber(toStep(share * overhang), 0, 2));
  return `${least}..${most}mm`;
}

/**
 * The foot length L against what sticks out of the body, (E − E1)/2: not nearly all of it, which is
 * the whole lead, and not a small part of it.
 */
export const footAgainstOverhang: PlausibilityRule<'E' | 'E1' | 'L' | 'L1'> = {
  id: 'foot-overhang',
  title: 'Foot length against overhang',
  fault: 'Foot does not suit the overhang of its lead',
  source: 'Geometry of a gull-wing lead: the foot is the flat part after two bends',
  check({ d, entered, enter, move }) {
    const overhang = (d.E.nom - d.E1.nom) / 2;
    if (overhang <= 0) return [];
    const share = d.L.nom / overhang;
    const largest = (d.E.max - d.E1.min) / 2;
    const whole = share >= WHOLE_LEAD.nominal - 1e-9 && d.L.min / largest >= WHOLE_LEAD.least - 1e-9;
    const short = share < SHORTEST_FOOT_SHARE - 1e-9 || d.L.nom < SHORTEST_FOOT - 1e-9;
    if (!whole && !short) return [];
    const foot = usualFoot(overhang);
    const shown = foot.replace('mm', ' mm');
    const typed = entered('L');
    const where = 'usual share of the overhang, not from the datasheet';
    const remedies = [{ label: `Take the usual foot ${shown}`, edits: [enter('L', foot, where)] }];
    if (whole && typed && entered('L1') === null) {
      remedies.unshift({
        label: `“${typed}” is the lead L1, foot ${shown}`,
        edits: [move('L', 'L1'), enter('L', foot, where)],
      });
    }
    const percent = Math.round(100 * share);
    const fills = `Foot length L ${mm(d.L.nom)} mm fills ${percent} % of the overhang (E − E1)/2 = ${mm(overhang)} mm.`;
    return [
      {
        severity: 'caution',
        message: whole
          ? `${fills} It looks like the whole lead; a foot is usually about half of it.`
          : `${fills} A foot is usually about half of it: one of L, E and E1 is another number.`,
        place: { dimensions: ['L', 'E', 'E1'] },
        measured: { value: share, limit: whole ? WHOLE_LEAD.nominal : SHORTEST_FOOT_SHARE, unit: 'share' },
        remedies,
      },
    ];
  },
};

/** Narrowest body of a gull-wing part as a share of its span; published outlines start at 0.5. */
const NARROWEST_BODY = 0.4;

/** A body that is narrow for its span is another dimension, such as its height. */
export const bodyAgainstSpan: PlausibilityRule<'E' | 'E1'> = {
  id: 'body-span',
  title: 'Body width against lead span',
  fault: 'Body is too narrow for its lead span',
  source: 'Published gull-wing outlines: the body is half of the span or more',
  check({ d }) {
    const share = d.E1.max / d.E.min;
    if (share >= NARROWEST_BODY - 1e-9) return [];
    return [
      {
        severity: 'caution',
        message: `Body width E1 ${mm(d.E1.nom)} mm is ${Math.round(100 * share)} % of the lead span E ${mm(d.E.nom)} mm; bodies are half of it or more. One of the two is another number.`,
        place: { dimensions: ['E1', 'E'] },
        measured: { value: share, limit: NARROWEST_BODY, unit: 'share' },
        remedies: [],
      },
    ];
  },
};

/** A lead length that was entered has to agree with the span and the body. */
export const leadLengthAgainstOverhang: PlausibilityRule<'E' | 'E1' | 'L1'> = {
  id: 'lead-length-overhang',
  title: 'Lead length against overhang',
  fault: 'Lead length disagrees with span and body',
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
        message: `Lead length L1 ${mm(d.L1.nom)} mm disagrees with (E − E1)/2, which lies between ${mm(least)} mm and ${mm(most)} mm.`,
        place: { dimensions: ['L1', 'E', 'E1'] },
        measured: { value: d.L1.nom, limit: d.L1.nom > most ? most : least, unit: 'mm' },
        remedies: [{ label: 'Compute L1 from E and E1', edits: [enter('L1', '')] }],
      },
    ];
  },
};
