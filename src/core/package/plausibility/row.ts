import { formatMm as mm, formatNumber } from '../../units/length';
import type { Dimensions, Options } from '../definitions';
import type { PlausibilityRule } from '../family';

/** Room beside a row that corners of fine-pitch bodies take anyway, mm. */
const SPARE = 1.9;
/** The same for bodies with rows on all four sides, whose corners stay empty. */
export const QUAD_SPARE = 2.6;

/** The lead span has to be wider than the body that the leads come out of. */
export const spanAgainstBody: PlausibilityRule<'E' | 'E1'> = {
  id: 'span-body',
  title: 'Lead span against body width',
  fault: 'Lead span is not wider than the body',
  source: 'Geometry: outward leads reach beyond the body',
  check({ d, entered, move }) {
    if (d.E.nom > d.E1.nom) return [];
    const [span, body] = [entered('E'), entered('E1')];
    const swap = span && body ? [{ label: 'Swap E and E1', edits: [move('E1', 'E'), move('E', 'E1')] }] : [];
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

/** One row of leads: the places it spans, taken or not, their pitch, and the width of a lead. */
interface Row {
  readonly places: number;
  readonly pitch: number;
  readonly width: number;
}

/**
 * The leads of a row have to fit on their side of the body.
 * @param side symbol of the body's dimension along the row
 * @param room beside the row that the corners of the body take, mm
 */
export function rowAgainstBody<S extends string>(
  side: S,
  rowOf: (d: Dimensions<S>, options: Options) => Row,
  room = SPARE,
): PlausibilityRule<S> {
  return {
    id: `row-body-${side}`,
    title: `Row length against body ${side}`,
    fault: `Row of leads does not suit body ${side}`,
    source: 'Geometry: the first and last lead come out of the body',
    check({ d, options }) {
      const { places, pitch, width } = rowOf(d, options);
      const row = pitch * (places - 1);
      const body = d[side];
      const over = row + width - body.max;
      const place = { dimensions: [side, 'e', 'n'] };
      if (over > 1e-9) {
        return [
          {
            severity: 'stop',
            message: `A row of ${places} places at pitch e ${mm(pitch)} mm is ${mm(row)} mm long plus a lead width; the body's ${side} is only ${mm(body.max)} mm. One of n, e and ${side} is wrong.`,
            place,
            measured: { value: row + width, limit: body.max, unit: 'mm' },
            remedies: [],
          },
        ];
      }
      // bodies end about one pitch beyond the outer lead's centre; with more there is room for another count
      const spare = body.min - row;
      const limit = Math.max(3 * pitch, room);
      if (spare <= limit + 1e-9) return [];
      return [
        {
          severity: 'caution',
          message: `The body's ${side} ${mm(body.min)} mm leaves ${mm(spare)} mm beside a row of ${mm(row)} mm: room for more than ${places} places at pitch e ${mm(pitch)} mm. Check n and ${side}.`,
          place,
          measured: { value: spare, limit, unit: 'mm' },
          remedies: [],
        },
      ];
    },
  };
}

/** Leads that are wider than the pitch would touch. */
export const terminalAgainstPitch: PlausibilityRule<'b' | 'e'> = {
  id: 'terminal-pitch',
  title: 'Lead width against pitch',
  fault: 'Leads are wider than their pitch',
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

/** Pitches of the inch grid, mm. */
const INCH_PITCHES = [0.635, 1.27, 2.54] as const;
/** A pitch this close to one of the inch grid, but not on it, may be that one rounded: 2 %. */
const NEARNESS = 0.02;

/**
 * A pitch of the inch grid that was rounded to millimetres drifts over the row.
 * @param placesOf places in the longest row
 */
export function inchPitch<S extends string>(
  placesOf: (d: Dimensions<S | 'e'>) => number,
): PlausibilityRule<S | 'e'> {
  return {
    id: 'inch-pitch',
    title: 'Pitch against the inch grid',
    fault: 'Pitch looks like a rounded one of the inch grid',
    source: 'Geometry: an error of the pitch adds up over the row; 1 in is 25.4 mm',
    check({ d, enter }) {
      const pitch = d.e.nom;
      const inch = INCH_PITCHES.find((p) => Math.abs(p - pitch) / p <= NEARNESS);
      if (inch === undefined || Math.abs(inch - pitch) < 1e-6) return [];
      const drift = Math.abs(inch - pitch) * (placesOf(d) - 1);
      return [
        {
          severity: 'caution',
          message: `Pitch e ${mm(pitch)} mm is close to ${mm(inch)} mm (${formatNumber(inch / 0.0254, 0, 1)} mil). If the part is on the inch grid, its last lead is ${mm(drift)} mm off.`,
          place: { dimensions: ['e'] },
          measured: { value: pitch, limit: inch, unit: 'mm' },
          remedies: [{ label: `Use ${mm(inch)} mm`, edits: [enter('e', `${mm(inch)}mm`)] }],
        },
      ];
    },
  };
}
