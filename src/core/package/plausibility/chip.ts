import { formatMm as mm } from '../../units/length';
import type { PlausibilityRule } from '../family';

/** Two end caps have to leave some body between them. */
export const endAgainstLength: PlausibilityRule<'L' | 'T'> = {
  id: 'end-length',
  title: 'Terminal length against body length',
  fault: 'End caps leave no body between them',
  source: 'Geometry: the two end caps do not touch',
  check({ d }) {
    const left = d.L.min - 2 * d.T.max;
    if (left > 1e-9) return [];
    const impossible = d.L.nom - 2 * d.T.nom <= 1e-9;
    return [
      {
        severity: impossible ? 'stop' : 'caution',
        message: `Two end caps T of up to ${mm(d.T.max)} mm leave ${mm(left)} mm of the length L ${mm(d.L.min)} mm${impossible ? '' : ' at worst'}. T is measured for one end.`,
        place: { dimensions: ['T', 'L'] },
        measured: { value: 2 * d.T.max, limit: d.L.min, unit: 'mm' },
        remedies: [],
      },
    ];
  },
};

/** Length and width in the other order turn the part by a quarter. */
export const widthAgainstLength: PlausibilityRule<'L' | 'W'> = {
  id: 'width-length',
  title: 'Width against length',
  fault: 'Width is larger than length',
  source: 'Convention: length runs from terminal to terminal',
  check({ d, entered, move }) {
    if (d.W.nom <= d.L.nom) return [];
    const [length, width] = [entered('L'), entered('W')];
    return [
      {
        severity: 'note',
        message: `Width W ${mm(d.W.nom)} mm is larger than length L ${mm(d.L.nom)} mm. That is right only for a part with its terminals on the long sides.`,
        place: { dimensions: ['W', 'L'] },
        measured: { value: d.W.nom, limit: d.L.nom, unit: 'mm' },
        remedies: length && width ? [{ label: 'Swap L and W', edits: [move('W', 'L'), move('L', 'W')] }] : [],
      },
    ];
  },
};

/** A terminal under the body is not wider than the body. */
export const terminalAgainstWidth: PlausibilityRule<'W' | 'W1'> = {
  id: 'terminal-width',
  title: 'Terminal width against body width',
  fault: 'Terminal is wider than its body',
  source: 'Geometry: the terminal lies under the body',
  check({ d }) {
    if (d.W1.nom <= d.W.nom + 1e-9) return [];
    return [
      {
        severity: 'caution',
        message: `Terminal width W1 ${mm(d.W1.nom)} mm is wider than the body W ${mm(d.W.nom)} mm. The two columns may be swapped.`,
        place: { dimensions: ['W1', 'W'] },
        measured: { value: d.W1.nom, limit: d.W.nom, unit: 'mm' },
        remedies: [],
      },
    ];
  },
};

/** Leads that run outwards under a base end near its edges. */
export const spanAgainstBase: PlausibilityRule<'L' | 'B'> = {
  id: 'span-base',
  title: 'Lead span against base',
  fault: 'Leads end well inside the base',
  source: 'Geometry: the leads of a can end near the edge of its base',
  check({ d }) {
    if (d.L.nom >= d.B.nom * 0.9) return [];
    return [
      {
        severity: 'caution',
        message: `Lead span L ${mm(d.L.nom)} mm ends well inside the base B ${mm(d.B.nom)} mm. L is measured over both leads.`,
        place: { dimensions: ['L', 'B'] },
        measured: { value: d.L.nom, limit: d.B.nom * 0.9, unit: 'mm' },
        remedies: [],
      },
    ];
  },
};
