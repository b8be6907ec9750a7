import type { GoalSize, LeadForm } from '../../core/standard/published';

// A joint cut through, drawn at one scale for every lead form: x runs outward along the span, y up, mm.
// The terminal's contact lies from 0 to `foot`; goals are what the land reaches beyond it.

type Corner = readonly [x: number, y: number];

interface Shape {
  /** Length of the contact. */
  readonly foot: number;
  /** The terminal, and the body above it. */
  readonly terminal: readonly Corner[];
  readonly body: readonly Corner[];
}

const block = (x0: number, y0: number, x1: number, y1: number): readonly Corner[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];

const LEAD = 0.16;

const GULL: Shape = {
  foot: 0.6,
  terminal: [
    [0.6, 0],
    [0.6, LEAD],
    [0.1, LEAD],
    [-0.1, 0.62],
    [-0.6, 0.62],
    [-0.6, 0.62 - LEAD],
    [-0.2, 0.62 - LEAD],
    [0, 0],
  ],
  body: block(-0.95, 0.12, -0.6, 1.05),
};

const END: Shape = {
  foot: 0.45,
  terminal: block(0, 0, 0.45, 0.6),
  body: block(-0.95, 0.03, 0, 0.57),
};

const UNDER: Shape = {
  foot: 0.5,
  terminal: block(0, 0, 0.5, 0.14),
  body: block(-0.95, 0.14, 0.5, 0.9),
};

const J: Shape = {
  foot: 0.5,
  terminal: [
    [0.5, 0.1],
    [0.5, 0.75],
    [0.1, 0.75],
    [0.1, 0.6],
    [0.35, 0.6],
    [0.35, 0.16],
    [0.05, 0.16],
    [0, 0.1],
    [0.1, 0],
    [0.42, 0],
  ],
  body: block(-0.95, 0.3, 0.1, 1.05),
};

const CAN: Shape = {
  foot: 0.6,
  terminal: block(-0.1, 0, 0.6, 0.12),
  body: block(-0.95, 0.14, 0.25, 1.1),
};

const SHAPES: Readonly<Record<LeadForm, Shape>> = {
  'gull-wing': GULL,
  'j-lead': J,
  'rectangular-end': END,
  'cylindrical-end': END,
  castellated: UNDER,
  'chip-array': END,
  'inward-formed': J,
  'flat-lug': CAN,
  'flat-lead': { ...CAN, body: block(-0.95, 0.05, -0.1, 0.7) },
  'no-lead': UNDER,
  'pulled-back': { ...UNDER, body: block(-0.95, 0.14, 0.75, 0.9) },
  'under-can': CAN,
};

/** The lead form that a row of goals is drawn with: rows of bands are drawn as their form. */
export function shapeOf(row: string): Shape {
  const form = Object.keys(SHAPES).find((one) => row === one || row.startsWith(`${one}-`)) as
    | LeadForm
    | undefined;
  return SHAPES[form ?? (row.startsWith('under') ? 'under-can' : 'gull-wing')];
}

/** Widest half of a terminal seen from its end. */
export const HALF_WIDTH = 0.2;

/** A dimension of the cut: from where to where. */
export interface CutDimension {
  readonly size: GoalSize;
  readonly from: number;
  readonly to: number;
}

/** The land of a cut, and the dimensions that are its goals. */
export function cutOf(foot: number, goals: Readonly<Record<GoalSize, number>>) {
  const land = [-goals.inner, foot + goals.outer] as const;
  const edge = Math.max(land[1], foot) + goals.courtyard;
  const dimensions: readonly CutDimension[] = [
    { size: 'inner', from: land[0], to: 0 },
    { size: 'outer', from: foot, to: land[1] },
    { size: 'courtyard', from: Math.max(land[1], foot), to: edge },
  ];
  return { land, edge, dimensions };
}
