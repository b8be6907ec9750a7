import type { Box } from '../geometry/box';
import type { Point } from '../geometry/point';
import type { Waiver } from './document';
import type { Edit } from './edit';
import type { Stage } from './stage';

/** `stop`: the part will not work or cannot be made; `caution`: look; `note`: know. */
export type Severity = 'stop' | 'caution' | 'note';

/** Rule id of findings about dimensions that were not entered yet. */
export const MISSING = 'missing';

export type { Stage };

/** A change that would mend a finding, as edits of the document, and what it does in words. */
export interface Remedy {
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** Where a finding lies: what to point a balloon at and what to light up. */
export interface Place {
  readonly at?: Point;
  readonly box?: Box;
  /** What its lands are known by, such as `rows/3`. */
  readonly lands?: readonly string[];
  /** Placed parts of a trial that it speaks of, by their ids. */
  readonly parts?: readonly string[];
  /** Id of the second source that it speaks of; the first where it is missing. */
  readonly alternate?: string;
  /** Symbols of the dimensions that it speaks of. */
  readonly dimensions?: readonly string[];
  /** The way that was measured, from one thing to the other. */
  readonly way?: readonly Point[];
  /** JSON pointer of the entry that it speaks of. */
  readonly field?: string;
}

/** What was measured against what limit; lengths in mm. */
export interface Measured {
  readonly value: number;
  readonly limit: number;
  readonly unit: 'mm' | 'mm²' | 'ratio' | 'share' | 'count';
}

/** Something a person should know about the footprint, with its proof and its mend. */
export interface Finding {
  readonly rule: string;
  readonly severity: Severity;
  readonly title: string;
  readonly message: string;
  readonly source: string;
  readonly stage: Stage;
  readonly place: Place;
  readonly measured?: Measured;
  readonly remedies: readonly Remedy[];
  /** Under which a waiver of it is kept. */
  readonly key?: string;
  /** A waiver that no longer holds because it got worse. */
  readonly lapsed?: Waiver;
}
