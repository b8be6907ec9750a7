import {
  amount,
  choice,
  flag,
  length,
  listOf,
  mapOf,
  notation,
  number,
  record,
  some,
  text,
  toleranced,
  type Intent,
  type Read,
} from './fields';
import { landNumbers } from './land-numbers';
import { textMark } from './text-mark';
import { voltage } from './voltage';
import { contourAreas, contourCorners, drawnCorners, drawnLines, viaPlaces } from './notations';

// Every choice that a document can hold about its footprint: what it is called, between which limits
// it can be meant, and where it is mended. Lengths are entry texts, limits in mm.

/** Sides of lands, openings and areas. */
const SIZE = [0.01, 100] as const;
/** Sizes that may be nothing. */
const SOME = [0, 100] as const;
/** Holes and slots. */
const HOLE = [0.05, 50] as const;
/** How far a thing may be moved, either way. */
const SHIFT = [-100, 100] as const;
/** Margins of openings, growing or shrinking. */
const MARGIN = [-5, 5] as const;
/** Margins that hold for every land. */
const EVERY_MARGIN = [-1, 5] as const;
/** Coordinates on the board. */
const PLACE = [-1000, 1000] as const;
/** Heights above or below the board. */
const HEIGHT = [0, 500] as const;
/** How far a part stands out beyond an edge, or stays inside it. */
const EDGE = [-500, 500] as const;

/**
 * What keys of single lands look like: group and place, such as `rows/3`. One that fits no land of the part,
 * or that an older version left behind, stays in the document and is told.
 */
const LAND_KEYS = '^.{1,60}$';

const REASON = text('reason', 400, { help: 'Why it was decided.' });

/** What becomes of an area with an entry that cannot be used. */
const LEFT_OUT = {
  words: 'The area is left out until it is mended.',
  remedy: 'Remove the area',
  whole: true,
} as const;

/** The same of a slot. */
const CUT_LEFT_OUT = {
  words: 'The slot is left out until it is mended.',
  remedy: 'Remove the slot',
  whole: true,
} as const;

const opening = <const F extends string>(label: string, forms: readonly F[]) =>
  record(
    label,
    {
      margin: length('margin', MARGIN, { column: 'Margin' }),
      width: length('width', SIZE, { column: 'Along' }),
      height: length('height', SIZE, { column: 'Across' }),
      none: flag('closed', { column: 'Closed' }),
      form: choice('form', forms, { column: 'Form' }),
      as: notation('openings', 100_000, contourAreas, {
        column: 'As given',
        help: 'Corners of its openings about the terminal, such as -1,-0.5 1,-0.5 1,0.5; parted by bars.',
      }),
    },
    { help: 'An opening: a margin a side, or a size, or as given, or closed.' },
  );

export const PASTE_FORMS = ['rounded', 'oblong', 'home-plate', 'inverted-home-plate'] as const;

