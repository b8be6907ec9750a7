import type { LegendStyle } from '../document/document';
import type { Edit } from '../document/edit';
import type { Finding } from '../document/finding';
import type { Contour } from '../geometry/contour';
import type { Point } from '../geometry/point';
import type { Assembly } from '../geometry/solid';
import type { Toleranced } from '../units/toleranced';
import type { NameTemplate } from './naming';
import type { Bore, KeepOut, TerminalGroup } from './terminal';

/** One dimension of a family's drawing. */
export interface DimensionDefinition<S extends string = string> {
  /** JEDEC-style letter symbol. */
  readonly symbol: S;
  readonly name: string;
  /** A sentence that says between what it is measured. */
  readonly help: string;
  readonly kind: 'length' | 'count';
  /** Smallest and largest value that can be meant at all; mm or count. */
  readonly limits: readonly [number, number];
  /** Counts only: the value is a multiple of this. */
  readonly multipleOf?: number;
  /** Counts only: the values that there are. */
  readonly oneOf?: readonly number[];
  /** Entry text that fills the dimension where nothing was entered; makes it optional. */
  readonly derived?: string | ((options: Options) => string);
  /** Options under which the part has this dimension at all; it is asked for under others only once entered. */
  readonly when?: (options: Options) => boolean;
  /** A basic dimension by the trade's convention: a number alone is exact, not an assumption. */
  readonly basic?: boolean;
  /** A maximum alone says all that is needed of it, as of an overall height. */
  readonly maximumSuffices?: boolean;
  /** Where only a maximum is given, the smallest value to reckon with (a standoff can be nothing). */
  readonly leastUnderMax?: number;
}

/** Values of all dimensions of a family, complete. */
export type Dimensions<S extends string = string> = Readonly<Record<S, Toleranced>>;

/** A choice that a dimension cannot express, such as the kind of component or the end of a terminal. */
export interface OptionDefinition {
  readonly id: string;
  readonly name: string;
  /** The first one holds where nothing was chosen; without any, the option is a text. */
  readonly choices: readonly { readonly id: string; readonly name: string }[];
  /** What a text option is to hold. */
  readonly help?: string;
  /** For a text option: what is wrong with a text, in words; `null` where it can be used. */
  readonly read?: (text: string) => string | null;
}

/** The family's choices, complete: each option has one of its ids. */
export type Options = Readonly<Record<string, string>>;

/** Size of the body without its terminals, mm. */
export interface BodyExtent {
  readonly x: Toleranced;
  readonly y: Toleranced;
  /** Underside above the terminals' seating plane (A1). */
  readonly standoff: Toleranced;
  /** Top above the terminals' seating plane (A). */
  readonly height: Toleranced;
  /** Middle of the body where it is not the origin, mm. */
  readonly centre?: Point;
  /** Nominal outline from above about its middle, where the body is not a rectangle. */
  readonly outline?: Contour;
  /** Nominal diameter of balls that melt and settle, mm; the body comes down with them. */
  readonly collapsing?: number;
  /** What a through-hole part seats on the laminate with; surface-mount parts stand on their lands. */
  readonly mount?: 'through';
}

/** A common size of a family by a published package standard: a start, not a datasheet. */
export interface StandardOutline<S extends string = string> {
  readonly name: string;
  readonly dimensions: Readonly<Partial<Record<S, string>>>;
  readonly options?: Options;
}

/** The three views of a drawing; plan shows (x, y), front (x, z), side (y, z). */
export type View = 'plan' | 'front' | 'side';

/**
 * A dimension line: the two points it measures between in a view's coordinates (z from the
 * seating plane), and the side of the view it stands off to, nearest tier first.
 */
export interface DimensionLine {
  readonly symbol: string;
  readonly view: View;
  readonly from: Point;
  readonly to: Point;
  readonly side: 'top' | 'bottom' | 'left' | 'right';
  readonly tier: number;
}

/** What a plausibility rule is given: values, and how they were entered. */
export interface PlausibilityContext<S extends string = string> {
  readonly d: Dimensions<S>;
  readonly options: Options;
  /** The entered text of a dimension; `null` where it was derived. */
  readonly entered: (symbol: S) => string | null;
  /** An edit that enters a dimension anew; its letter stays unless the value has another origin. */
  readonly enter: (symbol: S, text: string, where?: string) => Edit;
  /** An edit that enters under one symbol what stands under another: its text, unit, letter and place. */
  readonly move: (from: S, to: S) => Edit;
}

/** A check of the datasheet's numbers against the family's own geometry. */
export interface PlausibilityRule<S extends string = string> {
  readonly id: string;
  readonly title: string;
  readonly source: string;
  readonly check: (
    context: PlausibilityContext<S>,
  ) => readonly Omit<Finding, 'rule' | 'title' | 'source' | 'stage'>[];
}

/** What terminal 1 of a part with a direction is. */
export type Polarity = 'cathode' | 'plus';

/** Everything Tapis knows about one package family. */
export interface FamilyDefinition<S extends string = string> {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  /** Words a person may search it by. */
  readonly keywords: readonly string[];
  readonly dimensions: readonly DimensionDefinition<S>[];
  readonly options: readonly OptionDefinition[];
  /** Entry texts of a common size, to start a drawing from; typical, not a datasheet. */
  readonly example: Readonly<Partial<Record<S, string>>>;
  /** Common sizes to start from. */
  readonly outlines?: readonly StandardOutline<S>[];
  /** Pin 1 upper left, origin at the middle of the terminals. */
  readonly terminals: (d: Dimensions<S>, options: Options) => readonly TerminalGroup[];
  /** Holes for screws and pegs. */
  readonly bores?: (d: Dimensions<S>, options: Options) => readonly Bore[];
  readonly keepOuts?: (d: Dimensions<S>, options: Options) => readonly KeepOut[];
  readonly body: (d: Dimensions<S>, options: Options) => BodyExtent;
  /** Solids in package coordinates, z = 0 at the terminals' seating plane, at nominal size. */
  readonly solids: (d: Dimensions<S>, options: Options) => Assembly;
  readonly dimensionLines: (d: Dimensions<S>, options: Options) => readonly DimensionLine[];
  readonly name: (d: Dimensions<S>, options: Options) => NameTemplate;
  /** Whether terminal 1 must be told from the others after assembly. */
  readonly polarised: (options: Options) => boolean;
  /** How the legend draws it unless the person chose otherwise; its outline where it is missing. */
  readonly legend?: LegendStyle;
  /** Which end terminal 1 is, for parts with two terminals and a direction. */
  readonly polarity?: (options: Options) => Polarity | undefined;
  readonly plausibility: readonly PlausibilityRule<S>[];
}

/**
 * Declares a family. The symbols of its dimensions are checked in its own functions;
 * outside of the family they are plain strings.
 */
export function defineFamily<const S extends string>(family: FamilyDefinition<S>): FamilyDefinition {
  // the resolver hands a family exactly the symbols it declares, so widening is safe
  return family as unknown as FamilyDefinition;
}
