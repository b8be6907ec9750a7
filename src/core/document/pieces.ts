import {
  amount,
  choice,
  flag,
  length,
  listOf,
  mapOf,
  notation,
  record,
  series,
  some,
  text,
  toleranced,
  type Intent,
  type Read,
} from './fields';
import { drawnCorners, drawnPlaces, drawnVias, rowPlaces } from './notations';

// What a composed package is made of: pieces in the order of the datasheet, each placed from another,
// and the dimensions that their fields may name. Lengths are entry texts, limits in mm.

/** Sides and diameters of things. */
const SIZE = [0.01, 300] as const;
/** Steps between neighbours. */
const STEP = [0.01, 300] as const;
/** Distances on the board, either way. */
const PLACE = [-1000, 1000] as const;
/** Heights over the seating plane; less than nothing is below it. */
const HEIGHT = [-50, 500] as const;
const COUNT = [1, 2000] as const;

export const DIRECTIONS = ['right', 'left', 'up', 'down'] as const;

/** Forms of surface terminals from which lands are computed. */
export const TERMINAL_FORMS = [
  'gull-wing',
  'j-lead',
  'rectangular-end',
  'cylindrical-end',
  'castellated',
  'chip-array',
  'inward-formed',
  'flat-lug',
  'flat-lead',
  'no-lead',
  'pulled-back',
  'under-can',
  'collapsing-ball',
  'non-collapsing-ball',
  'column',
  'land-grid',
  'thermal',
  'probe',
] as const;

/** What a piece is made of. */
export const ELEMENTS = [
  'terminal',
  'pin',
  'land',
  'hole',
  'peg',
  'keep-out',
  'mask-window',
  'cut-out',
  'edge',
  'body',
] as const;

/** Shapes of lands, terminals, pins, areas and bodies. */
export const SHAPES = [
  'round',
  'square',
  'rectangle',
  'rounded',
  'chamfered',
  'oblong',
  'd-shape',
  'contour',
  'drafted',
  'cylinder',
  'turned',
  'outline',
] as const;

/** How the elements of a piece lie. */
export const ARRANGEMENTS = [
  'single',
  'row',
  'array',
  'ring',
  'facing',
  'places',
  'mirror',
  'repeat',
] as const;

const POINT = {
  at: text('point', 8, {
    pattern: '^(centre|first|last|middle|[1-9][0-9]{0,3}([.][1-9][0-9]{0,3})?)?$',
    help: 'centre of the whole piece, first, last or middle place, or a place by its number.',
  }),
  edge: choice('edge', ['low', 'centre', 'high'], {
    help: 'Its left or lower edge, its middle, its right or upper edge.',
  }),
};

const from = (label: string) =>
  record(label, { of: text('piece', 20, { help: 'Id of a piece; the origin where missing.' }), ...POINT });

/** What an element is and how large. Which of the sizes are asked for follows from what it is. */
const ELEMENT = {
  form: choice('Form', TERMINAL_FORMS),
  shape: choice('Shape', SHAPES),
  length: toleranced('Length', SIZE, { help: 'Along the terminal; along x of anything else.' }),
  width: toleranced('Width', SIZE, { help: 'Across the terminal; along y of anything else.' }),
  diameter: toleranced('Diameter', SIZE),
  thickness: toleranced('Thickness', SIZE, { help: 'Of a flat pin.' }),
  shoulder: toleranced('Shoulder', SIZE, {
    help: 'Across the thicker part of a pin that stands on the board.',
  }),
  radius: length('Corner radius', [0, 100]),
  chamfer: length('Chamfer', [0, 100]),
  corners: some('Corners that are cut', ['lower-left', 'lower-right', 'upper-right', 'upper-left']),
  contour: notation('Contour', 20_000, drawnCorners, {
    help: 'Corners about its place, as x,y; in the datasheet’s unit, or in one that stands behind them all.',
  }),
  hole: toleranced('Hole', [0.05, 100], { help: 'Finished diameter; the width of a slot.' }),
  slot: toleranced('Slot', [0.05, 100], { help: 'Whole length of a slot, along x.' }),
  plated: flag('Plated'),
  land: toleranced('Land', SIZE, { help: 'Diameter of the land round a hole that is given.' }),
  bottom: toleranced('From', HEIGHT, { help: 'Height of its underside over the seating plane.' }),
  top: toleranced('Up to', HEIGHT),
  draft: amount('Draft', [0, 45], { whole: false, help: 'Degrees that the walls lean inwards.' }),
  profile: notation('Profile', 4000, drawnPlaces, {
    help: 'Of a turned body: radius and height, from the axis round the outside and back to it.',
  }),
  turned: amount('Turned', [-360, 360], {
    whole: false,
    help: 'Degrees counter-clockwise, each about its own place.',
  }),
  material: choice('Material', ['moulding', 'ceramic', 'metal']),
  colour: text('Colour', 7, {
    pattern: '^(#[0-9a-fA-F]{6})?$',
    help: 'As #rrggbb; that of its material where missing.',
  }),
  vias: notation('Vias', 4000, drawnVias, {
    help: 'Small plated holes in that land, as x,y,hole or x,y,hole,land.',
  }),
};

