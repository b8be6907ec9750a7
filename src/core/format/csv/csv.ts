import Papa from 'papaparse';
import { sizeOf } from '../../geometry/figure';
import { formatNumber } from '../../units/length';
import type { Format } from '../format';

const COLUMNS = [
  'number',
  'padstack',
  'x_mm',
  'y_mm',
  'rotation_deg',
  'length_mm',
  'width_mm',
  'mask_length_mm',
  'mask_width_mm',
  'paste_length_mm',
  'paste_width_mm',
  'hole_mm',
  'slot_length_mm',
  'plating',
  'shape',
];

/** The pad table (RFC 4180): one row a land, sizes along and across the terminal, mm. */
export const csv: Format = {
  id: 'csv',
  title: 'Pad table',
  summary: 'One row for each land: number, padstack, position, sizes (CSV, RFC 4180).',
  mediaType: 'text/csv',
  extension: '.csv',
  write({ footprint }) {
    const rows = footprint.lands.map(({ number, at, rotation, padstack: stack }) => {
      const mm = (v: number) => formatNumber(v, 3, 6);
      // columns of openings that a land does not have stay empty
      const cells = [stack.copper, stack.mask[0]?.figure, stack.paste[0]?.figure].flatMap((figure) => {
        const size = figure && sizeOf(figure);
        return size ? [mm(size.width), mm(size.height)] : ['', ''];
      });
      const hole = stack.hole ? sizeOf(stack.hole.figure) : null;
      return [
        safeCell(number),
        stack.name,
        mm(at.x),
        mm(at.y),
        rotation,
        ...cells,
        hole ? mm(hole.height) : '',
        hole && hole.width > hole.height ? mm(hole.width) : '',
        stack.hole ? (stack.hole.plated ? 'plated' : 'non-plated') : '',
        stack.copper.kind,
      ];
    });
    return Papa.unparse([COLUMNS, ...rows], { newline: '\r\n' }) + '\r\n';
  },
};

/** A typed number that a spreadsheet would run as a formula is quoted with an apostrophe. */
function safeCell(text: string): string {
  return /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}
