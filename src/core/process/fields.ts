import type { ProcessNumbers } from './process';

/** One number of a process as it is listed, edited and explained. */
export interface ProcessField {
  readonly key: keyof ProcessNumbers;
  readonly title: string;
  /** What it means and where it works, in a sentence. */
  readonly help: string;
  readonly unit: 'mm' | 'share' | 'ratio' | 'count';
  /** Smallest and largest value that can be meant. */
  readonly limits: readonly [number, number];
}

export interface ProcessFieldGroup {
  readonly title: string;
  readonly fields: readonly ProcessField[];
}

const mm = (
  key: keyof ProcessNumbers,
  title: string,
  help: string,
  limits: readonly [number, number] = [0, 5],
): ProcessField => ({ key, title, help, unit: 'mm', limits });

const share = (key: keyof ProcessNumbers, title: string, help: string): ProcessField => ({
  key,
  title,
  help,
  unit: 'share',
  limits: [0, 1],
});

/** Every number of a process, in the order in which a shop's capability sheet lists them. */
export const PROCESS_FIELDS: readonly ProcessFieldGroup[] = [
  {
    title: 'Copper',
    fields: [
      mm(
        'fabricationTolerance',
        'Fabrication tolerance F',
        'Total spread of an etched land; under the root in the land formulas (IPC-7351B, 3.1).',
      ),
      mm('minGap', 'Smallest gap', 'Between copper of neighbouring lands; trims and the gap rules hold it.'),
      mm('minWidth', 'Narrowest copper', 'Lands narrower than this etch away.'),
      mm('minHoleToLand', 'Hole to other land', 'From the wall of a hole to copper of another land.'),
      mm('rounding', 'Rounding of lands', 'X, Y and C/2 to the nearest multiple; 0 leaves them.', [0, 0.5]),
      mm('smallRounding', 'Rounding, small chips', 'The same below 1608 metric.', [0, 0.5]),
      mm('centreGrid', 'Grid of centres', 'Land centres lie on multiples of this; 0 asks for none.', [0, 1]),
    ],
  },
  {
    title: 'Holes',
    fields: [
      mm(
        'drillStep',
        'Drill step',
        'Finished holes round up to a multiple, where no drills are listed.',
        [0, 1],
      ),
      mm('drillWander', 'Drill wander', 'How far a hole may lie from the middle of its land.', [0, 1]),
      mm('minRing', 'Smallest ring', 'Copper left round a plated hole after the drill has wandered.', [0, 2]),
      mm('minHoleWeb', 'Web between holes', 'Laminate left between the walls of two holes.'),
      {
        key: 'maxHoleAspect',
        title: 'Hole aspect ratio',
        help: 'Board thickness over the diameter of a plated hole, at most: deeper holes plate badly.',
        unit: 'ratio',
        limits: [1, 40],
      },
      mm('viaHole', 'Via in a land, hole', 'Finished hole of thermal vias.', [0.05, 2]),
      mm('viaRing', 'Via in a land, ring', 'Copper round a thermal via.', [0.02, 2]),
      mm('viaMargin', 'Paste to via', 'Paste windows keep this from the copper of open vias.', [0, 2]),
      {
        key: 'reliefSpokes',
        title: 'Relief spokes',
        help: 'Number of bridges between a plated hole and its plane.',
        unit: 'count',
        limits: [0, 8],
      },
      mm('reliefWidth', 'Relief spoke width', 'Width of one bridge.'),
      mm('reliefGap', 'Relief gap', 'Between the land and the plane round it.'),
      mm('planeClearance', 'Plane to land', 'Planes of other nets keep this from a land.'),
      mm('holeClearance', 'Plane to hole', 'Planes of other nets keep this from the wall of a hole.'),
    ],
  },
  {
    title: 'Mask',
    fields: [
      mm('maskMargin', 'Mask margin', 'Growth of an opening over its land, on each side.', [-1, 2]),
      mm('minMaskWeb', 'Web between openings', 'Narrower mask between two openings flakes off.'),
    ],
  },
  {
    title: 'Paste',
    fields: [
      mm(
        'stencilThickness',
        'Stencil thickness',
        'The foil; area and aspect ratio are held against it.',
        [0.02, 1],
      ),
      mm('pasteMargin', 'Paste margin', 'Shrinkage of an aperture inside its land, on each side.', [-1, 2]),
      share('pasteTransfer', 'Transfer', 'Share of the aperture’s volume that ends up on the land.'),
      share('pasteMetal', 'Metal share', 'Share of the paste’s volume that is solder after reflow.'),
      share('thermalCoverage', 'Coverage, aim', 'Share of an exposed pad that its windows cover.'),
      share('minCoverage', 'Coverage, least', 'Below it the pad keeps voids and carries heat badly.'),
      share('maxCoverage', 'Coverage, most', 'Above it the part floats and its terminals stay open.'),
      mm('windowGap', 'Bar between windows', 'The stencil keeps bars no narrower than this.', [0.05, 2]),
      mm(
        'windowRadius',
        'Window radius',
        'Corner radius of paste windows; round corners release better.',
        [0, 1],
      ),
    ],
  },
  {
    title: 'Legend',
    fields: [
      mm('legendWidth', 'Legend line', 'Width of outlines and marks.', [0.05, 1]),
      mm('minLegendWidth', 'Thinnest line', 'What still prints.', [0.02, 1]),
      mm('legendGap', 'Legend to opening', 'Clearance from lands and mask openings.'),
      mm('textHeight', 'Text height', 'Capitals of reference and value.', [0.2, 10]),
      mm('minTextHeight', 'Smallest text', 'What can still be read.', [0.1, 10]),
      mm('textStroke', 'Text line', 'Width of the single stroke that letters are drawn with.', [0.02, 1]),
      mm(
        'courtyardRounding',
        'Courtyard rounding',
        'Sides round outward to a multiple; 0 leaves them.',
        [0, 1],
      ),
    ],
  },
  {
    title: 'Assembly',
    fields: [
      mm(
        'placementTolerance',
        'Placement tolerance P',
        'Total spread of placement; under the root in the land formulas.',
      ),
      mm('minStandoff', 'Standoff over lands', 'Lands stay out from under bodies that sit lower than this.'),
      mm('solderThickness', 'Solder under terminals', 'Between land and terminal after reflow.', [0, 1]),
      mm('maxHeight', 'Tallest part', 'Top of the body above the laminate; 0 asks for none.', [0, 500]),
      mm('minClearance', 'Clearance under bodies', 'Laminate to underside, for cleaning; 0 asks for none.'),
      mm(
        'minProtrusion',
        'Lead protrusion, least',
        'Leads that the inspector must see below the board.',
        [0, 10],
      ),
      mm('maxProtrusion', 'Lead protrusion, most', 'Leads below the board that need no trimming.', [0, 30]),
    ],
  },
  {
    title: 'Board',
    fields: [
      mm('boardThickness', 'Board thickness', 'Laminate, without copper.', [0.1, 10]),
      mm('copperThickness', 'Copper thickness', 'Finished copper on the outer layers.', [0.005, 0.5]),
      mm('maskThickness', 'Mask thickness', 'On laminate and on copper.', [0, 0.2]),
      mm('legendThickness', 'Legend thickness', 'On the mask.', [0, 0.2]),
      mm('edgeToCopper', 'Edge to copper', 'From the board’s edge to any land.'),
      mm('edgeToHole', 'Edge to hole', 'From the board’s edge to the wall of any hole.'),
    ],
  },
];

const ALL: readonly ProcessField[] = PROCESS_FIELDS.flatMap(({ fields }) => fields);

/** Every field, in order. */
export function allFields(): readonly ProcessField[] {
  return ALL;
}
