import type { Figure } from '../geometry/figure';
import type { Point, Quarter } from '../geometry/point';
import type { Toleranced } from '../units/toleranced';

/** The lead forms that the solder joint goals distinguish. */
export type TerminalForm =
  | 'gull-wing'
  | 'j-lead'
  | 'rectangular-end'
  | 'cylindrical-end'
  | 'castellated'
  | 'chip-array'
  | 'inward-formed'
  | 'flat-lug'
  | 'flat-lead'
  | 'no-lead'
  | 'pulled-back'
  | 'under-can';

/** What lies under a package without a span to solve: grids and exposed pads; and lands for probes. */
export type SpotForm =
  'collapsing-ball' | 'non-collapsing-ball' | 'column' | 'land-grid' | 'thermal' | 'probe';

/** What all terminals of a package have in common: their order and the name of their place. */
interface AnyPlace {
  /** Counter-clockwise from 1 over the whole package, or row by row; the default land number. */
  readonly position: number;
  /** The number that the family's own scheme gives, such as a grid's letter and digit. */
  readonly number?: string;
}

/** One terminal of a span: which end of it, and how far along the row. */
export interface TerminalPlace extends AnyPlace {
  /** −1 at the low end of the span's axis, +1 at the high end. */
  readonly side: -1 | 1;
  /** Offset across the span from the middle, mm. */
  readonly along: number;
}

/** One terminal by its place under the package. */
export interface Spot extends AnyPlace {
  readonly at: Point;
  readonly rotation: Quarter;
}

interface AnyGroup {
  readonly id: string;
  /** What the group is called where a package has several. */
  readonly title: string;
}

/**
 * Terminals that share one span and one size, and so one solution of the land formulas:
 * the two ends of a chip, the two rows of a dual package. Lengths in mm.
 */
export interface SpanGroup extends AnyGroup {
  readonly kind: 'span';
  readonly form: TerminalForm;
  /** Direction of the span. */
  readonly axis: 'x' | 'y';
  /** L: outer to outer over the terminals. */
  readonly span: Toleranced;
  /** T: terminal length along the span. */
  readonly length: Toleranced;
  /** W: terminal width across the span. */
  readonly width: Toleranced;
  /** Centre distance of neighbours in a row; `null` for single terminals. */
  readonly pitch: number | null;
  /** The body between the terminals that lands could run under; `null` where they belong under it. */
  readonly body: { readonly size: Toleranced; readonly standoff: Toleranced } | null;
  /** Height of the body, where the goals depend on it. */
  readonly height?: number;
  /** Terminals whose inner end is round; sharp where it is missing. */
  readonly innerEnd?: 'round' | 'rounded' | 'chamfered';
  readonly places: readonly TerminalPlace[];
}

/** Terminals under the package that take a land by a table, or one of their own size. */
export interface SpotGroup extends AnyGroup {
  readonly kind: 'spot';
  readonly form: SpotForm;
  /** The terminal at least, nominal and most material. */
  readonly contact: { readonly min: Figure; readonly nom: Figure; readonly max: Figure };
  /** Smallest centre distance of neighbours; `null` for single terminals. */
  readonly pitch: number | null;
  readonly places: readonly Spot[];
}

/** The cross-section of a lead that goes through the board, mm. */
export interface PinSection {
  readonly shape: 'round' | 'rectangle';
  /** Diameter, or the larger side. */
  readonly width: Toleranced;
  /** The other side of a rectangle; the diameter again where it is round. */
  readonly thickness: Toleranced;
}

/** Leads that go through plated holes. */
export interface PinGroup extends AnyGroup {
  readonly kind: 'pin';
  readonly lead: PinSection;
  /** Centre distances to the nearest neighbours along x and y; `null` where there is none. */
  readonly pitch: { readonly x: number | null; readonly y: number | null };
  /** A hole and land that the part's drawing states itself, as for a mounting hole. mm */
  readonly stated?: { readonly hole: number; readonly land: number };
  /** Small plated holes in the land, about its centre. mm */
  readonly vias?: readonly (Point & { readonly hole: number; readonly land: number })[];
  readonly places: readonly Spot[];
}

/** Terminals that share one solution. */
export type TerminalGroup = SpanGroup | SpotGroup | PinGroup;

/** A hole without copper: a screw or a locating peg goes through it. mm */
export interface Bore {
  readonly at: Point;
  readonly diameter: number;
}

/** An area that something has to stay out of, on the component side or both. */
export interface KeepOut {
  readonly figure: Figure;
  readonly at: Point;
  readonly rotation: Quarter;
  readonly why: string;
}
