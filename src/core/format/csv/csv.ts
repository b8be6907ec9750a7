import Papa from 'papaparse';
import type { BoredHole, Land } from '../../footprint/footprint';
import { sizeOf, type Figure } from '../../geometry/figure';
import { holeName } from '../../padstack/naming';
import { formatNumber } from '../../units/length';
import { pinLabel, pinsByLand, type Pin } from '../../footprint/pins';
import type { Format } from '../format';
import { safeCell } from './cells';

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
  'what',
  'pin',
  'direction',
];

/** The pad table (RFC 4180): lands with their paste windows and vias, and holes without land; sizes along and across, mm. */
export const csv: Format = {
  id: 'csv',
  title: 'Pad table',
  summary:
    'One row for each land, paste window, via and hole: number, padstack, position, sizes (CSV, RFC 4180).',
  mediaType: 'text/csv',
  extension: '.csv',
  write({ footprint: { lands, bores, pins } }) {
    const byLand = pinsByLand(pins);
    // which side is said where there are two of them
    const sides = new Set(lands.map(({ far }) => far)).size > 1;
    const sided = (rows: Cell[][], side: string) => (sides ? rows.map((row) => [...row, side]) : rows);
    const rows = [
      ...lands.flatMap((land) => sided(landRows(land, byLand.get(land.id)), land.far ? 'far' : 'component')),
      ...sided(bores.map(boreRow), 'both'),
    ];
    const heads = sides ? [...COLUMNS, 'side'] : COLUMNS;
    return Papa.unparse([heads, ...rows], { newline: '\r\n' }) + '\r\n';
  },
};

type Cell = string | number;

const mm = (v: number) => formatNumber(v, 3, 6);

/** Length and width of a figure; empty cells where there is none. */
function sizes(figure: Figure | undefined): Cell[] {
  if (!figure) return ['', ''];
  const { width, height } = sizeOf(figure);
  return [mm(width), mm(height)];
}

function landRows(land: Land, pin: Pin | undefined): Cell[][] {
  const { number, at, rotation, padstack: stack, paste, vias } = land;
  const name = safeCell(number);
  const hole = stack.hole ? sizeOf(stack.hole.figure) : null;
  const only = stack.paste.length === 1 ? stack.paste[0]?.figure : undefined;
  const row: Cell[] = [
    name,
    stack.name,
    mm(at.x),
    mm(at.y),
    degrees(rotation),
    ...sizes(stack.copper),
    ...sizes(stack.mask[0]?.figure),
    ...sizes(only),
    hole ? mm(hole.height) : '',
    hole && hole.width > hole.height ? mm(hole.width) : '',
    stack.hole ? (stack.hole.plated ? 'plated' : 'non-plated') : '',
    stack.copper.kind,
    'land',
    safeCell(pin ? pinLabel(pin) : ''),
    pin?.direction ?? '',
  ];
  const windows = paste.length > 1 ? paste : [];
  return [
    row,
    ...windows.map(({ figure, at: middle, rotation: turn }): Cell[] => [
      ...[name, stack.name, mm(middle.x), mm(middle.y), degrees(turn)],
      ...['', '', '', '', ...sizes(figure), '', '', '', figure.kind, 'paste window', '', ''],
    ]),
    ...vias.map(({ x, y, hole: drill, land }): Cell[] => [
      ...[name, stack.name, mm(x), mm(y), 0, mm(land), mm(land)],
      ...['', '', '', '', mm(drill), '', 'plated', 'round', 'via', '', ''],
    ]),
  ];
}

function boreRow({ at, diameter, hole, opening }: BoredHole): Cell[] {
  const { kind } = hole.figure;
  const length = kind === 'round' ? '' : mm(sizeOf(hole.figure).width);
  return [
    ...['', holeName({ hole }), mm(at.x), mm(at.y), degrees(hole.rotation)],
    ...['', '', ...sizes(opening.figure), '', ''],
    ...[mm(diameter), length, 'non-plated', kind, 'hole', '', ''],
  ];
}

function degrees(angle: number): string {
  return formatNumber(angle, 0, 4);
}
