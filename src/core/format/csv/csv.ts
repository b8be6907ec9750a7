import Papa from 'papaparse';
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
];

/** The pad table (RFC 4180): one row a land, sizes along and across the terminal, mm. */
export const csv: Format = {
  id: 'csv',
  title: 'Pad table',
  summary: 'One row for each land: number, padstack, position, sizes (CSV, RFC 4180).',
  mediaType: 'text/csv',
  extension: '.csv',
  write({ footprint }) {
    const rows = footprint.lands.map(({ number, at, rotation, padstack }) => {
      const stack = footprint.padstacks.find(({ name }) => name === padstack);
      const sizes = stack ? [stack.copper, stack.mask, stack.paste] : [];
      const mm = (v: number) => formatNumber(v, 3, 6);
      return [
        safeCell(number),
        padstack,
        mm(at.x),
        mm(at.y),
        rotation,
        ...sizes.flatMap(({ width, height }) => [mm(width), mm(height)]),
      ];
    });
    return Papa.unparse([COLUMNS, ...rows], { newline: '\r\n' }) + '\r\n';
  },
};

/** A typed number that a spreadsheet would run as a formula is quoted with an apostrophe. */
function safeCell(text: string): string {
  return /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}