/** What can be decided about the padstack of a group of lands, or of a single land. */
export const STACK_FIELDS = record(
  'Padstack',
  {
    shape: choice('Shape', ['rectangle', 'rounded', 'chamfered', 'oblong', 'round', 'd-shape', 'contour'], {
      column: 'Shape',
    }),
    width: length('Land length', SIZE, { column: 'Along', help: 'Along the terminal.' }),
    height: length('Land width', SIZE, { column: 'Across', help: 'Across the terminal.' }),
    radius: length('Corner radius', SOME, { column: 'Corner radius' }),
    chamfer: length('Chamfer', SOME, { column: 'Cut' }),
    corners: some('Corners that are cut', ['lower-left', 'lower-right', 'upper-right', 'upper-left']),
    contour: notation('Contour', 4000, contourCorners, {
      help: 'Corners of a free contour about the terminal, such as -1,-0.5 1,-0.5 1,0.5 -1,0.5.',
    }),
    offsetX: length('Offset', SHIFT, { column: 'Moved along' }),
    offsetY: length('Offset', SHIFT, { column: 'Moved across' }),
    definedBy: choice('Defined by', ['mask'], { column: 'Defined by' }),
    mask: opening('Mask', PASTE_FORMS),
    maskOther: opening('Far mask', PASTE_FORMS),
    paste: opening('Paste', PASTE_FORMS),
    hole: record('Hole', {
      diameter: length('Hole', HOLE, { column: 'Finished' }),
      slot: length('Slot', HOLE, {
        column: 'Slot length',
        help: 'Whole length of a slot; the diameter is its width.',
      }),
      plus: length('Hole tolerance', [0, 5], { column: 'Tolerance +' }),
      minus: length('Hole tolerance', [0, 5], { column: 'Tolerance −' }),
      plated: flag('plated', { column: 'Plated through' }),
    }),
    other: record('Far land', {
      width: length('length', SIZE, { column: 'Along' }),
      height: length('width', SIZE, { column: 'Across' }),
    }),
    inner: length('Inner land', SIZE, { column: 'Diameter' }),
    relief: record('Relief', {
      on: flag('Relief', { column: 'Spokes to the plane of its net' }),
      spokes: number('count', 'spokes', [0, 8], { column: 'Spokes' }),
      width: length('Spoke width', [0.01, 10], { column: 'Spoke width' }),
      gap: length('Relief gap', [0.01, 10], { column: 'Gap' }),
    }),
    clearance: length('Plane clearance', [0, 20], { column: 'From the land' }),
    windows: record('Windows', {
      columns: number('count', 'columns', [1, 40], { column: 'Windows across' }),
      rows: number('count', 'rows', [1, 40], { column: 'upright' }),
      coverage: number('share', 'coverage', [0.05, 1], { column: 'Coverage' }),
      gap: length('Bar between windows', [0.05, 20], { column: 'Bars, least' }),
      radius: length('Window radius', [0, 20], { column: 'Corner radius' }),
      mask: flag('mask', { column: 'Mask open in windows too' }),
    }),
    vias: record('Vias', {
      on: flag('Vias', { column: 'Vias in the pad' }),
      pitch: length('Via pitch', [0.1, 50], { column: 'Pitch' }),
      pitchY: length('Via pitch upright', [0.1, 50], { column: 'Pitch upright' }),
      hole: length('Via hole', [0.05, 10], { column: 'Hole' }),
      ring: length('Via ring', [0.02, 5], { column: 'Ring' }),
      columns: number('count', 'columns', [1, 40], { column: 'Across' }),
      rows: number('count', 'rows', [1, 40], { column: 'Upright' }),
      omit: notation('Omitted vias', 4000, viaPlaces, {
        help: 'Places left out, by row and column from upper left: 1.2 2.1.',
      }),
      cover: choice('cover', ['tented', 'plugged', 'filled'], { column: 'Closed by' }),
    }),
    reason: REASON,
  },
  { name: 'stack', stage: 'stack', help: 'What was decided about a padstack; lengths as entry texts.' },
);

/** Sizes of lands that a person can set: width, length, centre distance, diameter, hole. */
const LAND_SIZES = {
  X: length('Land X', SIZE),
  Y: length('Land Y', SIZE),
  C: length('Land C', [0.01, 300]),
  D: length('Land D', SIZE),
  H: length('Land H', HOLE),
};

const TRIMS = record('Trims', {
  'body-heel': flag('body heel'),
  'thermal-gap': flag('thermal gap'),
  'row-gap': flag('row gap'),
  'facing-gap': flag('facing gap'),
  'quad-corner': flag('quad corner'),
  oblong: flag('oblong'),
});

