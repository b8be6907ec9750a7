import { allFields } from '../process/fields';
import { LEVELS, type PublishedLevel } from './levels';
import { SPACING_PLACES } from './numbers';
import {
  BALL_ROWS,
  BALL_SOURCE,
  BALL_STEP,
  FINE_PITCH,
  GOAL_ROWS,
  GOAL_SIZES,
  goalSizeTitle,
  GOALS_SOURCE,
  GRID_COURTYARD,
  HARD_BALL_FACTOR,
  HOLE_ALLOWANCE,
  HOLE_LAND_STEP,
  HOLE_MOST,
  HOLE_SOURCE,
  LAND_ALLOWANCE,
  PIN_COURTYARD,
  REDUCED_HEEL,
  SMALL_CHIP,
  TALL_CAN,
  type GoalRow,
} from './published';

/** What a clause may say. Lengths are mm, or a text with a unit such as “12 mil”. */
export type ClauseValue = number | string | boolean;

/** One place at which a house standard may say something else than what is published. */
export interface ClauseField {
  /** Its place, such as `goals/gull-wing/outer/B`. */
  readonly at: string;
  readonly section: SectionId;
  readonly title: string;
  readonly kind: 'length' | 'share' | 'factor' | 'count' | 'flag' | 'choice' | 'order' | 'text';
  /** Smallest and largest number that can be meant; mm for lengths. */
  readonly limits?: readonly [number, number];
  /** What can be chosen, or put in order. */
  readonly of?: readonly (string | number)[];
  /** What each choice means, where its value does not say it. */
  readonly words?: readonly string[];
  /** What holds where no clause says otherwise; `null` where the process or the package says it. */
  readonly published: ClauseValue | null;
  /** Where the published value comes from. */
  readonly source: string;
}

/** The chapters of a standard, in the order in which they are listed. */
export const SECTIONS = [
  { id: 'goals', title: 'Solder joint goals' },
  { id: 'bands', title: 'Where the goals change' },
  { id: 'rounding', title: 'Rounding' },
  { id: 'trims', title: 'Trims' },
  { id: 'balls', title: 'Balls and grids' },
  { id: 'holes', title: 'Holes' },
  { id: 'pads', title: 'Padstacks' },
  { id: 'marks', title: 'Marks' },
  { id: 'names', title: 'Names' },
  { id: 'spacing', title: 'Spacing by voltage' },
  { id: 'rules', title: 'How grave the rules are' },
] as const;
export type SectionId = (typeof SECTIONS)[number]['id'];

/** Every row of goals that is published. */
export const PUBLISHED_ROWS: readonly GoalRow[] = Object.values(GOAL_ROWS);

/** A length of a joint: how far solder or courtyard may reach, either way. mm */
const JOINT = [-1, 5] as const;
const LENGTH = [0, 20] as const;
const PROCESS = 'the process';
const PACKAGE = 'the package';
const TAPIS = 'Tapis';

/** The fields of one row of goals. */
export function goalFields(row: GoalRow, source: string = GOALS_SOURCE): ClauseField[] {
  return GOAL_SIZES.flatMap((size) =>
    LEVELS.map((level): ClauseField => ({
      at: `goals/${row.id}/${size}/${level}`,
      section: 'goals',
      title: `${row.title}: ${goalSizeTitle(row, size)}, level ${level}`,
      kind: 'length',
      limits: JOINT,
      published: row.levels[level][size],
      source,
    })),
  );
}

const byLevel = (
  about: Omit<ClauseField, 'published'>,
  values: Readonly<Record<PublishedLevel, number>>,
): ClauseField[] =>
  LEVELS.map((level) => ({
    ...about,
    at: `${about.at}/${level}`,
    title: `${about.title}, level ${level}`,
    published: values[level],
  }));

const lengthField = (
  at: string,
  title: string,
  published: number | null,
  source: string,
  limits: readonly [number, number] = LENGTH,
): ClauseField => ({ at, section: sectionOf(at), title, kind: 'length', limits, published, source });

const chosen = (
  at: string,
  title: string,
  of: readonly (string | number)[],
  source: string,
  published: ClauseValue | null = null,
): ClauseField => ({ at, section: sectionOf(at), title, kind: 'choice', of, published, source });

