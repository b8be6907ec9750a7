import Papa from 'papaparse';
import { bodyAt } from '../../package/drawn';
import { formatNumber } from '../../units/length';
import type { PlacedPart } from '../../trial/trial';
import { safeCell } from '../csv/cells';
import type { BoardFormat } from './board-format';

const COLUMNS = [
  'reference',
  'value',
  'footprint',
  'side',
  'x_mm',
  'y_mm',
  'angle_deg',
  'pick_x_mm',
  'pick_y_mm',
  'mount',
];

const mm = (value: number): string => formatNumber(value, 3, 6);

/** Which parts a machine places, which a hand does, and which are only holes. */
function mountOf({ footprint: { lands } }: PlacedPart): string {
  if (lands.length === 0) return 'mechanical';
  return lands.some(({ hole }) => hole !== null) ? 'through-hole' : 'surface';
}

/**
 * Where each part goes: its origin, the middle of its body where a machine picks it up, and its angle. Seen from
 * the top for both sides; a part of the bottom is turned over first.
 */
export const placementList: BoardFormat = {
  id: 'placement',
  title: 'Placement list',
  summary: 'Reference, place of origin and of pick-up, angle and side of each part (CSV).',
  mediaType: 'text/csv',
  extension: '.placement.csv',
  write({ parts }) {
    const rows = parts.map((part) => {
      const { reference, placement, footprint, compiled } = part;
      const pick = bodyAt(footprint.body.extent, 'nom').at;
      return [
        safeCell(reference),
        safeCell(compiled.document.marks?.value ?? ''),
        safeCell(footprint.standardName),
        placement.far ? 'bottom' : 'top',
        mm(placement.at.x),
        mm(placement.at.y),
        formatNumber(placement.angle, 0, 6),
        mm(pick.x),
        mm(pick.y),
        mountOf(part),
      ];
    });
    return Papa.unparse([COLUMNS, ...rows], { newline: '\r\n' }) + '\r\n';
  },
};
