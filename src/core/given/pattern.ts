import type { Contour } from '../geometry/contour';
import type { Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Polygon, Polyline } from '../geometry/polygon';
import type { UNSAID } from '../document/pieces';
import type { KeepOutIntent, KeptFree, PinIntent } from '../document/document';

/**
 * A land as a file gives it: what is seen, with nothing reckoned. mm, seen from the component side.
 * What the file does not say is missing; what it says there is none of is empty.
 */
export interface GivenLand {
  /** Empty where the file has none. */
  readonly number: string;
  readonly copper: Placed;
  /** On the far side alone, as the far row of a card edge is. */
  readonly far?: true;
  /** Openings in the mask over it; missing where the file says nothing of mask. */
  readonly mask?: readonly Placed[];
  /** Openings in the mask of the far side, where its hole comes out. */
  readonly maskOther?: readonly Placed[];
  /** Openings in the stencil; missing where the file says nothing of paste. */
  readonly paste?: readonly Placed[];
  readonly hole?: GivenHole;
  /** Copper round its hole on the far side and on inner layers, where it is another. */
  readonly other?: Placed;
  readonly inner?: Placed;
  /** What planes of other nets leave free round it. */
  readonly clearance?: Placed;
  readonly vias?: readonly GivenVia[];
}

export interface GivenHole {
  readonly hole: Placed;
  readonly plated: boolean;
  readonly plus?: number;
  readonly minus?: number;
}

export interface GivenVia extends Point {
  readonly hole: number;
  readonly land: number;
}

/** An area that something stays out of. */
export interface GivenArea {
  readonly area: Placed;
  readonly what?: KeptFree;
  readonly side?: KeepOutIntent['side'];
  readonly why?: string;
}

/** Printed lines and the mark of terminal 1. */
export interface GivenLegend {
  readonly width: number;
  readonly lines: readonly Polyline[];
  readonly pin1?: Polygon;
  /** Whether reference and value are among its lines. */
  readonly withTexts?: boolean;
}

/** A land pattern as a file gives it, about the file's own origin. mm */
export interface GivenPattern {
  readonly name: string;
  /** Which file it comes from, and where in it. */
  readonly from: string;
  readonly lands: readonly GivenLand[];
  /** Holes without copper. */
  readonly holes: readonly Placed[];
  /** Openings in the mask that lie over several lands, or over none. */
  readonly windows?: readonly Placed[];
  readonly body?: Contour;
  /** Top of the body over its seating plane, at most. */
  readonly height?: number;
  readonly courtyard?: Polygon;
  readonly legend?: GivenLegend;
  readonly areas?: readonly GivenArea[];
  /** The edge of the board: a point of it, and to which side the board ends. */
  readonly edge?: { readonly at: Point; readonly side: 'left' | 'right' | 'up' | 'down' };
  readonly pins?: readonly PinIntent[];
  /** What its file has no place for. */
  readonly unsaid?: readonly (typeof UNSAID)[number][];
  /** What was not understood or not kept of it, in words. */
  readonly left: readonly string[];
}

/** What a file holds. */
export interface GivenFile {
  readonly patterns: readonly GivenPattern[];
  /** What was not understood of the file beside its patterns, in words. */
  readonly left: readonly string[];
}

/** Most lands that are taken of one pattern. */
export const MOST_LANDS = 5000;
