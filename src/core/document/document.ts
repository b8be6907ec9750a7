import type { Approval } from './standing';
import type { Process } from '../process/process';
import type { Level } from '../standard/levels';
import type { StandardDocument } from '../standard/standard';
import type { DisplayUnit } from '../units/length';
import type { ChoicesIntent } from './intent';
import type { CompositionIntent } from './pieces';

export { LEVELS, type Level } from '../standard/levels';

/** Units that a datasheet's table may be printed in. */
export type SheetUnit = 'mm' | 'mil' | 'in';

/** The place on a page that an entry was read from. */
export interface PrintedAt {
  /** Id of one of the document's sources. */
  readonly source: string;
  readonly page: number;
  /** Left, top, right and bottom in the page's own points, pixels or letters; missing where there is no page. */
  readonly box?: readonly [number, number, number, number];
  /** As it is printed there. */
  readonly text: string;
  /** What was entered for it: an entry that differs was changed by hand since. */
  readonly entry: string;
  /** It was read from a picture, and nobody has confirmed it. */
  readonly unconfirmed?: true;
}

/** Where a number comes from: the datasheet's own letter for it and the place in the datasheet. */
export interface Origin {
  readonly label?: string;
  readonly where?: string;
  readonly from?: PrintedAt;
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

/** The package as its datasheet draws it; one that no family draws is composed of pieces. */
export interface PackageIntent extends CompositionIntent {
  readonly family: string;
  readonly unit?: SheetUnit;
  /** Choices of the family, such as the kind of component in a chip body. */
  readonly options?: Readonly<Record<string, string>>;
  readonly dimensions: Readonly<Record<string, DimensionEntry>>;
  /** The datasheet, its revision and page, in words. */
  readonly source?: string;
}

type Chosen<K extends keyof ChoicesIntent> = NonNullable<ChoicesIntent[K]>;

/** What the person decided against the computed value. */
export type Overrides = Chosen<'overrides'>;
/** Names of the trims that fit a land to its surroundings; each can be switched off. */
export type TrimId = keyof NonNullable<Overrides['trims']>;
/** The datasheet's own land pattern, to be held against the computed one. */
export type RecommendedPattern = Chosen<'recommended'>;
/** Lands of one group as the datasheet recommends them, as entry texts. */
export type RecommendedLands = NonNullable<RecommendedPattern['groups']>[string];
/** How a datasheet states the distance of its recommended lands. */
export type PatternDistance = NonNullable<RecommendedLands['given']>;
/** How terminals are numbered where the package's own way is not meant. */
export type Numbering = Chosen<'numbering'>;
/** One pin: its name, what it carries, and the lands that it comes out at. */
export type PinIntent = Chosen<'pins'>[number];
export type PinDirection = NonNullable<PinIntent['direction']>;
/** A datasheet that numbers were read from. */
export type SourceIntent = Chosen<'sources'>[number];
/** An area on the board that something has to stay out of, beside those of the package. */
export type KeepOutIntent = Chosen<'keepOuts'>[number];
/** What stays out of an area. */
export type KeptFree = Exclude<KeepOutIntent['what'], 'nothing'>;
/** Which marks are drawn, and how. */
export type MarkOptions = Chosen<'marks'>;
/** How the legend draws the part. */
export type LegendStyle = NonNullable<MarkOptions['style']>;
/** What the coordinates of everything handed over are measured from. */
export type OriginIntent = Chosen<'origin'>;
/** Choices about the body; heights come from the dimensions. */
export type BodyOptions = Chosen<'body'>;
/** A model that was imported, and how it is put onto the footprint. */
export type ModelIntent = NonNullable<BodyOptions['model']>;
/** The edge of the board that a part must reach: which side of the footprint, and where it runs. */
export type EdgeIntent = Chosen<'edge'>;

/** A finding that somebody has looked at and accepts, with the value that was accepted. */
export interface Waiver {
  readonly reason: string;
  /** Who accepted it. */
  readonly by?: string;
  readonly value?: number;
  readonly limit?: number;
}

/**
 * What a person means by one footprint. Everything else is derived from it. Its choices are declared
 * in `intent.ts`; the JSON Schema is made from there by `schema.ts`.
 */
export interface TapisDocument extends ChoicesIntent {
  readonly tapis: 2;
  readonly name: string;
  readonly package: PackageIntent;
  readonly level: Level;
  readonly process: string;
  /** The process itself where it is not one that comes with Tapis. */
  readonly ownProcess?: Process;
  /** What the house wants in place of what is published; as published where it is missing. */
  readonly standard?: StandardDocument;
  /** Accepted findings by rule and place. */
  readonly waivers?: Readonly<Record<string, Waiver>>;
  readonly notes?: string;
  /** Who stands for it, signed; what it is changed into later they do not stand for. */
  readonly approvals?: readonly Approval[];
}

/** The unit in which a document's footprint is shown unless the person chose otherwise. */
export function displayUnitOf(document: TapisDocument): DisplayUnit {
  return (document.package.unit ?? 'mm') === 'mm' ? 'mm' : 'mil';
}

/** A document of a package of which nothing more is known yet, at the usual level and process. */
export function newDocument(
  name: string,
  family: string,
  dimensions: TapisDocument['package']['dimensions'] = {},
): TapisDocument {
  return { tapis: 2, name, package: { family, dimensions }, level: 'B', process: 'standard' };
}
