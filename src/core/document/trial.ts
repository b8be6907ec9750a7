import type { Process } from '../process/process';
import { MM_PER, quantise } from '../units/length';
import type { TapisDocument, Waiver } from './document';
import {
  amount,
  choice,
  flag,
  length,
  listOf,
  notation,
  number,
  record,
  text,
  type Intent,
  type Read,
} from './fields';
import { boardCorners } from './notations';
import { textMark } from './text-mark';

// What a person means by a trial: a small board, and the footprints that are placed on it to be proved. The
// origin is the lower left corner of the box round the board; lengths are entry texts, limits in mm.

/** Places on a board, measured from one of its edges. */
const PLACE = [-1000, 1000] as const;
const SIZE = [0.01, 1000] as const;

const BOARD = record(
  'Board',
  {
    width: length('width', [1, 1000], { column: 'Width' }),
    height: length('height', [1, 1000], { column: 'Height' }),
    radius: length('corner radius', [0, 500], { column: 'Corner radius' }),
    outline: notation('outline', 40_000, boardCorners, {
      column: 'Outline',
      help: 'Corners of a board that is no rectangle, such as 0,0 80,0 80,50; a third number bends the edge that follows (its bulge: the tangent of a quarter of the arc’s angle).',
    }),
    thickness: length('thickness', [0.1, 10], { column: 'Thickness' }),
  },
  {
    help: 'A rectangle with round corners, or an outline, and its thickness; the process’s where it is missing.',
    otherwise: { words: 'What was good before stands until it is mended.', remedy: 'Remove the entry' },
  },
);

/** What becomes of a placed footprint or an area with an entry that cannot be used. */
const leftOut = (what: string) =>
  ({
    words: `The ${what} is left out until it is mended.`,
    remedy: `Remove the ${what}`,
    whole: true,
  }) as const;

/** A part whose text cannot be placed stands all the same. */
const AS_FOOTPRINT = {
  otherwise: { words: 'Its footprint’s holds until it is mended.', remedy: 'Remove the entry' },
} as const;

const PART = record(
  'Part',
  {
    reference: text('reference', 20, { column: 'Reference' }),
    footprint: text('footprint', 60, { shortest: 1, help: 'Key of the footprint among those of the trial.' }),
    fromX: choice('from', ['left', 'right', 'middle'], {
      help: 'The edge that x is measured from, inwards.',
    }),
    fromY: choice('from', ['bottom', 'top', 'middle'], {
      help: 'The edge that y is measured from, inwards.',
    }),
    x: length('x', PLACE, { column: 'x' }),
    y: length('y', PLACE, { column: 'y' }),
    angle: amount('angle', [-360, 360], {
      whole: false,
      column: 'Angle',
      help: 'Degrees counter-clockwise, seen from above, after it was turned over.',
    }),
    side: choice('side', ['top', 'bottom'], { column: 'Side' }),
    corners: flag('at all corners', { help: 'The same at all four corners of the board.' }),
    columns: number('count', 'columns', [1, 100], { column: 'Columns' }),
    rows: number('count', 'rows', [1, 100], { column: 'Rows' }),
    stepX: length('column step', PLACE, { column: 'Column step' }),
    stepY: length('row step', PLACE, { column: 'Row step' }),
    texts: record('', {
      reference: textMark('reference text', AS_FOOTPRINT),
      value: textMark('value text', AS_FOOTPRINT),
    }),
  },
  { name: 'placedPart', required: ['reference', 'footprint', 'x', 'y'], otherwise: leftOut('part') },
);

const area = {
  x: length('x', PLACE, { column: 'x' }),
  y: length('y', PLACE, { column: 'y' }),
  width: length('width', SIZE, { column: 'Width' }),
  height: length('height', SIZE, { column: 'Height' }),
};

const COVER = record(
  'Cover',
  {
    ...area,
    under: length('height', [0, 500], {
      column: 'Underside',
      help: 'Underside of the cover over the laminate of its side.',
    }),
    side: choice('side', ['top', 'bottom'], { column: 'Over' }),
    why: text('what it is', 80, { column: 'What' }),
  },
  {
    name: 'cover',
    required: ['under'],
    otherwise: leftOut('cover'),
    help: 'A cover over an area from its lower left corner, or over the whole board where no size is given.',
  },
);

const KEEP_OUT = record(
  'Keep-out',
  {
    ...area,
    diameter: length('diameter', SIZE, { column: 'Diameter', help: 'Of a round one, about x and y.' }),
    what: choice('free of', ['copper', 'vias', 'components', 'everything'], { column: 'Free of' }),
    side: choice('side', ['top', 'bottom', 'both'], { column: 'On' }),
    why: text('why', 80, { column: 'Why' }),
  },
  { name: 'boardKeepOut', required: ['x', 'y', 'what'], otherwise: leftOut('area') },
);

/** Everything of a trial that is measured, by its place in the document. */
export const TRIAL = record('', {
  board: BOARD,
  parts: listOf('Part', PART, 2000, { help: 'Placed footprints, each known by its id.' }),
  covers: listOf('Cover', COVER, 100),
  keepOuts: listOf('Keep-out', KEEP_OUT, 100),
});

/** A footprint as a trial holds it: the trial stands for itself, whatever becomes of the Shelf. */
export interface TrialFootprint {
  readonly document: TapisDocument;
  /** Id of the footprint on the Shelf that it was taken from. */
  readonly from?: string;
  /** Number of the approved revision that it is. */
  readonly revision?: number;
}

/** What a person means by one trial. Everything else is derived from it. */
export interface TrialDocument extends Intent<typeof TRIAL> {
  readonly $schema?: string;
  readonly tapisTrial: 1;
  readonly name: string;
  /** Unit of plain numbers; mm where it is missing. */
  readonly unit?: 'mm' | 'mil';
  readonly process: string;
  readonly ownProcess?: Process;
  /** The footprints that are placed, by the keys that parts name them by. */
  readonly footprints?: Readonly<Record<string, TrialFootprint>>;
  readonly waivers?: Readonly<Record<string, Waiver>>;
  readonly notes?: string;
}

export type TrialRead = Read<typeof TRIAL>;
export type PartIntent = Intent<typeof PART> & { readonly id: string };
export type PartRead = TrialRead['parts'][number];
export type CoverRead = TrialRead['covers'][number];
export type BoardKeepOutRead = TrialRead['keepOuts'][number];

/** An empty board that trials begin with. */
export function newTrial(name: string, process = 'standard'): TrialDocument {
  return { tapisTrial: 1, name, process, board: { width: '80', height: '50', radius: '3' } };
}

/** A length as a trial keeps it, in its own unit. @param mm length in mm */
export function trialLength({ unit = 'mm' }: Pick<TrialDocument, 'unit'>, mm: number): string {
  const value = mm / MM_PER[unit];
  return String(unit === 'mm' ? quantise(value) : Math.round(value * 1e4) / 1e4 + 0);
}
