import type { TapisDocument } from '../core/document/document';
import { readPadTable } from '../core/format/csv/read';
import { documentOf } from '../core/format/import';

// Patterns that came to the tide-gauge board with its parts, as pad tables: each is wrong in a way of its own.

/** A pattern of somebody else's, and the name of the footprint that it is held against. */
export interface DemoPattern {
  readonly document: TapisDocument;
  readonly against: string;
}

/** The expansion header is printed with 2.54; its pattern came with 2.50. */
export const EXPANSION_HEADER: TapisDocument = {
  tapis: 2,
  name: 'J5 expansion header',
  package: {
    family: 'pin-header',
    source: 'HS-PH leaflet, row 20',
    dimensions: { r: '2', k: '20', e: '2.54', b: '0.60..0.68', D: '50.6..51.0' },
  },
  level: 'B',
  process: 'standard',
  marks: { reference: 'J5', value: 'EXPANSION' },
};

type Row = readonly (string | number)[];

const table = (head: string, rows: readonly Row[]): string =>
  [head, ...rows.map((row) => row.join(','))].join('\n');

/** Two rows of lands, numbered down the left and up the right, or as they are called. */
function twoRows(
  count: number,
  step: number,
  across: number,
  size: readonly [length: number, width: number],
  called: (number: number) => number,
): string {
  const half = count / 2;
  const rows = Array.from({ length: count }, (_, i): Row => {
    const isLeft = i < half;
    const along = ((half - 1) / 2 - (isLeft ? i : count - 1 - i)) * step;
    return [called(i + 1), isLeft ? -across : across, along.toFixed(4), ...size];
  });
  return table('number,x (mm),y (mm),length (mm),width (mm)', rows);
}

/** Pins in two rows, one over the other. */
function header(columns: number, step: number): string {
  const rows = Array.from({ length: 2 * columns }, (_, i): Row => {
    const x = (Math.floor(i / 2) - (columns - 1) / 2) * step;
    return [i + 1, x.toFixed(4), ((i % 2 === 0 ? 1 : -1) * step) / 2, 1.8, 'round', 1.2, 'plated'];
  });
  return table('number,x (mm),y (mm),diameter (mm),shape,hole (mm),plating', rows);
}

function pattern(name: string, against: string, text: string, notes: string): DemoPattern {
  const read = readPadTable(text, `${name}.csv`);
  if (!read.ok) throw new Error(read.error);
  const [first] = read.value.patterns;
  if (!first) throw new Error(`${name} has no pattern`);
  const { document } = documentOf({ ...first, name });
  return { document: { ...document, notes }, against };
}

/** The patterns, made when they are asked for. */
export function demoPatterns(): readonly DemoPattern[] {
  return [
    pattern(
      'U4 as the distributor has it',
      'U4 tide converter',
      twoRows(16, 0.65, 2.9, [1.5, 0.4], (number) => 17 - number),
      'A pad table that came with the parts. Its numbers were read off a drawing seen from below.',
    ),
    pattern(
      'J5 from an old board',
      EXPANSION_HEADER.name,
      header(20, 2.5),
      'Taken from a board of two summers ago, whose grid was metric.',
    ),
    pattern(
      'U2 from an old board',
      'U2 level driver',
      twoRows(8, 1.27, 3.125, [0.95, 0.6], (number) => number),
      'Drawn for a part whose feet were shorter.',
    ),
  ];
}