/** What a house holds its voltages against; the process says it where no clause does. */
function spacingFields(): ClauseField[] {
  return Object.entries(SPACING_PLACES).flatMap(([at, key]): ClauseField[] => {
    const field = allFields().find((one) => one.key === key);
    if (!field) return [];
    const { title, words, limits } = field;
    const shared = { at, section: 'spacing', title, published: null, source: PROCESS } as const;
    return [
      words
        ? { ...shared, kind: 'choice', of: words.map(([value]) => value), words: words.map(([, one]) => one) }
        : { ...shared, title: `${title}, m`, kind: 'count', limits },
    ];
  });
}

const flagField = (at: string, title: string, published: boolean | null, source: string): ClauseField => ({
  at,
  section: sectionOf(at),
  title,
  kind: 'flag',
  published,
  source,
});

const shareField = (
  at: string,
  title: string,
  published: number | null,
  source: string,
  limits: readonly [number, number] = [0, 1],
): ClauseField => ({ at, section: sectionOf(at), title, kind: 'share', limits, published, source });

const textField = (at: string, title: string, published: string | null, source: string): ClauseField => ({
  at,
  section: sectionOf(at),
  title,
  kind: 'text',
  published,
  source,
});

/** The chapter that a place is of. */
export function sectionOf(at: string): SectionId {
  const first = at.split('/', 1)[0];
  return SECTIONS.find(({ id }) => id === first)?.id ?? 'goals';
}

/** Trims that fit a land to its surroundings, as a document names them. */
const TRIMS = {
  'body-heel': 'Heel out from under a low body',
  'thermal-gap': 'Heel clear of the exposed pad',
  'facing-gap': 'Inner ends clear of each other',
  'row-gap': 'Width for the gap in the row',
  'quad-corner': 'Corner lands clear of the next row',
  oblong: 'Oblong lands for the gap between holes',
};

/** Kinds of padstacks that a house may have habits for. */
export const PAD_KINDS = {
  surface: 'surface lands',
  fine: 'surface lands at fine pitch',
  ball: 'lands under balls and grids',
  exposed: 'exposed pads',
  pin: 'lands of leads through the board',
} as const;
export type PadKind = keyof typeof PAD_KINDS;

const padFields = (Object.entries(PAD_KINDS) as [PadKind, string][]).flatMap(([kind, of]): ClauseField[] => [
  lengthField(`pads/${kind}/mask-margin`, `Mask margin, ${of}`, null, PROCESS, [-1, 2]),
  ...(kind === 'pin' || kind === 'exposed'
    ? []
    : [lengthField(`pads/${kind}/paste-margin`, `Paste margin, ${of}`, null, PROCESS, [-1, 2])]),
  ...(kind === 'pin'
    ? []
    : [flagField(`pads/${kind}/mask-defined`, `Defined by the mask, ${of}`, false, TAPIS)]),
  ...(kind === 'surface' || kind === 'fine' || kind === 'exposed'
    ? [
        shareField(`pads/${kind}/corner-share`, `Corner radius over width, ${of}`, null, PACKAGE, [0, 0.5]),
        lengthField(`pads/${kind}/corner-most`, `Corner radius, most, ${of}`, null, PACKAGE, [0, 5]),
      ]
    : []),
]);

/** Shapes of the pin-1 mark. */
const MARK_SHAPES = ['wedge', 'bar', 'disc', 'hook', 'plus'];

