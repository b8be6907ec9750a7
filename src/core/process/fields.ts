/** One number of a process as it is listed, edited and explained. */
export interface ProcessField<K extends string = string> {
  readonly key: K;
  /** What an ordinary two-sided shop holds: the number of the standard process. */
  readonly usual: number;
  readonly title: string;
  readonly unit: 'mm' | 'share' | 'ratio' | 'count' | 'm';
  /** Smallest and largest value that can be meant. */
  readonly limits: readonly [number, number];
  /** What its numbers mean, where each stands for something. */
  readonly words?: readonly (readonly [number, string])[];
  /** Processes that were kept at an earlier time do not have it; the usual number stands in. */
  readonly later?: true;
}

type Limits = readonly [number, number];

function field<K extends string>(
  unit: ProcessField['unit'],
  [key, usual, title, limits]: readonly [K, number, string, Limits],
): ProcessField<K> {
  return { key, usual, title, unit, limits };
}

const mm = <K extends string>(key: K, usual: number, title: string, limits: Limits = [0, 5]) =>
  field('mm', [key, usual, title, limits]);
const share = <K extends string>(key: K, usual: number, title: string) =>
  field('share', [key, usual, title, [0, 1]]);
const metres = <K extends string>(key: K, usual: number, title: string, limits: Limits) =>
  field('m', [key, usual, title, limits]);
/** One out of a few, each known by a number. */
const oneOf = <K extends string>(
  key: K,
  usual: number,
  title: string,
  words: readonly (readonly [number, string])[],
): ProcessField<K> => {
  const numbers = words.map(([number]) => number);
  return {
    ...field('count', [key, usual, title, [Math.min(...numbers), Math.max(...numbers)]]),
    words,
  };
};
const later = <K extends string>(one: ProcessField<K>): ProcessField<K> => ({ ...one, later: true });

