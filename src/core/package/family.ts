import type { LegendStyle } from '../document/document';
import type { Edit } from '../document/edit';
import type { Finding } from '../document/finding';
import type { Assembly } from '../geometry/solid';
import type {
  DimensionDefinition,
  Dimensions,
  OptionDefinition,
  Options,
  StandardOutline,
} from './definitions';
import type { BodyExtent, Polarity } from './drawn';
import type { DimensionLine } from './lines';
import type { NameTemplate } from './naming';
import type { Bore, KeepOut, TerminalGroup } from './terminal';

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
  /** What is wrong where it does not hold: the headline of its findings. */
  readonly fault: string;
  readonly source: string;
  readonly check: (
    context: PlausibilityContext<S>,
  ) => readonly Omit<Finding, 'rule' | 'title' | 'source' | 'stage'>[];
}

/** Everything Tapis knows about one package family. */
export interface FamilyDefinition<S extends string = string> {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  /** Words a person may search it by. */
  readonly keywords: readonly string[];
  /** The word that IPC-2581 has for it; OTHER where it is missing. */
  readonly type?: string | ((d: Dimensions<S>, options: Options) => string);
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