const DIFFERENCE = record('Place', { ...ELEMENT, none: flag('left out') });

const PIECE = record(
  'Piece',
  {
    name: text('Name', 60),
    what: choice('What', ELEMENTS),
    as: choice('Arranged', ARRANGEMENTS),
    ...ELEMENT,
    toe: choice('Toe', DIRECTIONS, { help: 'Where the toe of a lone terminal points to.' }),
    inside: toleranced('Distance between', [0, 300], {
      help: 'S, where the datasheet gives it in place of T.',
    }),
    end: choice('Inner end', ['round', 'rounded', 'chamfered']),
    between: toleranced('Body between', SIZE, { help: 'Width of the body between facing terminals.' }),
    under: toleranced('Standoff', [0, 50], { help: 'Of the body between facing terminals.' }),
    tall: length('Height', [0, 100], { help: 'Of the part, where the goals depend on it.' }),
    // arrangement
    n: amount('Count', COUNT),
    step: toleranced('Step', STEP),
    steps: series('Steps', STEP, { help: 'One after the other, in place of count and step.' }),
    towards: choice('Towards', DIRECTIONS),
    stagger: toleranced('Offset of every other one', PLACE, {
      help: 'Upwards, or to the right in an upright row.',
    }),
    rows: amount('Rows', COUNT),
    stepY: toleranced('Step of rows', STEP),
    omit: notation('Left out', 4000, rowPlaces, {
      help: 'Places by their number, or by row and column: 3 5, or 2.3.',
    }),
    ring: toleranced('Diameter of the ring', SIZE),
    first: amount('First at', [-360, 360], {
      whole: false,
      help: 'Degrees counter-clockwise from the right.',
    }),
    turn: choice('Turn', ['counter-clockwise', 'clockwise']),
    edgesX: series('Left and right edge', PLACE, {
      help: 'Of one rectangle, to the right of where it is placed from; in place of length and x.',
    }),
    edgesY: series('Lower and upper edge', PLACE, {
      help: 'Of one rectangle, upwards from where it is placed from; in place of width and y.',
    }),
    apart: toleranced('Apart', [0, 300]),
    given: choice('Given', ['outer', 'centre', 'gap']),
    points: notation('Places', 40_000, drawnPlaces, {
      help: 'Places as x,y, with the angle behind a second comma.',
    }),
    of: text('Piece', 20, { help: 'The piece that is mirrored or repeated.' }),
    across: choice('Mirrored', ['left-right', 'top-bottom']),
    // areas
    free: choice('Free of', ['copper', 'vias', 'components', 'everything']),
    side: choice('On', ['component', 'far', 'both'], {
      help: 'Side of the board; a land of the far side has its shape as it is seen from there, and its place as it is seen through the board.',
    }),
    why: text('Why', 200),
    differ: mapOf('Place', DIFFERENCE, 200, {
      keys: '^[1-9][0-9]{0,3}([.][1-9][0-9]{0,3})?$',
      help: 'What differs at single places.',
    }),
    // where
    x: toleranced('x', PLACE, { help: 'To the right.' }),
    y: toleranced('y', PLACE, { help: 'Upwards.' }),
    xFrom: from('x from'),
    yFrom: from('y from'),
    xMine: record('x to', POINT),
    yMine: record('y to', POINT),
    angle: amount('Angle', [-360, 360], { whole: false, help: 'Degrees counter-clockwise.' }),
    numbers: record('Numbers', {
      from: text('from', 12, { help: 'The first number; the next free one where missing.' }),
      by: amount('by', [-100, 100]),
      list: text('list', 20_000, {
        help: 'Numbers of all places one by one, with blanks between; - for a place without one.',
      }),
      shared: text('all', 12, { help: 'One number for all of them.' }),
      none: flag('none'),
      grid: flag('grid', { help: 'Letters for rows, digits for columns.' }),
      backwards: flag('backwards'),
      gaps: flag('gaps', { help: 'Places left out keep their numbers free.' }),
    }),
  },
  {
    name: 'piece',
    stage: 'measure',
    required: ['what'],
    otherwise: { words: 'The last good drawing stays until it is mended.', remedy: 'Clear it' },
  },
);