const FIELDS: readonly ClauseField[] = [
  ...PUBLISHED_ROWS.flatMap((row) => goalFields(row)),
  ...byLevel(
    {
      at: 'goals/heel-to-body',
      section: 'goals',
      title: 'Gull wing whose feet reach to the body: heel',
      kind: 'length',
      limits: JOINT,
      source: 'IPC-7351B, table 3-2, note on the heel',
    },
    REDUCED_HEEL,
  ),
  lengthField('bands/fine-pitch', 'Gull wings are of fine pitch up to', FINE_PITCH, GOALS_SOURCE),
  lengthField('bands/small-chip', 'Chips are small below a length of', SMALL_CHIP, GOALS_SOURCE),
  lengthField('bands/tall-can', 'Cans are tall from a height of', TALL_CAN, GOALS_SOURCE, [0, 100]),
  lengthField('rounding/lands', 'X, Y and C/2 to', null, PROCESS, [0, 0.5]),
  lengthField('rounding/small-lands', 'the same of small chips and flat leads', null, PROCESS, [0, 0.5]),
  ...PUBLISHED_ROWS.map((row) =>
    lengthField(`rounding/${row.id}`, `X, Y and C/2 of ${lower(row.title)}`, null, PROCESS, [0, 0.5]),
  ),
  lengthField('rounding/hole-lands', 'Lands of holes to', HOLE_LAND_STEP, HOLE_SOURCE, [0, 0.5]),
  lengthField('rounding/ball-lands', 'Ball lands between rows to', BALL_STEP, BALL_SOURCE, [0, 0.5]),
  lengthField('rounding/courtyard', 'Courtyard outward to', null, PROCESS, [0, 1]),
  ...Object.entries(TRIMS).map(([id, title]) => flagField(`trims/${id}`, title, true, TAPIS)),
  ...BALL_ROWS.flatMap(({ ball, land }) =>
    byLevel(
      {
        at: `balls/${ball}`,
        section: 'balls',
        title: `Land under a ball of ${ball} mm`,
        kind: 'length',
        limits: [0.02, 2],
        source: BALL_SOURCE,
      },
      land,
    ),
  ),
  ...byLevel(
    {
      at: 'balls/hard-factor',
      section: 'balls',
      title: 'Land over a ball that keeps its shape',
      kind: 'factor',
      limits: [0.5, 2],
      source: 'IPC-7351B, table 14-4',
    },
    HARD_BALL_FACTOR,
  ),
  ...byLevel(
    {
      at: 'balls/courtyard',
      section: 'balls',
      title: 'Courtyard excess round grids',
      kind: 'length',
      limits: LENGTH,
      source: BALL_SOURCE,
    },
    GRID_COURTYARD,
  ),
  lengthField(
    'balls/exposed-margin',
    'Exposed pad: land over terminal, each side',
    0,
    'IPC-7351B, clause 3.1.5',
    [-1, 2],
  ),
  ...(
    [
      ['allowance', 'Finished hole over the largest lead', HOLE_ALLOWANCE],
      ['most', 'Largest hole over the smallest lead', HOLE_MOST],
      ['land', 'Land over hole and rings', LAND_ALLOWANCE],
      ['courtyard', 'Courtyard excess round through-hole parts', PIN_COURTYARD],
    ] as const
  ).flatMap(([name, title, values]) =>
    byLevel(
      { at: `holes/${name}`, section: 'holes', title, kind: 'length', limits: LENGTH, source: HOLE_SOURCE },
      values,
    ),
  ),
  ...padFields,
  chosen('pads/pin-1', 'Land 1 of a through-hole part', ['square', 'rounded', 'same'], TAPIS, 'square'),
  flagField('pads/joint-mask', 'One mask opening for each row', false, TAPIS),
  shareField('pads/windows/coverage', 'Coverage of exposed pads, aim', null, PROCESS, [0.05, 1]),
  shareField('pads/windows/least', 'Coverage of exposed pads, least', null, PROCESS),
  shareField('pads/windows/most', 'Coverage of exposed pads, most', null, PROCESS),
  lengthField('pads/windows/gap', 'Bar between windows', null, PROCESS, [0.05, 2]),
  lengthField('pads/windows/radius', 'Corner radius of windows', null, PROCESS, [0, 1]),
  flagField('pads/vias/on', 'Vias in exposed pads', false, TAPIS),
  lengthField('pads/vias/pitch', 'Pitch of vias in exposed pads', null, TAPIS, [0.1, 50]),
  lengthField('pads/vias/hole', 'Hole of vias in exposed pads', null, PROCESS, [0.05, 2]),
  lengthField('pads/vias/ring', 'Ring of vias in exposed pads', null, PROCESS, [0.02, 2]),
  chosen(
    'pads/vias/cover',
    'Vias in exposed pads are',
    ['open', 'tented', 'plugged', 'filled'],
    TAPIS,
    'open',
  ),
  {
    at: 'marks/pin-1',
    section: 'marks',
    title: 'Pin-1 mark, by preference',
    kind: 'order',
    of: MARK_SHAPES,
    published: null,
    source: PACKAGE,
  },
  chosen('marks/legend', 'Legend drawn as', ['outline', 'around', 'ends', 'corners', 'dashes'], PACKAGE),
  lengthField('marks/legend-width', 'Legend line', null, PROCESS, [0.05, 1]),
  chosen('marks/courtyard', 'Courtyard drawn as', ['box', 'contour'], TAPIS, 'box'),
  lengthField('marks/courtyard-width', 'Courtyard line', 0.05, 'IPC-7351B, clause 3.2', [0.01, 1]),
  lengthField('marks/assembly-width', 'Assembly line', 0.1, TAPIS, [0.01, 1]),
  lengthField('marks/text-height', 'Text height', null, PROCESS, [0.2, 10]),
  lengthField('marks/text-stroke', 'Text line', null, PROCESS, [0.02, 1]),
  flagField('marks/reference', 'Reference printed', true, TAPIS),
  flagField('marks/value', 'Value printed', true, TAPIS),
  chosen('marks/orientation', 'Zero rotation', ['A', 'B'], PROCESS),
  chosen('marks/origin', 'Origin at', ['body', 'lands', 'pin-1'], TAPIS, 'body'),
  textField('names/footprint', 'Name of a footprint', '{standard}', 'IPC-7351B, clause 3.1.5.7'),
  textField('names/padstack', 'Name of a padstack', '{standard}', 'IPC-7351B, clause 3.1.5.8'),
  textField('names/file', 'Name of a file', '{footprint}', TAPIS),
  ...spacingFields(),
  chosen('rules/class', 'Product class of J-STD-001 and IPC-A-610', [1, 2, 3], PROCESS),
];

