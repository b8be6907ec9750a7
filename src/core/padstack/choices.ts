import type { Contour } from '../geometry/contour';
import type { Corner } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { PasteForm } from './paste-forms';
import type { ViaCover } from './vias';

/** An opening as it was chosen: a margin, or a size, or closed. mm; `null` where nothing was chosen. */
export interface OpeningChoice {
  readonly margin: number | null;
  readonly width: number | null;
  readonly height: number | null;
  readonly none: boolean;
}

export type LandShape = 'rectangle' | 'rounded' | 'chamfered' | 'oblong' | 'round' | 'd-shape' | 'contour';

/** What was chosen about a padstack. Lengths in mm; `null` leaves the computed value. */
export interface StackChoices {
  readonly shape: LandShape | null;
  readonly width: number | null;
  readonly height: number | null;
  readonly radius: number | null;
  readonly chamfer: number | null;
  readonly corners: readonly Corner[] | null;
  readonly contour: Contour | null;
  readonly offset: Point;
  readonly definedBy: 'copper' | 'mask';
  readonly mask: OpeningChoice;
  readonly maskOther: OpeningChoice;
  readonly paste: OpeningChoice;
  readonly pasteForm: PasteForm;
  readonly hole: {
    readonly diameter: number | null;
    readonly slot: number | null;
    readonly plus: number | null;
    readonly minus: number | null;
    readonly plated: boolean;
  };
  readonly other: { readonly width: number | null; readonly height: number | null };
  readonly inner: number | null;
  readonly relief: {
    readonly on: boolean | null;
    readonly spokes: number | null;
    readonly width: number | null;
    readonly gap: number | null;
  };
  readonly clearance: number | null;
  readonly windows: {
    readonly columns: number | null;
    readonly rows: number | null;
    readonly coverage: number | null;
    readonly gap: number | null;
    readonly radius: number | null;
    readonly mask: boolean;
  };
  readonly vias: {
    readonly on: boolean;
    readonly pitch: number | null;
    readonly pitchY: number | null;
    readonly hole: number | null;
    readonly ring: number | null;
    readonly columns: number | null;
    readonly rows: number | null;
    readonly omit: ReadonlySet<string>;
    readonly cover: ViaCover;
  };
}

const NO_OPENING: OpeningChoice = { margin: null, width: null, height: null, none: false };

/** Nothing chosen: everything as computed. */
export const NO_STACK_CHOICES: StackChoices = {
  shape: null,
  width: null,
  height: null,
  radius: null,
  chamfer: null,
  corners: null,
  contour: null,
  offset: { x: 0, y: 0 },
  definedBy: 'copper',
  mask: NO_OPENING,
  maskOther: NO_OPENING,
  paste: NO_OPENING,
  pasteForm: 'as-land',
  hole: { diameter: null, slot: null, plus: null, minus: null, plated: true },
  other: { width: null, height: null },
  inner: null,
  relief: { on: null, spokes: null, width: null, gap: null },
  clearance: null,
  windows: { columns: null, rows: null, coverage: null, gap: null, radius: null, mask: false },
  vias: {
    on: false,
    pitch: null,
    pitchY: null,
    hole: null,
    ring: null,
    columns: null,
    rows: null,
    omit: new Set(),
    cover: 'open',
  },
};
