import type { KeepOutIntent, KeptFree } from '../document/document';
import type { Figure } from '../geometry/figure';
import { HOME, putAngle, putPoint, turned, type Placement } from '../geometry/placement';
import { isQuarter, type Point } from '../geometry/point';
import type { LeadForm } from '../standard/published';
import type { Toleranced } from '../units/toleranced';

/** The lead forms that the solder joint goals distinguish. */
export type TerminalForm = LeadForm;

/**
 * What lies under a package without a span to solve: grids and exposed pads; lands for probes; and
 * lands as somebody gives them, of whose terminals nothing is known.
 */
export type SpotForm =
  | 'collapsing-ball'
  | 'non-collapsing-ball'
  | 'column'
  | 'land-grid'
  | 'thermal'
  | 'probe'
  | 'given';

/** What all terminals of a package have in common. */
interface AnyPlace {
  /** Where it comes when the package counts its terminals, from 1: round the part, or row by row. */
  readonly order: number;
  /** The number that the package's own scheme gives, such as a grid's letter and digit; none where it is empty. */
  readonly number?: string;
  /** Its number is that of other terminals too. */
  readonly shared?: true;
  /** What it is known by in its group; its number, or its place in the group, where it is missing. */
  readonly id?: string;
  /** Where the terminal is counted that this one is one piece of metal with, and whose number it carries. */
  readonly joins?: number;
}

/** One terminal of a span in its group's frame: which end of it, and how far along the row. */
export interface TerminalPlace extends AnyPlace {
  /** −1 at the low end of the frame's x axis, +1 at the high end. */
  readonly end: -1 | 1;
  /** Offset across the span from the middle, along the frame's y axis. mm */
  readonly along: number;
  /** How far it stands out beyond the others of its row, along the span. mm */
  readonly out?: number;
}

/** One terminal by its place in its group's frame. */
export interface Spot extends AnyPlace {
  readonly at: Point;
  /** Degrees counter-clockwise. */
  readonly rotation: number;
}

interface AnyGroup {
  /** What its lands and everything chosen for them are known by. */
  readonly id: string;
  /** What the group is called where a package has several. */
  readonly title: string;
  /** Where the group stands on the package, at any angle and on either side of the board. */
  readonly frame: Placement;
  /** By how much its terminals may lie off their places, along the frame's axes; nothing where it is missing. */
  readonly position?: PositionTolerance;
}

/** The whole range over which a place may lie along two axes, mm. */
export interface PositionTolerance {
  /** As the root of the sum of squares. */
  readonly x: number;
  readonly y: number;
  /** With every length of the chain at its limit, along either axis. */
  readonly worst: number;
}

/**
 * Terminals that share one span and one size, and so one solution of the land formulas: the two
 * ends of a chip, the two rows of a dual package, or a row that stands alone. The span runs along
 * the frame's x axis, its middle at the frame's origin. Lengths in mm.
 */
export interface SpanGroup extends AnyGroup {
  readonly kind: 'span';
  readonly form: TerminalForm;
  /** L: outer to outer over the terminals. */
  readonly span: Toleranced;
  /** T: terminal length along the span. */
  readonly length: Toleranced;
  /** W: terminal width across the span. */
  readonly width: Toleranced;
  /** S: distance between the terminals, where the datasheet gives it. */
  readonly inside?: Toleranced;
  /** Centre distance of neighbours in a row; `null` for single terminals. */
  readonly pitch: number | null;
  /** The body between the terminals that lands could run under; `null` where they belong under it. */
  readonly body: { readonly size: Toleranced; readonly standoff: Toleranced } | null;
  /** Height of the body, where the goals depend on it. */
  readonly height?: number;
  /** A row that stands alone: its span is nothing that a part has, only where the frame's origin was put. */
  readonly lone?: true;
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
  /** Small plated holes in a given land, about its centre. mm */
  readonly vias?: PinGroup['vias'];
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
  /** Centre distances to the nearest neighbours along the frame's x and y; `null` where there is none. */
  readonly pitch: { readonly x: number | null; readonly y: number | null };
  /** Across the thicker part of the leads, which stands on the board; they end there where it is missing. */
  readonly shoulder?: Toleranced;
  /** A hole and land that the part's drawing states itself, as for a mounting hole. mm */
  readonly stated?: { readonly hole: number; readonly land: number; readonly slot?: number };
  /** Nothing is known of its leads: holes and lands are as they are given. */
  readonly bare?: true;
  /** Small plated holes in the land, about its centre. mm */
  readonly vias?: readonly (Point & { readonly hole: number; readonly land: number })[];
  readonly places: readonly Spot[];
}

/** Terminals that share one solution. */
export type TerminalGroup = SpanGroup | SpotGroup | PinGroup;

/** A hole without copper: a screw or a locating peg goes through it, or the board is cut out. mm */
export interface Bore {
  readonly at: Point;
  /** Across its narrow side where it is not round. */
  readonly diameter: number;
  /** A slot or a cut-out, and how it is turned, degrees counter-clockwise; round where it is missing. */
  readonly shape?: { readonly figure: Figure; readonly rotation: number };
  /** What goes through it, and over which range its place may lie. */
  readonly peg?: { readonly diameter: Toleranced; readonly off: number; readonly worst: number };
}

/** An opening in the solder mask that belongs to no land. */
export interface MaskWindow {
  readonly figure: Figure;
  readonly at: Point;
  readonly rotation: number;
  /** In the mask of the far side. */
  readonly far: boolean;
}

/** The edge of the board where the part's drawing shows it: a point of it, and to which side the board ends. */
export interface DrawnEdge {
  readonly at: Point;
  readonly side: 'left' | 'right' | 'top' | 'bottom';
}

/** An area that something has to stay out of: other parts on the component side unless it says more. */
export interface KeepOut {
  readonly figure: Figure;
  readonly at: Point;
  readonly rotation: number;
  readonly why: string;
  readonly what?: KeptFree;
  readonly side?: KeepOutIntent['side'];
}

/** The frame of a group that stands as it is drawn. */
export { HOME };

/** The frame of a group whose span runs upright: its low end is at the bottom. */
export const UPRIGHT: Placement = turned(90);

/** Which axis of the package a group's span runs along; `null` at other angles. */
export function axisOf({ frame: { angle } }: TerminalGroup): 'x' | 'y' | null {
  return isQuarter(angle) ? (angle % 180 === 0 ? 'x' : 'y') : null;
}

/** The direction that a terminal of a span points to, away from the middle; degrees counter-clockwise. */
export function outwardOf({ frame }: SpanGroup, { end }: TerminalPlace): number {
  return putAngle(frame, end === 1 ? 0 : 180);
}

/** Where a terminal is on the package: the outer end of a span's, the middle of any other. mm */
export function terminalAt(group: TerminalGroup, place: TerminalPlace | Spot): Point {
  if ('at' in place) return putPoint(group.frame, place.at);
  const out = (group.kind === 'span' ? group.span.nom / 2 : 0) + (place.out ?? 0);
  return putPoint(group.frame, { x: place.end * out, y: place.along });
}

/**
 * What a land is known by: its group and its place in it, such as `rows/3`, or the family's own
 * name of the place, such as `grid/B4`. It stays the same when other groups change.
 * @param index of the place in its group, from 0
 */
export function landIdOf(group: Pick<TerminalGroup, 'id'>, { id, number }: AnyPlace, index: number): string {
  return `${group.id}/${id ?? number ?? index + 1}`;
}