const OVERRIDES = record(
  'Override',
  {
    rounding: choice('Rounding', [0.05, 0.02, 0.01, 0], { help: 'Step of X, Y and C/2 in mm; 0 for none.' }),
    trims: TRIMS,
    land: record(
      'Land',
      { X: LAND_SIZES.X, Y: LAND_SIZES.Y, C: LAND_SIZES.C },
      { help: 'Land length Y, width X and centre distance C, for every group of lands.' },
    ),
    lands: mapOf(
      'Land',
      record('Land', { ...LAND_SIZES, hold: choice('Hold', ['centre', 'gap', 'outer']), reason: REASON }),
      40,
      { help: 'Sizes of single groups of lands; they go before those of every group.' },
    ),
    pin1Land: choice('Land 1', ['square', 'rounded', 'same'], {
      column: 'Land 1',
      help: 'Shape of land 1 of a through-hole part.',
    }),
    maskMargin: length('Mask margin', EVERY_MARGIN, { column: 'Mask margin' }),
    pasteMargin: length('Paste margin', EVERY_MARGIN, { column: 'Paste margin' }),
    jointMask: flag('Joint mask', {
      column: 'One mask opening for each row',
      help: 'One mask opening for each row in place of one for each land.',
    }),
    numbers: mapOf('Number', text('Number', 12), 10_000, {
      keys: LAND_KEYS,
      help: 'Land numbers by what the land is known by, such as rows/3, where they differ from the scheme.',
    }),
    joined: text('Numbers of several lands', 400, {
      help: 'Numbers that several lands have on purpose, with blanks between them, such as those of a shield.',
    }),
    standardName: text('Standard name', 80, {
      help: 'A name agreed elsewhere, to be held against the geometry.',
    }),
    counter: number('count', 'Running number', [1, 999_999], {
      column: 'Running number',
      help: 'Its number in the house’s own count, for names that ask for one.',
    }),
  },
  { stage: 'land' },
);

const RECOMMENDED = record(
  'Recommended',
  {
    unit: choice('Unit', ['mm', 'mil', 'in']),
    where: text('Where', 120),
    groups: mapOf(
      'Recommended',
      record('Recommended', {
        Y: length('land length', [0.001, 100], { column: 'length' }),
        X: length('land width', [0.001, 100], { column: 'width' }),
        given: choice('given', ['gap', 'centre', 'outer']),
        distance: length('distance', [0.001, 300], { column: 'distance' }),
        D: length('land diameter', [0.001, 100], { column: 'diameter' }),
        H: length('hole', [0.001, 50], { column: 'hole' }),
      }),
      40,
    ),
    adopted: flag('Adopted', { help: 'Its lands are used in place of the computed ones.' }),
    reason: REASON,
  },
  {
    stage: 'land',
    help: 'The datasheet’s own land pattern, by groups of lands.',
    otherwise: { words: 'It is left out of the comparison until it is mended.', remedy: 'Remove it' },
  },
);

const KEEP_OUTS = listOf(
  'Keep-out',
  record(
    'Keep-out',
    {
      x: length('x', PLACE, { column: 'x' }),
      y: length('y', PLACE, { column: 'y' }),
      diameter: length('diameter', SIZE, { column: 'Diameter' }),
      width: length('width', SIZE, { column: 'Width' }),
      height: length('height', SIZE, { column: 'Height' }),
      what: choice('what', ['copper', 'vias', 'components', 'everything', 'nothing'], { column: 'Free of' }),
      side: choice('side', ['component', 'far', 'both'], { column: 'On' }),
      why: text('why', 200),
    },
    { name: 'keepOut', stage: 'stack', required: ['x', 'y', 'what'], otherwise: LEFT_OUT },
  ),
  100,
  {
    help: 'Areas that something has to stay out of. One with the id package-1, package-2 … stands in place of the package’s own.',
  },
);

const CUTS = listOf(
  'Slot',
  record(
    'Slot',
    {
      x: length('x', PLACE, { column: 'x' }),
      y: length('y', PLACE, { column: 'y' }),
      length: length('length', [0.1, 200], { column: 'Length' }),
      width: length('width', [0.1, 50], { column: 'Width' }),
      turned: amount('turned', [-360, 360], { column: 'Turned' }),
      why: text('why', 200, { column: 'Why' }),
    },
    { name: 'cut', stage: 'stack', required: ['x', 'y', 'length', 'width'], otherwise: CUT_LEFT_OUT },
  ),
  100,
  {
    help: 'Slots that are milled through the board, without copper, such as those that lengthen the way between potentials.',
  },
);

