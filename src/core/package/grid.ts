import { count } from './declare';
import { line } from './lines';
import { BODY_ACROSS, BODY_UPRIGHT, PITCH } from './dimensions';
import type { DimensionDefinition, Dimensions, Options, OptionDefinition } from './definitions';
import type { DimensionLine } from './lines';
import type { PlausibilityRule } from './family';
import { gridAgainstBody, gridDrift } from './plausibility/grid';
import type { Spot } from './terminal';
import { listed } from '../units/listed';

/** Letters of grid rows: without I, O, Q, S, X and Z (JEDEC 95, section SPP-010). */
const LETTERS = 'ABCDEFGHJKLMNPRTUVWY';

/** The letters of a grid's row, from 0: A to Y, then AA, AB … */
export function gridLetters(row: number): string {
  const letter = LETTERS[row % LETTERS.length] as string;
  return row < LETTERS.length ? letter : gridLetters(Math.floor(row / LETTERS.length) - 1) + letter;
}

/** The row that grid letters stand for, from 0; `null` for letters that grids do not use. */
export function gridRow(letters: string): number | null {
  let row = 0;
  for (const letter of letters.toUpperCase()) {
    const digit = LETTERS.indexOf(letter);
    if (digit < 0) return null;
    row = row * LETTERS.length + digit + 1;
  }
  return row - 1;
}

/** A matrix of terminals: how many, how far apart, and which are there. Lengths in mm. */
export interface GridSizes {
  readonly columns: number;
  readonly rows: number;
  readonly pitchX: number;
  readonly pitchY: number;
  /** Rows kept round the edge in a perimeter grid. */
  readonly ring: number;
  /** Rows and columns left out in the middle of a depopulated grid. */
  readonly hollow: number;
}

/** Dimensions of the matrix and the body over it; b is the terminal's, with the family's own words. */
export type GridSymbol = 'nE' | 'nD' | 'e' | 'eD' | 'E' | 'D' | 'k' | 'm';
type GridValues = Dimensions<GridSymbol>;

const MOST_ROWS = 60;

/** Counts, pitches and body, as datasheets list them first. */
export const MATRIX_DIMENSIONS: readonly DimensionDefinition<'nE' | 'nD' | 'e' | 'eD' | 'E' | 'D'>[] = [
  count('nE', 'Columns', 'Columns of the matrix, left to right', [2, MOST_ROWS]),
  count('nD', 'Rows', 'Rows of the matrix, top to bottom', [2, MOST_ROWS], { derived: 'nE' }),
  PITCH,
  {
    ...PITCH,
    symbol: 'eD',
    name: 'Pitch upright',
    help: 'Centre to centre of neighbouring rows',
    derived: 'e',
  },
  BODY_ACROSS,
  { ...BODY_UPRIGHT, derived: 'E' },
];

/** What the layouts leave out. */
export const LAYOUT_DIMENSIONS: readonly DimensionDefinition<'k' | 'm'>[] = [
  count('k', 'Edge rows', 'Rows that a perimeter grid keeps on each side', [1, 20], {
    derived: '3',
    when: ({ layout }) => layout === 'perimeter',
  }),
  count('m', 'Hollow', 'Rows and columns left out in the middle of a hollow grid', [0, MOST_ROWS - 2], {
    derived: '0',
    when: ({ layout }) => layout === 'hollow',
  }),
];

/** A grid's sizes from its dimensions. */
export function gridSizes(d: GridValues): GridSizes {
  return {
    columns: d.nE.nom,
    rows: d.nD.nom,
    pitchX: d.e.nom,
    pitchY: d.eD.nom,
    ring: d.k.nom,
    hollow: d.m.nom,
  };
}

/** Dimension lines of matrix and body, from above. */
export function matrixLines(d: GridValues): DimensionLine[] {
  const [x, y] = [d.E.nom / 2, d.D.nom / 2];
  const { left, top } = firstPlace(d);
  return [
    line('E', 'plan', 'top', [-x, y], [x, y], 1),
    line('D', 'plan', 'right', [x, -y], [x, y]),
    line('e', 'plan', 'top', [left, top], [left + d.e.nom, top]),
    line('eD', 'plan', 'left', [left, top - d.eD.nom], [left, top]),
  ];
}

/** Where the first row and column cross, taken or not. */
export function firstPlace(d: GridValues): { readonly left: number; readonly top: number } {
  return { left: (-(d.nE.nom - 1) / 2) * d.e.nom, top: ((d.nD.nom - 1) / 2) * d.eD.nom };
}

/** The matrix lies under the body, on the grid that its pitch says. */
export const MATRIX_RULES: readonly PlausibilityRule<GridSymbol | 'b'>[] = [
  gridAgainstBody<GridSymbol | 'b'>('E', ['nE', 'e'], (d) => ({
    count: d.nE.nom,
    pitch: d.e.nom,
    terminal: d.b.nom,
  })),
  gridAgainstBody<GridSymbol | 'b'>('D', ['nD', 'eD'], (d) => ({
    count: d.nD.nom,
    pitch: d.eD.nom,
    terminal: d.b.nom,
  })),
  gridDrift<GridSymbol | 'b'>('e', (d) => d.nE.nom),
  gridDrift<GridSymbol | 'b'>('eD', (d) => d.nD.nom),
];

