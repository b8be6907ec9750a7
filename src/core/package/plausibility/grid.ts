import { formatMm as mm } from '../../units/length';
import type { Dimensions } from '../definitions';
import type { PlausibilityRule } from '../family';

/** Rows of a grid have to lie under the body, and not leave room for many more. */
export function gridAgainstBody<S extends string>(
  body: S,
  counted: readonly [count: S, pitch: S],
  rowOf: (d: Dimensions<S>) => { readonly count: number; readonly pitch: number; readonly terminal: number },
): PlausibilityRule<S> {
  return {
    id: `grid-body-${body}`,
    title: `Grid against body ${body}`,
    fault: `Grid does not suit body ${body}`,
    source: 'Geometry: all terminals lie under the body',
    check({ d }) {
      const { count, pitch, terminal } = rowOf(d);
      const grid = (count - 1) * pitch + terminal;
      const side = d[body];
      const place = { dimensions: [...counted, body] };
      if (grid > side.max + 1e-9) {
        return [
          {
            severity: 'stop',
            message: `${count} rows at pitch ${mm(pitch)} mm span ${mm(grid)} mm with their terminals; the body ${body} is ${mm(side.max)} mm. One of the count, the pitch and ${body} is wrong.`,
            place,
            measured: { value: grid, limit: side.max, unit: 'mm' },
            remedies: [],
          },
        ];
      }
      const spare = side.min - grid;
      const limit = Math.max(3 * pitch, 3);
      if (spare <= limit) return [];
      return [
        {
          severity: 'caution',
          message: `The body ${body} ${mm(side.min)} mm leaves ${mm(spare)} mm beside a grid of ${mm(grid)} mm: room for more rows at pitch ${mm(pitch)} mm. Check the count and ${body}.`,
          place,
          measured: { value: spare, limit, unit: 'mm' },
          remedies: [],
        },
      ];
    },
  };
}

/** A pitch of whole tenths that is a rounded pitch of the inch grid drifts over the whole matrix. */
const INCH_GRID = [1.27, 2.54, 0.635];

/** @param longest number of terminals in the longest row */
export function gridDrift<S extends string>(
  pitch: S,
  longest: (d: Dimensions<S>) => number,
): PlausibilityRule<S> {
  return {
    id: `grid-drift-${pitch}`,
    title: `Pitch ${pitch} against the inch grid`,
    fault: `Pitch ${pitch} looks like a rounded one of the inch grid`,
    source: 'Geometry: an error of the pitch adds up over the row; 1 in is 25.4 mm',
    check({ d, enter }) {
      const value = d[pitch].nom;
      const inch = INCH_GRID.find((p) => Math.abs(p - value) / p <= 0.02);
      if (inch === undefined || Math.abs(inch - value) < 1e-6) return [];
      const drift = Math.abs(inch - value) * (longest(d) - 1);
      return [
        {
          severity: 'caution',
          message: `Pitch ${pitch} ${mm(value)} mm is close to ${mm(inch)} mm. If the part is on the inch grid, its last row is ${mm(drift)} mm off.`,
          place: { dimensions: [pitch] },
          measured: { value, limit: inch, unit: 'mm' },
          remedies: [{ label: `Use ${mm(inch)} mm`, edits: [enter(pitch, `${mm(inch)}mm`)] }],
        },
      ];
    },
  };
}