const ALTERNATES = listOf(
  'Second source',
  record(
    'Second source',
    {
      title: text('title', 120, {
        column: 'Called',
        help: 'The part, its maker or its datasheet, in words.',
      }),
      where: text('where', 120, { column: 'Where', help: 'Page and table of its datasheet.' }),
      unit: choice('unit', ['mm', 'mil', 'in'], {
        column: 'Unit',
        help: 'Unit of plain numbers in its datasheet’s table; mm where missing.',
      }),
      dimensions: mapOf('Dimension', text('Dimension', 120), 60, {
        keys: '^[A-Za-z][A-Za-z0-9_]{0,11}$',
        help: 'Dimensions by their symbols, as its datasheet prints them; those of the first source hold where it says nothing.',
      }),
    },
    { name: 'alternate', stage: 'measure' },
  ),
  8,
  { help: 'Other parts that go onto the same lands: every rule is held against each of them.' },
);

/** How kinds of distributions and measured offsets are written. */
export const SPREAD_KIND = '^(uniform|normal [0-9.]+|trimmed [0-9.]+|skewed [0-9.]+)$';
export const SPREAD_OFFSETS = '^-?[0-9]+(\\.[0-9])?( -?[0-9]+(\\.[0-9])?)*$';

const SPREADS = mapOf(
  'Spread',
  record(
    'Spread',
    {
      is: text('is', 20, {
        column: 'Spreads',
        pattern: SPREAD_KIND,
        help: 'uniform; normal or trimmed with how many standard deviations the limits are off; skewed with where its peak lies, 0 to 1.',
      }),
      offsets: text('offsets', 200_000, {
        pattern: SPREAD_OFFSETS,
        help: 'Measured offsets from what was wanted, µm, with blanks between them; they go before the kind.',
      }),
      source: text('source', 200, { help: 'What was measured, and where that is kept.' }),
    },
    { name: 'spread', stage: 'prove' },
  ),
  20,
  {
    keys: '^.{1,60}$',
    help: 'How single tolerances spread, by what they are called at Prove; normal with limits at three standard deviations where nothing is said.',
  },
);

/** What is measured between two things; those of the ruler. */
export const MEASURED = ['straight', 'x', 'y', 'height', 'gap', 'centre', 'outer'] as const;

const MEASUREMENTS = listOf(
  'Measurement',
  record(
    'Measurement',
    {
      from: text('from', 120, { help: 'What it is measured from, such as land:rows/3:left.' }),
      to: text('to', 120, { help: 'What it is measured to.' }),
      what: choice('what', MEASURED, { column: 'Measures' }),
      wished: toleranced('wished', [-1000, 1000], { column: 'Wished' }),
      why: text('why', 200, { column: 'Source' }),
    },
    { name: 'measurement', stage: 'land', required: ['from', 'to', 'what'] },
  ),
  200,
  { help: 'Measurements that are kept: they follow the footprint, and one with a wished value is a check.' },
);

const MARKS = record(
  'Mark',
  {
    legend: flag('Legend', { column: 'Legend lines' }),
    style: choice('Legend', ['outline', 'around', 'ends', 'corners', 'dashes'], { column: 'Drawn as' }),
    pin1: flag('Pin-1 mark', { column: 'Pin-1 mark, outside the body' }),
    pin1Shape: choice('Pin-1 mark', ['wedge', 'bar', 'disc', 'hook', 'plus'], { column: 'Mark' }),
    courtyard: choice('Courtyard', ['box', 'contour'], { column: 'Drawn as' }),
    excess: length('Courtyard excess', [0, 50], { column: 'Excess' }),
    reference: text('Reference', 20, { column: 'Reference' }),
    value: text('Value', 40, { column: 'Value' }),
    texts: record('', { reference: textMark('Reference'), value: textMark('Value') }),
    own: record(
      'Marks as given',
      {
        courtyard: notation('Courtyard', 20_000, drawnCorners, { column: 'Courtyard' }),
        lines: notation('Legend lines', 200_000, drawnLines, { column: 'Legend lines' }),
        width: length('Legend width', [0.01, 5], { column: 'Line width' }),
        pin1: notation('Pin-1 mark', 20_000, drawnCorners, { column: 'Pin-1 mark' }),
      },
      {
        help: 'Marks that a file gave, as corners x,y; lines are parted by bars. They stand in place of those that are drawn.',
      },
    ),
  },
  { stage: 'mark' },
);

