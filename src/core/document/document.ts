import type { DisplayUnit } from '../units/length';

/** Land density level of IPC-7351B: A most, B nominal, C least. */
export type Level = 'A' | 'B' | 'C';
export const LEVELS: readonly Level[] = ['A', 'B', 'C'];

/** Units that a datasheet's table may be printed in. */
export type SheetUnit = 'mm' | 'mil' | 'in';

/** Where a number comes from: the datasheet's own letter for it and the place in the datasheet. */
export interface Origin {
  readonly label?: string;
  readonly where?: string;
}

/** A dimension as typed. `unit` is that of plain numbers; the package's unit holds where it is missing. */
export interface DimensionText extends Origin {
  readonly text: string;
  readonly unit?: SheetUnit;
}

/** A dimension as limits; at least one of them is present. */
export interface DimensionLimits extends Origin {
  readonly min?: number;
  readonly nom?: number;
  readonly max?: number;
  readonly unit?: SheetUnit;
}

export type DimensionEntry = number | string | DimensionText | DimensionLimits;

/** The package as its datasheet draws it. */
export interface PackageIntent {
  readonly family: string;
  readonly unit?: SheetUnit;
  /** Choices of the family, such as the kind of component in a chip body. */
  readonly options?: Readonly<Record<string, string>>;
  readonly dimensions: Readonly<Record<string, DimensionEntry>>;
  /** The datasheet, its revision and page, in words. */
  readonly source?: string;
}

/** Names of the trims that fit a land to its surroundings; each can be switched off. */
export type TrimId = 'body-heel' | 'thermal-gap' | 'row-gap' | 'quad-corner' | 'oblong';

/** Sizes of one group of lands as entry texts, what stays when its length changes, and why. */
export interface LandOverride {
  readonly X?: string;
  readonly Y?: string;
  readonly C?: string;
  /** Diameter of a round land. */
  readonly D?: string;
  /** Finished hole. */
  readonly H?: string;
  readonly hold?: 'centre' | 'gap' | 'outer';
  readonly reason?: string;
}

/** How a datasheet states the distance of its recommended lands. */
export type PatternDistance = 'gap' | 'centre' | 'outer';

/** Lands of one group as the datasheet recommends them, as entry texts. */
export interface RecommendedLands {
  /** Land length, along the terminal. */
  readonly Y?: string;
  readonly X?: string;
  readonly given?: PatternDistance;
  readonly distance?: string;
  /** Diameter of a round land, and the finished hole in it. */
  readonly D?: string;
  readonly H?: string;
}

/** The datasheet's own land pattern, to be held against the computed one. */
export interface RecommendedPattern {
  readonly unit?: SheetUnit;
  readonly where?: string;
  readonly groups?: Readonly<Record<string, RecommendedLands>>;
  /** Its lands are used in place of the computed ones. */
  readonly adopted?: boolean;
  readonly reason?: string;
}

/** How terminals are numbered where the family's own way is not meant. */
export interface Numbering {
  readonly scheme?: string;
  /** Where number 1 stands in orientation A. */
  readonly corner?: 'upper-left' | 'lower-left' | 'lower-right' | 'upper-right';
}

/** What the person decided against the computed value. */
export interface Overrides {
  /** Rounding step of X, Y and C/2 in mm; 0 for none. */
  readonly rounding?: number;
  readonly trims?: Readonly<Partial<Record<TrimId, boolean>>>;
  /** Land length Y, width X and centre distance C as entry texts, for every group of lands. */
  readonly land?: Readonly<Partial<Record<'X' | 'Y' | 'C', string>>>;
  /** The same for single groups, which go before. */
  readonly lands?: Readonly<Record<string, LandOverride>>;
  /** Shape of land 1 of a through-hole part; square where it is missing. */
  readonly pin1Land?: 'square' | 'rounded' | 'same';
  /** Mask and paste margins as entry texts. */
  readonly maskMargin?: string;
  readonly pasteMargin?: string;
  /** One mask opening for each row in place of one for each land. */
  readonly jointMask?: boolean;
  /** Land numbers by position, counter-clockwise from 1, where they differ from the position. */
  readonly numbers?: Readonly<Record<string, string>>;
  /** A standard name agreed elsewhere, to be held against the geometry. */
  readonly standardName?: string;
}

/** Which marks are drawn. */
export interface MarkOptions {
  readonly legend?: boolean;
  readonly pin1?: boolean;
  readonly reference?: string;
  readonly value?: string;
}

/** Choices about the body; heights come from the dimensions. */
export interface BodyOptions {
  readonly solderThickness?: string;
}

/**
 * What a person means by one footprint. Everything else is derived from it.
 * The JSON form is described by `tapis-document-1.schema.json`.
 */
export interface TapisDocument {
  readonly tapis: 1;
  readonly name: string;
  readonly package: PackageIntent;
  readonly level: Level;
  readonly process: string;
  readonly overrides?: Overrides;
  readonly recommended?: RecommendedPattern;
  readonly numbering?: Numbering;
  /** Where pin 1 stands at zero rotation; by the process where it is missing. */
  readonly orientation?: 'A' | 'B';
  readonly marks?: MarkOptions;
  readonly body?: BodyOptions;
  readonly notes?: string;
}

/** The unit in which a document's footprint is shown unless the person chose otherwise. */
export function displayUnitOf(document: TapisDocument): DisplayUnit {
  return (document.package.unit ?? 'mm') === 'mm' ? 'mm' : 'mil';
}
