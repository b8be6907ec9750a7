/** One number of a process as it is listed, edited and explained. */
export interface ProcessField<K extends string = string> {
  readonly key: K;
  /** What an ordinary two-sided shop holds: the number of the standard process. */
  readonly usual: number;
  readonly title: string;
  /** What it means and where it works, in a sentence. */
  readonly help: string;
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
  [key, usual, title, help, limits]: readonly [K, number, string, string, Limits],
): ProcessField<K> {
  return { key, usual, title, help, unit, limits };
}

const mm = <K extends string>(key: K, usual: number, title: string, help: string, limits: Limits = [0, 5]) =>
  field('mm', [key, usual, title, help, limits]);
const share = <K extends string>(key: K, usual: number, title: string, help: string) =>
  field('share', [key, usual, title, help, [0, 1]]);
const metres = <K extends string>(key: K, usual: number, title: string, help: string, limits: Limits) =>
  field('m', [key, usual, title, help, limits]);
/** One out of a few, each known by a number. */
const oneOf = <K extends string>(
  key: K,
  usual: number,
  title: string,
  help: string,
  words: readonly (readonly [number, string])[],
): ProcessField<K> => {
  const numbers = words.map(([number]) => number);
  return {
    ...field('count', [key, usual, title, help, [Math.min(...numbers), Math.max(...numbers)]]),
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
      mm(
        'fabricationTolerance',
        0.1,
        'Fabrication tolerance F',
        'Total spread of an etched land; under the root in the land formulas (IPC-7351B, 3.1).',
      ),
      mm(
        'minGap',
        0.15,
        'Smallest gap',
        'Between copper of neighbouring lands; trims and the gap rules hold it.',
      ),
      mm('minWidth', 0.15, 'Narrowest copper', 'Lands narrower than this etch away.'),
      mm('minHoleToLand', 0.25, 'Hole to other land', 'From the wall of a hole to copper of another land.'),
      mm(
        'rounding',
        0.05,
        'Rounding of lands',
        'X, Y and C/2 to the nearest multiple; 0 leaves them.',
        [0, 0.5],
      ),
      mm('smallRounding', 0.02, 'Rounding, small chips', 'The same below 1608 metric.', [0, 0.5]),
      mm(
        'centreGrid',
        0.005,
        'Grid of centres',
        'Land centres lie on multiples of this; 0 asks for none.',
        [0, 1],
      ),
    ],
  },
  {
    id: 'holes',
    title: 'Holes',
    fields: [
      mm(
        'drillStep',
        0.05,
        'Drill step',
        'Finished holes round up to a multiple, where no drills are listed.',
        [0, 1],
      ),
      mm('drillWander', 0.05, 'Drill wander', 'How far a hole may lie from the middle of its land.', [0, 1]),
      mm(
        'minRing',
        0.05,
        'Smallest ring',
        'Copper left round a plated hole after the drill has wandered.',
        [0, 2],
      ),
      mm('minHoleWeb', 0.25, 'Web between holes', 'Laminate left between the walls of two holes.'),
      field('ratio', [
        'maxHoleAspect',
        8,
        'Hole aspect ratio',
        'Board thickness over the diameter of a plated hole, at most: deeper holes plate badly.',
        [1, 40],
      ]),
      mm('viaHole', 0.3, 'Via in a land, hole', 'Finished hole of thermal vias.', [0.05, 2]),
      mm('viaRing', 0.1, 'Via in a land, ring', 'Copper round a thermal via.', [0.02, 2]),
      mm('viaMargin', 0.1, 'Paste to via', 'Paste windows keep this from the copper of open vias.', [0, 2]),
      field('count', [
        'reliefSpokes',
        4,
        'Relief spokes',
        'Number of bridges between a plated hole and its plane.',
        [0, 8],
      ]),
      mm('reliefWidth', 0.25, 'Relief spoke width', 'Width of one bridge.'),
      mm('reliefGap', 0.25, 'Relief gap', 'Between the land and the plane round it.'),
      mm('planeClearance', 0.25, 'Plane to land', 'Planes of other nets keep this from a land.'),
      mm('holeClearance', 0.3, 'Plane to hole', 'Planes of other nets keep this from the wall of a hole.'),
    ],
  },
  {
    id: 'mask',
    title: 'Mask',
    fields: [
      mm('maskMargin', 0.05, 'Mask margin', 'Growth of an opening over its land, on each side.', [-1, 2]),
      mm('minMaskWeb', 0.1, 'Web between openings', 'Narrower mask between two openings flakes off.'),
    ],
  },
  {
    id: 'paste',
    title: 'Paste',
    fields: [
      mm(
        'stencilThickness',
        0.12,
        'Stencil thickness',
        'The foil; area and aspect ratio are held against it.',
        [0.02, 1],
      ),
      mm(
        'pasteMargin',
        0,
        'Paste margin',
        'Shrinkage of an aperture inside its land, on each side.',
        [-1, 2],
      ),
      share('pasteTransfer', 1, 'Transfer', 'Share of the aperture’s volume that ends up on the land.'),
      share('pasteMetal', 0.5, 'Metal share', 'Share of the paste’s volume that is solder after reflow.'),
      share('thermalCoverage', 0.6, 'Coverage, aim', 'Share of an exposed pad that its windows cover.'),
      share('minCoverage', 0.5, 'Coverage, least', 'Below it the pad keeps voids and carries heat badly.'),
      share('maxCoverage', 0.8, 'Coverage, most', 'Above it the part floats and its terminals stay open.'),
      mm('windowGap', 0.2, 'Bar between windows', 'The stencil keeps bars no narrower than this.', [0.05, 2]),
      mm(
        'windowRadius',
        0.06,
        'Window radius',
        'Corner radius of paste windows; round corners release better.',
        [0, 1],
      ),
    ],
  },
  {
    id: 'legend',
    title: 'Legend',
    fields: [
      mm('legendWidth', 0.12, 'Legend line', 'Width of outlines and marks.', [0.05, 1]),
      mm('minLegendWidth', 0.1, 'Thinnest line', 'What still prints.', [0.02, 1]),
      mm('legendGap', 0.15, 'Legend to opening', 'Clearance from lands and mask openings.'),
      mm('textHeight', 1, 'Text height', 'Capitals of reference and value.', [0.2, 10]),
      mm('minTextHeight', 0.8, 'Smallest text', 'What can still be read.', [0.1, 10]),
      mm(
        'textStroke',
        0.15,
        'Text line',
        'Width of the single stroke that letters are drawn with.',
        [0.02, 1],
      ),
      mm(
        'courtyardRounding',
        0.1,
        'Courtyard rounding',
        'Sides round outward to a multiple; 0 leaves them.',
        [0, 1],
      ),
    ],
  },
  {
    id: 'assembly',
    title: 'Assembly',
    fields: [
      mm(
        'placementTolerance',
        0.05,
        'Placement tolerance P',
        'Total spread of placement; under the root in the land formulas.',
      ),
      mm(
        'minStandoff',
        0.05,
        'Standoff over lands',
        'Lands stay out from under bodies that sit lower than this.',
      ),
      mm(
        'solderThickness',
        0.05,
        'Solder under terminals',
        'Between land and terminal after reflow.',
        [0, 1],
      ),
      mm('maxHeight', 0, 'Tallest part', 'Top of the body above the laminate; 0 asks for none.', [0, 500]),
      later(
        mm(
          'minClearance',
          0,
          'Clearance under bodies',
          'Laminate to underside, for cleaning; 0 asks for none.',
        ),
      ),
      later(
        mm(
          'minProtrusion',
          0.1,
          'Lead protrusion, least',
          'Leads that the inspector must see below the board.',
          [0, 10],
        ),
      ),
      later(
        mm(
          'maxProtrusion',
          2.5,
          'Lead protrusion, most',
          'Leads below the board that need no trimming.',
          [0, 30],
        ),
      ),
    ],
  },
  {
    id: 'board',
    title: 'Board',
    fields: [
      mm('boardThickness', 1.6, 'Board thickness', 'Laminate, without copper.', [0.1, 10]),
      mm('copperThickness', 0.035, 'Copper thickness', 'Finished copper on the outer layers.', [0.005, 0.5]),
      mm('maskThickness', 0.02, 'Mask thickness', 'On laminate and on copper.', [0, 0.2]),
      mm('legendThickness', 0.01, 'Legend thickness', 'On the mask.', [0, 0.2]),
      mm('edgeToCopper', 0.3, 'Edge to copper', 'From the board’s edge to any land.'),
      mm('edgeToHole', 0.5, 'Edge to hole', 'From the board’s edge to the wall of any hole.'),
    ],
  },
  {
    id: 'voltage',
    title: 'Spacing by voltage',
    fields: [
      later(
        oneOf(
          'spacingBy',
          1,
          'Held against',
          'The tables that lands of different potential are held against.',
          [
            [1, 'IPC-2221B, table 6-1'],
            [2, 'clearance and creepage, IEC 60664-1'],
            [3, 'both'],
          ],
        ),
      ),
      later(
        oneOf('assemblyCoating', 0, 'Coating', 'Over the soldered assembly; the mask alone covers no land.', [
          [0, 'none'],
          [1, 'conformal coating'],
        ]),
      ),
      later(
        oneOf('insulation', 1, 'Insulation', 'What the distance protects: reinforced doubles creepage.', [
          [1, 'basic or functional'],
          [2, 'reinforced'],
        ]),
      ),
      later(
        oneOf('pollutionDegree', 2, 'Pollution degree', 'How dirty and damp the board gets in its place.', [
          [1, '1: dry and clean, sealed'],
          [2, '2: dust, now and then dew'],
          [3, '3: conducting dirt'],
        ]),
      ),
      later(
        oneOf('materialGroup', 3, 'Material group', 'By the laminate’s comparative tracking index.', [
          [1, 'I: CTI 600 and more'],
          [2, 'II: CTI 400 to 599'],
          [3, 'III: CTI 100 to 399, usual FR-4'],
        ]),
      ),
      later(
        oneOf('overvoltageCategory', 2, 'Overvoltages', 'Impulses that clearances have to withstand.', [
          [0, 'none: kept away'],
          [1, 'category I: protected'],
          [2, 'category II: from a socket'],
          [3, 'category III: fixed wiring'],
          [4, 'category IV: at the meter'],
        ]),
      ),
      later(
        metres(
          'altitude',
          2000,
          'Altitude',
          'Of use, at most: thin air asks for longer clearances.',
          [0, 10_000],
        ),
      ),
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
