import type { Finding } from '../document/finding';
import type { BoardKeepOutRead, CoverRead, PartRead, TrialDocument } from '../document/trial';
import type { Drawable, Footprint } from '../footprint/footprint';
import type { Placed } from '../geometry/figure';
import type { Placement } from '../geometry/placement';
import type { Process } from '../process/process';
import type { Board } from './board';

/** One part where it lies on the board: one of several where its row, array or corners make more of it. */
export interface PlacedPart {
  /** Id of the part in the document, and its place among several, such as `3.2`. */
  readonly id: string;
  readonly part: string;
  readonly reference: string;
  /** Key of its footprint among those of the trial. */
  readonly key: string;
  readonly placement: Placement;
  readonly compiled: Drawable;
  /** Where it lies: in the coordinates of the board. */
  readonly footprint: Footprint;
}

/** A cover over an area. mm */
export interface PlacedCover extends Pick<CoverRead, 'id' | 'why'> {
  readonly area: Placed;
  /** Underside over the laminate of its side. */
  readonly under: number;
  readonly far: boolean;
}

/** An area of the board that something stays out of. */
export interface BoardKeepOut extends Pick<BoardKeepOutRead, 'id' | 'why'> {
  readonly area: Placed;
  readonly what: NonNullable<BoardKeepOutRead['what']>;
  readonly side: NonNullable<BoardKeepOutRead['side']>;
}

/** Everything that follows from a trial. */
export interface CompiledTrial {
  readonly trial: TrialDocument;
  /** With the thickness of the board. */
  readonly process: Process;
  readonly board: Board;
  readonly parts: readonly PlacedPart[];
  /** How the parts were read, in the order of the document. */
  readonly read: readonly PartRead[];
  readonly covers: readonly PlacedCover[];
  readonly keepOuts: readonly BoardKeepOut[];
  /** Entries that cannot be used. */
  readonly problems: readonly Finding[];
}