/** Places of which there is one for every family, or every rule. */
const FAMILIES_OF: readonly (Omit<ClauseField, 'title'> & { readonly titleOf: (name: string) => string })[] =
  [
    {
      ...chosen('marks/orientation/', '', ['A', 'B'], PROCESS),
      titleOf: (name) => `Zero rotation of ${name}`,
    },
    {
      ...chosen('marks/origin/', '', ['body', 'lands', 'pin-1'], TAPIS, 'body'),
      titleOf: (name) => `Origin of ${name} at`,
    },
    {
      ...chosen('marks/legend/', '', ['outline', 'around', 'ends', 'corners', 'dashes'], PACKAGE),
      titleOf: (name) => `Legend of ${name} drawn as`,
    },
    {
      ...chosen('rules/', '', ['stop', 'caution', 'note', 'off'], 'the rule'),
      titleOf: (name) => `Rule ${name}`,
    },
  ];

/** What a family, a rule or a row of one’s own is known by. */
export const NAME_PATTERN = /^[a-z][a-z0-9-]{0,40}$/;
/** Plausibility rules carry the symbols that they are about. */
const RULE_PATTERN = /^[a-z][A-Za-z0-9-]{0,60}$/;

const BY_PLACE: ReadonlyMap<string, ClauseField> = new Map(FIELDS.map((field) => [field.at, field]));

/** Every place that a standard may say something at, but those of single families, rules and rows of its own. */
export function clauseFields(): readonly ClauseField[] {
  return FIELDS;
}

/**
 * The field at a place.
 * @param own rows of goals that the standard has of its own
 * @returns `null` where there is no such place
 */
export function clauseFieldAt(at: string, own: readonly GoalRow[] = []): ClauseField | null {
  const known = BY_PLACE.get(at);
  if (known) return known;
  for (const row of own)
    if (at.startsWith(`goals/${row.id}/`) || at === `rounding/${row.id}`) {
      const field = [
        ...goalFields(row, 'the row that would hold without it'),
        lengthField(`rounding/${row.id}`, `X, Y and C/2 of ${lower(row.title)}`, null, PROCESS, [0, 0.5]),
      ].find((one) => one.at === at);
      if (field) return field.kind === 'length' ? { ...field, published: null } : field;
    }
  if (at.endsWith('/D')) {
    const likeB = clauseFieldAt(at.replace(/D$/, 'B'), own);
    if (likeB && likeB.at !== at)
      return { ...likeB, at, title: likeB.title.replace(/level B$/, 'level D'), published: null };
  }
  for (const { titleOf, ...field } of FAMILIES_OF) {
    const name = at.startsWith(field.at) ? at.slice(field.at.length) : '';
    if ((field.section === 'rules' ? RULE_PATTERN : NAME_PATTERN).test(name))
      return { ...field, at, title: titleOf(name) };
  }
  return null;
}

function lower(title: string): string {
  return title.charAt(0).toLowerCase() + title.slice(1);
}