const BODY = record(
  'Body',
  {
    solderThickness: length('Solder thickness', [0, 5], { column: 'Solder under terminals' }),
    solderFrom: choice('Solder', ['paste'], {
      column: 'Solder as the paste makes it',
      help: 'Solder under the terminals as thick as its paste makes it.',
    }),
    seat: choice('Seat', ['standoff'], {
      column: 'Stands on',
      help: 'Body or feet rest on the board, in place of the leads on the lands.',
    }),
    lift: length('Lift', HEIGHT, {
      column: 'Held over its seat by',
      help: 'How high a part is held over what it would rest on.',
    }),
    boardThickness: length('Board thickness', [0.05, 20], { column: 'Board thickness' }),
    maxHeight: length('Tallest part', HEIGHT),
    minClearance: length('Least clearance', [0, 100], { column: 'Clearance under the body' }),
    minProtrusion: length('Least protrusion', [0, 50], { column: 'Leads below, least' }),
    maxProtrusion: length('Most protrusion', [0, 100], { column: 'Leads below, most' }),
    colours: record('Colour', {
      moulding: text('moulding', 7, { pattern: '^#[0-9a-fA-F]{6}$' }),
      ceramic: text('ceramic', 7, { pattern: '^#[0-9a-fA-F]{6}$' }),
      metal: text('metal', 7, { pattern: '^#[0-9a-fA-F]{6}$' }),
    }),
    model: record(
      'Model',
      {
        name: text('name', 200, { shortest: 1 }),
        key: text('key', 64, {
          pattern: '^[0-9a-f]{64}$',
          help: 'SHA-256 of the file, hexadecimal: what it is kept by.',
        }),
        scale: number('number', 'scale', [1e-6, 1e6], { help: 'The factor that brings it to mm.' }),
        turn: record(
          'Turn',
          {
            x: number('number', 'x', [-360, 360]),
            y: number('number', 'y', [-360, 360]),
            z: number('number', 'z', [-360, 360]),
          },
          { help: 'About X, then Y, then Z of the board, degrees counter-clockwise.' },
        ),
        x: length('Model offset X', PLACE, { column: 'Offset X' }),
        y: length('Model offset Y', PLACE, { column: 'Offset Y' }),
        z: length('Model offset Z', PLACE, { column: 'Offset Z' }),
        data: text('data', 1_500_000, {
          help: 'The file itself, compressed (gzip) and in base64, where the document carries it along.',
        }),
      },
      { name: 'model', required: ['name', 'key'] },
    ),
  },
  { stage: 'rise' },
);

/** Which way a pin's signal goes, or what it carries. */
export const PIN_DIRECTIONS = [
  'input',
  'output',
  'both',
  'three-state',
  'open-collector',
  'open-emitter',
  'passive',
  'power',
  'power-output',
  'ground',
  'not-connected',
] as const;

/** What the numbers mean. */
const PINS = listOf(
  'Pin',
  record(
    'Pin',
    {
      lands: notation('lands', 4000, landNumbers, {
        column: 'Lands',
        help: 'Numbers of the lands that it comes out at: 7, or 1 14 33, or 1-4.',
      }),
      name: text('name', 80, { column: 'Name' }),
      low: flag('active low', { column: 'Active low' }),
      direction: choice('direction', PIN_DIRECTIONS, { column: 'Direction' }),
      group: text('group', 40, { column: 'Group' }),
      voltage: notation('voltage', 40, voltage, {
        column: 'Voltage',
        help: 'The greatest working voltage against any other potential: 12, 230 ac, 325 pk. Pins of its group without one of their own take it too.',
      }),
      note: text('note', 400, { column: 'Note' }),
    },
    {
      name: 'pin',
      stage: 'mark',
      required: ['lands'],
      otherwise: { words: 'The pin has no lands until it is mended.', remedy: 'Remove the pin', whole: true },
    },
  ),
  3000,
  { help: 'What the land numbers mean, in the order in which they are listed.' },
);

