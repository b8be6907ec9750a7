import type { ReactNode } from 'react';
import type { PinNames } from '../../core/drawing/pin-names';
import type { Hideable } from '../../core/drawing/showing';
import type { Edit } from '../../core/document/edit';
import type { Finding, Stage } from '../../core/document/finding';
import type { Drawable, Footprint } from '../../core/footprint/footprint';
import type { Point } from '../../core/geometry/point';
import type { Letters } from '../../core/package/letters';
import type { DisplayUnit } from '../../core/units/length';
import type { Look } from '../turn/looks';
import type { View } from '../../core/package/lines';
import type { Area, Quadrant } from './layout';

/** A view as what lies over it sees it: its area, and where a point of it stands, px. */
export interface OverView {
  readonly view: View;
  readonly area: Area;
  readonly place: (p: Point) => Point;
}

/** What a Sheet shows. It knows nothing of where that comes from. */
export interface SheetView {
  /** What is drawn; nothing is drawn while there is no footprint. */
  readonly drawable: Drawable | null;
  /** Why this is not the footprint as it stands, in words, where it is not. */
  readonly note: string | null;
  /** Whose dimension lines are shown. */
  readonly stage: Stage;
  readonly unit: DisplayUnit;
  /** What dimensions are called where that is not their standard symbol. */
  readonly letters: Letters;
  readonly findings: readonly Finding[];
  /** A footprint whose lands are drawn dashed over these. */
  readonly preview: Footprint | null;
  /** Index of the selected land; the elevations are cut through it. */
  readonly selectedLand: number | null;
  readonly selectedFinding: number | null;
  readonly activeDimension: string | null;
  /** What is said of a thing while it is moved. */
  readonly moving: string | null;
  /** The quadrant that has the whole Sheet. */
  readonly whole: Quadrant | null;
  readonly fourth: 'title' | 'turn';
  /** What is left out of elevations and the 3D view. */
  readonly hidden: ReadonlySet<Hideable>;
  /** Whether the legend's texts are drawn in the plan. */
  readonly legendTexts: boolean;
  /** Where the names of pins stand. */
  readonly pinNames: PinNames;
  readonly look: Look;
  /** Wishes so far to see the whole drawing: with each the camera is fitted again. */
  readonly fits: number;
  /** What is drawn over the views, such as a ruler, and what stands beside it; `null` for nothing. */
  readonly overlay: ((views: readonly OverView[]) => ReactNode) | null;
  readonly panel: ReactNode;
  /** What lays a ruler, where there is one. */
  readonly ruler: { readonly on: boolean; readonly toggle: () => void } | null;
  /** The title block: names and values. */
  readonly title: readonly (readonly [name: string, value: string])[];
}

/** Where a dimension's value stands on the Sheet, px. */
export interface ValuePlace {
  readonly symbol: string;
  readonly at: Point;
  readonly onClose: () => void;
}

/** What a person can do on a Sheet. */
export interface SheetActions {
  readonly pressLand: (index: number | null) => void;
  readonly pointDimension: (symbol: string | null) => void;
  readonly openFinding: (index: number) => void;
  readonly divide: (part: { readonly whole?: Quadrant | null; readonly fourth?: 'title' | 'turn' }) => void;
  /** Writes what a drag in an elevation moved; drags pan where it is missing. */
  readonly drag?: (edits: readonly Edit[], gesture: string) => void;
  /** Takes hold of what lies at a point of the plan; `null` where a drag pans. Told how far it is moved, mm, and within which reach it snaps. */
  readonly hold?: (point: Point) => ((by: Point, reach: number) => void) | null;
  /** What is held is let go. */
  readonly letGo?: () => void;
  /** The field that opens where a dimension's value stands; `null` where it can only be read. */
  readonly field?: (symbol: string) => ((place: ValuePlace) => ReactNode) | null;
}