/** A dimension of a composed package: what it is called, and what its own family asks of it. */
const NAMED = record('Dimension', {
  name: text('name', 60),
  help: text('help', 200),
  kind: choice('kind', ['length', 'count']),
  basic: flag('basic'),
  least: text('least', 60, { help: 'Smallest value that can be meant.' }),
  most: text('most', 60, { help: 'Largest value that can be meant.' }),
  only: text('values', 400, { help: 'Of a count: the values that there are, with blanks between them.' }),
  derived: text('rule', 200, {
    help: 'What fills it where nothing is entered: a number, or arithmetic with other dimensions.',
  }),
  unasked: flag('not asked for', { help: 'Its rule fills it; it is shown only once it was entered.' }),
});

/** Entry texts by the dimensions' symbols. */
const VALUES = mapOf('Dimension', text('entry', 200), 60, { keys: '^[A-Za-z][A-Za-z0-9_]{0,11}$' });

/** What makes a composed package a family of its own, of which there are many parts. */
const OWN = record(
  'Own family',
  {
    id: text('id', 40, { pattern: '^[a-z][a-z0-9-]{0,39}$', help: 'What it is known by in a gallery.' }),
    summary: text('summary', 200),
    keywords: text('keywords', 300, { help: 'Words it may be searched by, with blanks between them.' }),
    unit: choice('unit', ['mm', 'mil', 'in'], {
      help: 'Of plain numbers in its pieces, rules, limits, conditions and sizes; mm where missing.',
    }),
    conditions: listOf(
      'Condition',
      record(
        'Condition',
        {
          holds: text('condition', 200, { help: 'Such as D >= (n-1)*e, or 0.2 < b < e/2.' }),
          why: text('reason', 200),
        },
        { required: ['holds'] },
      ),
      60,
      { help: 'What the dimensions of every such part keep; a part that does not is told.' },
    ),
    sizes: listOf(
      'Size',
      record(
        'Size',
        {
          name: text('name', 60),
          source: text('source', 120, {
            help: 'Where its numbers are printed; they count as typical where it is missing.',
          }),
          dimensions: VALUES,
        },
        { required: ['name', 'dimensions'] },
      ),
      200,
      { help: 'The sizes that it comes in.' },
    ),
    example: { ...VALUES, help: 'What it is drawn with where nothing was entered yet.' },
  },
  { required: ['id'] },
);

/** What the file of a pattern may have no place for. */
export const UNSAID = ['numbers', 'legend', 'courtyard', 'paste', 'origin'] as const;

/** What a composed package has beside its dimensions. */
export const COMPOSITION = record('', {
  title: text('Title', 80, { help: 'Of what kind the part is, in words.' }),
  pieces: listOf('Piece', PIECE, 400, {
    help: 'What a composed package is made of, in the datasheet’s order.',
  }),
  named: mapOf('Dimension', NAMED, 60, {
    ordered: true,
    help: 'What the dimensions of a composed package are called, in the order in which they are asked for.',
  }),
  own: OWN,
  first: choice('Terminal 1', ['marked', 'plain', 'cathode', 'plus'], {
    help: 'Whether terminal 1 must be told from the others, and which end of a part with a direction it is.',
  }),
  unsaid: some('Not in its file', UNSAID, {
    help: 'What the file of a pattern that was taken in could not say: nobody left it out.',
  }),
  naming: text('Standard name', 80, {
    help: 'A pattern over the dimensions, such as CONN{n}P{e}.',
  }),
});

export type CompositionIntent = Intent<typeof COMPOSITION>;
export type OwnIntent = NonNullable<CompositionIntent['own']>;
export type PieceIntent = NonNullable<CompositionIntent['pieces']>[number];
export type PieceRead = Read<typeof COMPOSITION>['pieces'][number];
/** An element of a piece, with what differs at its place. */
export type ElementRead = Pick<PieceRead, keyof typeof ELEMENT>;