/** Datasheets that numbers were read from. */
const SOURCES = listOf(
  'Source',
  record(
    'Source',
    {
      name: text('name', 200, { shortest: 1 }),
      key: text('key', 64, {
        pattern: '^[0-9a-f]{64}$',
        help: 'SHA-256 of the file, hexadecimal: what it is kept by.',
      }),
      pages: number('count', 'pages', [1, 100_000]),
      text: text('text', 40_000, { help: 'What was pasted, where there is no file.' }),
      data: text('data', 1_500_000, {
        help: 'The file itself, compressed (gzip) and in base64, where the document carries it along.',
      }),
    },
    { name: 'source', stage: 'measure', required: ['name'] },
  ),
  40,
  { help: 'Datasheets that numbers were read from.' },
);

/** Everything that can be chosen about a footprint, by its place in the document. */
export const CHOICES = record('', {
  sources: SOURCES,
  orientation: choice('Zero rotation', ['A', 'B'], {
    column: 'Zero rotation',
    help: 'Where pin 1 stands at zero rotation: upper left (A) or lower left (B); by the process where missing.',
  }),
  overrides: OVERRIDES,
  recommended: RECOMMENDED,
  numbering: record(
    'Numbering',
    {
      scheme: text('scheme', 40, { column: 'Scheme' }),
      corner: choice('corner', ['upper-left', 'lower-left', 'lower-right', 'upper-right'], {
        column: 'First at',
        help: 'Where number 1 stands in orientation A.',
      }),
    },
    { stage: 'mark', help: 'How terminals are numbered where the package’s own way is not meant.' },
  ),
  stacks: record(
    '',
    {
      groups: mapOf('', STACK_FIELDS, 40),
      lands: mapOf('', STACK_FIELDS, 10_000, { keys: LAND_KEYS }),
    },
    {
      help: 'Decisions about padstacks: for groups of lands, and for single lands, such as rows/3, which go before.',
    },
  ),
  pins: PINS,
  keepOuts: KEEP_OUTS,
  cuts: CUTS,
  alternates: ALTERNATES,
  spreads: SPREADS,
  measurements: MEASUREMENTS,
  marks: MARKS,
  origin: record(
    'Origin',
    {
      at: choice('at', ['body', 'lands', 'pin-1', 'point'], { column: 'Lies at' }),
      x: length('x', PLACE, { column: 'x' }),
      y: length('y', PLACE, { column: 'y' }),
    },
    {
      stage: 'mark',
      required: ['at'],
      help: 'What the coordinates of everything handed over are measured from; the body centre where missing.',
    },
  ),
  contacts: mapOf(
    '',
    record(
      'Contact',
      {
        length: toleranced('length', SIZE, { column: 'Length' }),
        width: toleranced('width', SIZE, { column: 'Width' }),
        offset: length('offset', SHIFT, {
          column: 'Moved',
          help: 'Outwards from where the package puts it.',
        }),
        kind: choice('kind', ['flat', 'through', 'concave'], { column: 'Touches' }),
        reason: REASON,
      },
      { stage: 'prove' },
    ),
    40,
    { help: 'Contact areas of groups of terminals where the package’s own does not fit the lead.' },
  ),
  body: BODY,
  edge: record(
    'Board edge',
    {
      side: choice('side', ['left', 'right', 'top', 'bottom'], { column: 'The part reaches' }),
      at: length('', EDGE, {
        column: 'Edge, from the middle outwards',
        help: 'From the body’s middle outwards.',
      }),
      minOverhang: length('Least overhang', EDGE, { column: 'Overhang, least' }),
      maxOverhang: length('Most overhang', EDGE, { column: 'Overhang, most' }),
    },
    { stage: 'rise', required: ['side'] },
  ),
});

/** The choices of a document as they are written. */
export type ChoicesIntent = Intent<typeof CHOICES>;
/** The choices of a document as they are read: lengths in mm, `null` where nothing usable was chosen. */
export type ChoicesRead = Read<typeof CHOICES>;
export type StackIntent = Intent<typeof STACK_FIELDS>;
/** What was chosen about a padstack; `null` leaves the computed value. Lengths in mm. */
export type StackChoices = Read<typeof STACK_FIELDS>;