/** Which places of a grid are taken, and single ones that are missing. */
export const GRID_OPTIONS: readonly OptionDefinition[] = [
  {
    id: 'layout',
    name: 'Layout',
    choices: [
      { id: 'full', name: 'full' },
      { id: 'perimeter', name: 'rows round the edge' },
      { id: 'hollow', name: 'middle left out' },
      { id: 'staggered', name: 'staggered, every other place' },
    ],
  },
  {
    id: 'missing',
    name: 'Missing',
    choices: [],
    help: 'Places without a terminal, such as A1, C3..E5',
    read: (text) => readMissing(text).error,
  },
];

interface Missing {
  /** Places as `row column`, from 0. */
  readonly places: ReadonlySet<string>;
  readonly error: string | null;
}

const MOST_PLACES = 20000;

/**
 * Reads a list of missing places: single ones (`A1`) and blocks between two corners (`C3..E5`),
 * separated by commas or blanks. What cannot be read is left out and named.
 */
export function readMissing(text: string): Missing {
  const places = new Set<string>();
  const items = listed(text, 'a place');
  let error = items.ok ? null : items.error;
  for (const part of items.ok ? items.value : text.split(/[\s,;]+/).filter(Boolean)) {
    const [from, to = from] = part.split('..').map(readPlace);
    if (!from || !to) {
      error ??= `“${part}” is not a place of a grid: expected letters without I, O, Q, S, X, Z and a number, such as B4 or C3..E5.`;
      continue;
    }
    const [r0, r1] = [Math.min(from.row, to.row), Math.max(from.row, to.row)];
    const [c0, c1] = [Math.min(from.column, to.column), Math.max(from.column, to.column)];
    if ((r1 - r0 + 1) * (c1 - c0 + 1) > MOST_PLACES) {
      error ??= `“${part}” covers more places than a grid has.`;
      continue;
    }
    for (let row = r0; row <= r1; row += 1)
      for (let column = c0; column <= c1; column += 1) places.add(`${row} ${column}`);
  }
  return { places, error };
}

function readPlace(text: string): { row: number; column: number } | null {
  const match = /^([A-Za-z]{1,3})(\d{1,3})$/.exec(text);
  const row = match ? gridRow(match[1] as string) : null;
  const column = match ? Number(match[2]) - 1 : -1;
  return row === null || column < 0 ? null : { row, column };
}

/** Places by the dimensions that they were made of: a package's groups, body and name all ask for them. */
const placesKnown = new WeakMap<
  GridValues,
  { readonly options: Options; readonly places: readonly Spot[] }
>();

/** The terminals of a grid, row by row from upper left, numbered by letters and digits. */
export function gridPlaces(d: GridValues, options: Options): readonly Spot[] {
  const known = placesKnown.get(d);
  if (known?.options === options) return known.places;
  const places = makePlaces(gridSizes(d), options);
  placesKnown.set(d, { options, places });
  return places;
}

function makePlaces(sizes: GridSizes, options: Options): Spot[] {
  const { columns, rows, pitchX, pitchY } = sizes;
  const { places: missing } = readMissing(options['missing'] ?? '');
  const taken = takenBy(options['layout'] ?? 'full', sizes);
  const isMissing = (row: number, column: number) => missing.size > 0 && missing.has(`${row} ${column}`);
  const spots: Spot[] = [];
  for (let row = 0; row < rows; row += 1) {
    for (let column = 0; column < columns; column += 1) {
      if (!taken(row, column) || isMissing(row, column)) continue;
      spots.push({
        order: spots.length + 1,
        number: `${gridLetters(row)}${column + 1}`,
        at: { x: (column - (columns - 1) / 2) * pitchX + 0, y: ((rows - 1) / 2 - row) * pitchY + 0 },
        rotation: 0,
      });
    }
  }
  return spots;
}

function takenBy(layout: string, { columns, rows, ring, hollow }: GridSizes) {
  return (row: number, column: number): boolean => {
    const fromEdge = Math.min(row, column, rows - 1 - row, columns - 1 - column);
    switch (layout) {
      case 'perimeter':
        return fromEdge < ring;
      case 'hollow':
        return (
          Math.abs(row - (rows - 1) / 2) > (hollow - 1) / 2 + 1e-9 ||
          Math.abs(column - (columns - 1) / 2) > (hollow - 1) / 2 + 1e-9
        );
      case 'staggered':
        return (row + column) % 2 === 0;
      default:
        return true;
    }
  };
}

/** Closest neighbours of a grid, mm. */
export function gridPitch({ pitchX, pitchY }: GridSizes, options: Options): number {
  return options['layout'] === 'staggered'
    ? Math.min(Math.hypot(pitchX, pitchY), 2 * pitchX, 2 * pitchY)
    : Math.min(pitchX, pitchY);
}
