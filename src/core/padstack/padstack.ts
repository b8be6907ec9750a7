import type { Figure, Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { PadVia, ViaCover } from './vias';
import type { Windows } from './windows';

export type { PadVia };

/** Openings of a land as margins, mm. */
export interface PadMargins {
  /** Growth of the mask opening over the copper; negative defines the land by mask. */
  readonly mask: number;
  /** Shrinkage of the paste opening inside the copper. */
  readonly paste: number;
}

/** Where a size of a padstack comes from. */
export type Source = 'land formulas' | 'package' | 'process' | 'house standard' | 'by rule' | 'set by hand';

/** The parts of a padstack that have a size of their own. */
export type StackPart =
  | 'copper'
  | 'other'
  | 'inner'
  | 'mask'
  | 'maskOther'
  | 'paste'
  | 'hole'
  | 'relief'
  | 'clearance'
  | 'vias';

/** A hole through the board; slots are oblong. */
export interface StackHole {
  readonly figure: Figure;
  readonly plated: boolean;
  /** Tolerance of the finished size, mm. */
  readonly plus: number;
  readonly minus: number;
}

/** Bridges between a land and the plane that it belongs to. mm */
export interface Relief {
  readonly inner: Figure;
  readonly outer: Figure;
  readonly spokes: number;
  readonly width: number;
}

/** Copper, openings and hole of one kind of land; figures lie about the terminal's or hole's centre. */
export interface Padstack {
  readonly name: string;
  readonly kind: StackKind;
  /** Land on the component side, moved by `offset`. */
  readonly copper: Figure;
  readonly offset: Point;
  /** Land on the far side and on inner layers; `null` without a hole. */
  readonly other: Figure | null;
  readonly inner: Figure | null;
  /** Mask openings of the component side, and spots of mask left inside them. */
  readonly mask: readonly Placed[];
  readonly islands: readonly Placed[];
  readonly maskOther: readonly Placed[];
  readonly paste: readonly Placed[];
  readonly margins: PadMargins;
  /** What ends the solderable land: its copper, an opening smaller than it, or openings in windows. */
  readonly definedBy: 'copper' | 'mask' | 'windows';
  readonly hole: StackHole | null;
  readonly relief: Relief | null;
  /** Clearance of planes of other nets; `null` where planes may run under the land. */
  readonly clearance: Figure | null;
  readonly vias: readonly PadVia[];
  /** How many vias that were asked for have no room on the land. */
  readonly viasMissing: number;
  readonly cover: ViaCover;
  /** How the paste was split; `null` where it was not. */
  readonly windows: Omit<Windows, 'windows'> | null;
  readonly sources: Readonly<Partial<Record<StackPart, Source>>>;
}

export type StackKind = 'surface' | 'given' | 'thermal' | 'probe' | 'pin';

/** What a land is by its package and the land formulas, before anything is chosen about its padstack. */
export interface StackBase {
  readonly kind: StackKind;
  readonly copper: Figure;
  readonly copperSource: Source;
  /** Finished hole, mm; `null` for a surface land. */
  readonly hole: number | null;
  /** Whole length of the slot that the part's drawing states. */
  readonly slot?: number;
  /** How land 1 is told from the others, where it is one. */
  readonly first?: 'square' | 'rounded';
  /** Vias that the part's drawing states. */
  readonly vias?: readonly PadVia[];
}