/** To give a process another number, list it here: its type, its form in files and its field follow. Lengths in mm, shares 0 to 1. */
const GROUPS = [
  {
    id: 'copper',
    title: 'Copper',
    fields: [
      mm('fabricationTolerance', 0.1, 'Fabrication tolerance F'),
      mm('minGap', 0.15, 'Smallest gap'),
      mm('minWidth', 0.15, 'Narrowest copper'),
      mm('minHoleToLand', 0.25, 'Hole to other land'),
      mm('rounding', 0.05, 'Rounding of lands', [0, 0.5]),
      mm('smallRounding', 0.02, 'Rounding, small chips', [0, 0.5]),
      mm('centreGrid', 0.005, 'Grid of centres', [0, 1]),
    ],
  },
  {
    id: 'holes',
    title: 'Holes',
    fields: [
      mm('drillStep', 0.05, 'Drill step', [0, 1]),
      mm('drillWander', 0.05, 'Drill wander', [0, 1]),
      mm('minRing', 0.05, 'Smallest ring', [0, 2]),
      mm('minHoleWeb', 0.25, 'Web between holes'),
      field('ratio', ['maxHoleAspect', 8, 'Hole aspect ratio', [1, 40]]),
      mm('viaHole', 0.3, 'Via in a land, hole', [0.05, 2]),
      mm('viaRing', 0.1, 'Via in a land, ring', [0.02, 2]),
      mm('viaMargin', 0.1, 'Paste to via', [0, 2]),
      field('count', ['reliefSpokes', 4, 'Relief spokes', [0, 8]]),
      mm('reliefWidth', 0.25, 'Relief spoke width'),
      mm('reliefGap', 0.25, 'Relief gap'),
      mm('planeClearance', 0.25, 'Plane to land'),
      mm('holeClearance', 0.3, 'Plane to hole'),
    ],
  },
  {
    id: 'mask',
    title: 'Mask',
    fields: [mm('maskMargin', 0.05, 'Mask margin', [-1, 2]), mm('minMaskWeb', 0.1, 'Web between openings')],
  },
  {
    id: 'paste',
    title: 'Paste',
    fields: [
      mm('stencilThickness', 0.12, 'Stencil thickness', [0.02, 1]),
      mm('pasteMargin', 0, 'Paste margin', [-1, 2]),
      share('pasteTransfer', 1, 'Transfer'),
      share('pasteMetal', 0.5, 'Metal share'),
      share('thermalCoverage', 0.6, 'Coverage, aim'),
      share('minCoverage', 0.5, 'Coverage, least'),
      share('maxCoverage', 0.8, 'Coverage, most'),
      mm('windowGap', 0.2, 'Bar between windows', [0.05, 2]),
      mm('windowRadius', 0.06, 'Window radius', [0, 1]),
    ],
  },
  {
    id: 'legend',
    title: 'Legend',
    fields: [
      mm('legendWidth', 0.12, 'Legend line', [0.05, 1]),
      mm('minLegendWidth', 0.1, 'Thinnest line', [0.02, 1]),
      mm('legendGap', 0.15, 'Legend to opening'),
      mm('textHeight', 1, 'Text height', [0.2, 10]),
      mm('minTextHeight', 0.8, 'Smallest text', [0.1, 10]),
      mm('textStroke', 0.15, 'Text line', [0.02, 1]),
      mm('courtyardRounding', 0.1, 'Courtyard rounding', [0, 1]),
    ],
  },
  {
    id: 'assembly',
    title: 'Assembly',
    fields: [
      mm('placementTolerance', 0.05, 'Placement tolerance P'),
      mm('minStandoff', 0.05, 'Standoff over lands'),
      mm('solderThickness', 0.05, 'Solder under terminals', [0, 1]),
      mm('maxHeight', 0, 'Tallest part', [0, 500]),
      later(mm('minClearance', 0, 'Clearance under bodies')),
      later(mm('minProtrusion', 0.1, 'Lead protrusion, least', [0, 10])),
      later(mm('maxProtrusion', 2.5, 'Lead protrusion, most', [0, 30])),
    ],
  },
  {
    id: 'board',
    title: 'Board',
    fields: [
      mm('boardThickness', 1.6, 'Board thickness', [0.1, 10]),
      mm('copperThickness', 0.035, 'Copper thickness', [0.005, 0.5]),
      mm('maskThickness', 0.02, 'Mask thickness', [0, 0.2]),
      mm('legendThickness', 0.01, 'Legend thickness', [0, 0.2]),
      mm('edgeToCopper', 0.3, 'Edge to copper'),
      mm('edgeToHole', 0.5, 'Edge to hole'),
    ],
  },
  {
    id: 'voltage',
    title: 'Spacing by voltage',
    fields: [
      later(
        oneOf('spacingBy', 1, 'Held against', [
          [1, 'IPC-2221B, table 6-1'],
          [2, 'clearance and creepage, IEC 60664-1'],
          [3, 'both'],
        ]),
      ),
      later(
        oneOf('assemblyCoating', 0, 'Coating', [
          [0, 'none'],
          [1, 'conformal coating'],
        ]),
      ),
      later(
        oneOf('insulation', 1, 'Insulation', [
          [1, 'basic or functional'],
          [2, 'reinforced'],
        ]),
      ),
      later(
        oneOf('pollutionDegree', 2, 'Pollution degree', [
          [1, '1: dry and clean, sealed'],
          [2, '2: dust, now and then dew'],
          [3, '3: conducting dirt'],
        ]),
      ),
      later(
        oneOf('materialGroup', 3, 'Material group', [
          [1, 'I: CTI 600 and more'],
          [2, 'II: CTI 400 to 599'],
          [3, 'III: CTI 100 to 399, usual FR-4'],
        ]),
      ),
      later(
        oneOf('overvoltageCategory', 2, 'Overvoltages', [
          [0, 'none: kept away'],
          [1, 'category I: protected'],
          [2, 'category II: from a socket'],
          [3, 'category III: fixed wiring'],
          [4, 'category IV: at the meter'],
        ]),
      ),
      later(metres('altitude', 2000, 'Altitude', [0, 10_000])),
    ],
  },
];

/** The names of a process's numbers. */
export type NumberKey = (typeof GROUPS)[number]['fields'][number]['key'];

/** Fields under a heading. */
export interface ProcessFieldGroup {
  readonly id: string;
  readonly title: string;
  readonly fields: readonly ProcessField<NumberKey>[];
}

/** Every number of a process, in the order in which a shop's capability sheet lists them. */
export const PROCESS_FIELDS: readonly ProcessFieldGroup[] = GROUPS;

const ALL: readonly ProcessField<NumberKey>[] = PROCESS_FIELDS.flatMap(({ fields }) => fields);

/** Every field, in order. */
export function allFields(): readonly ProcessField<NumberKey>[] {
  return ALL;
}

/** The numbers of an ordinary shop. */
export const USUAL_NUMBERS = Object.fromEntries(ALL.map(({ key, usual }) => [key, usual])) as Readonly<
  Record<NumberKey, number>
>;
