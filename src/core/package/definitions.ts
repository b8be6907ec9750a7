import type { SheetUnit } from '../document/document';
import type { Toleranced } from '../units/toleranced';

// What a package asks for: its dimensions and options, and common values of them.

/** One dimension of a package's drawing. */
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
  readonly derived?: string | ((options: Options, entered: (symbol: string) => boolean) => string);
  /** What fills it is a typical value of the trade, which the lands rest on: it is told. */
  readonly typical?: boolean;
  /** Options under which the part has this dimension at all; it is asked for under others only once entered. */
  readonly when?: (options: Options) => boolean;
  /** A basic dimension by the trade's convention: a number alone is exact, not an assumption. */
  readonly basic?: boolean;
  /** A maximum alone says all that is needed of it, as of an overall height. */
  readonly maximumSuffices?: boolean;
  /** Where only a maximum is given, the smallest value to reckon with (a standoff can be nothing). */
  readonly leastUnderMax?: number;
}

/** Values of all dimensions of a package, complete. */
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

/** The choices of a package, complete: each option has one of its ids. */
export type Options = Readonly<Record<string, string>>;

/** A common size of a package by a published standard: a start, not a datasheet. */
export interface StandardOutline<S extends string = string> {
  readonly name: string;
  /** The published outline and variation whose limits it has, or common practice. */
  readonly source: string;
  readonly dimensions: Readonly<Partial<Record<S, string>>>;
  readonly options?: Options;
  /** Where its numbers are printed: they are then the maker's and not typical ones. */
  readonly where?: string;
  /** Unit of its plain numbers; mm where it is missing. */
  readonly unit?: SheetUnit;
}
