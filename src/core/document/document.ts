import type { Process } from '../process/process';
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

/** An opening as entry texts: a margin a side, or a size, or closed. */
export interface OpeningIntent {
  readonly margin?: string;
  readonly width?: string;
  readonly height?: string;
  readonly none?: boolean;
  /** Paste only: shape of the aperture. */
  readonly form?: 'rounded' | 'oblong' | 'home-plate' | 'inverted-home-plate';
}

/** What was decided about the padstack of a group of lands, or of a single land; lengths as entry texts. */
export interface StackIntent {
  readonly shape?: 'rectangle' | 'rounded' | 'chamfered' | 'oblong' | 'round' | 'd-shape' | 'contour';
  /** Along the terminal, and across it. */
  readonly width?: string;
  readonly height?: string;
  readonly radius?: string;
  readonly chamfer?: string;
  readonly corners?: readonly ('lower-left' | 'lower-right' | 'upper-right' | 'upper-left')[];
  /** Corners of a free contour about the terminal, such as `-1,-0.5 1,-0.5 1,0.5 -1,0.5`. */
  readonly contour?: string;
  readonly offsetX?: string;
  readonly offsetY?: string;
  readonly definedBy?: 'mask';
  readonly mask?: OpeningIntent;
  readonly maskOther?: OpeningIntent;
  readonly paste?: OpeningIntent;
  readonly hole?: {
    readonly diameter?: string;
    /** Whole length of a slot; the diameter is its width. */
    readonly slot?: string;
    readonly plus?: string;
    readonly minus?: string;
    readonly plated?: boolean;
  };
  readonly other?: { readonly width?: string; readonly height?: string };
  readonly inner?: string;
  readonly relief?: {
    readonly on?: boolean;
    readonly spokes?: number;
    readonly width?: string;
    readonly gap?: string;
  };
  readonly clearance?: string;
  readonly windows?: {
    readonly columns?: number;
    readonly rows?: number;
    /** Share of the pad, 0 to 1. */
    readonly coverage?: number;
    readonly gap?: string;
    readonly radius?: string;
    /** The mask is open in windows too. */
    readonly mask?: boolean;
  };
  readonly vias?: {
    readonly on?: boolean;
    readonly pitch?: string;
    readonly pitchY?: string;
    readonly hole?: string;
    readonly ring?: string;
    readonly columns?: number;
    readonly rows?: number;
    /** Places left out, by row and column from upper left: `1.2 2.1`. */
    readonly omit?: string;
    readonly cover?: 'tented' | 'plugged' | 'filled';
  };
  readonly reason?: string;
}

/** Decisions about padstacks: for groups of lands, and for single lands by position, which go before. */
export interface StackIntents {
  readonly groups?: Readonly<Record<string, StackIntent>>;
  readonly lands?: Readonly<Record<string, StackIntent>>;
}

/** An area on the board that something has to stay out of, beside those of the package. */
export interface KeepOutIntent {
  readonly x: string;
  readonly y: string;
  /** A circle by its diameter, or a rectangle by width and height. */
  readonly diameter?: string;
  readonly width?: string;
  readonly height?: string;
  readonly what: 'copper' | 'vias' | 'components' | 'everything';
  readonly side?: 'component' | 'far' | 'both';
  readonly why?: string;
}

/** How the legend draws the part. */
export type LegendStyle = 'outline' | 'around' | 'ends' | 'corners' | 'dashes';

/** A text of the legend: where it stands and how large it is. */
export interface TextIntent {
  readonly place?: 'above' | 'below' | 'left' | 'right' | 'centre' | 'point';
  readonly x?: string;
  readonly y?: string;
  readonly height?: string;
  readonly rotation?: 0 | 90 | 180 | 270;
  readonly shown?: boolean;
}

/** Which marks are drawn, and how. */
export interface MarkOptions {
  readonly legend?: boolean;
  readonly style?: LegendStyle;
  readonly pin1?: boolean;
  readonly pin1Shape?: 'wedge' | 'bar' | 'disc' | 'hook' | 'plus';
  readonly courtyard?: 'box' | 'contour';
  /** Courtyard excess in place of the level's. */
  readonly excess?: string;
  readonly reference?: string;
  readonly value?: string;
  readonly texts?: { readonly reference?: TextIntent; readonly value?: TextIntent };
}

/** What the coordinates of everything handed over are measured from. */
export interface OriginIntent {
  readonly at: 'body' | 'lands' | 'pin-1' | 'point';
  readonly x?: string;
  readonly y?: string;
}

/** A finding that somebody has looked at and accepts, with the value that was accepted. */
export interface Waiver {
  readonly reason: string;
  readonly value?: number;
  readonly limit?: number;
}

/** A terminal's contact area where the family's model does not fit the lead; lengths as entry texts. */
export interface ContactIntent {
  readonly length?: string;
  readonly width?: string;
  /** Outwards from where the family puts it. */
  readonly offset?: string;
  /** A lead that goes through the board has a section instead; a castellation is open to the side. */
  readonly kind?: 'flat' | 'through' | 'concave';
  readonly reason?: string;
}

/** Choices about the body; heights come from the dimensions. */
export interface BodyOptions {
  readonly solderThickness?: string;
  /** Solder under the terminals as thick as its paste makes it, in place of a given thickness. */
  readonly solderFrom?: 'paste';
  /** Surface-mount parts whose body or feet rest on the board, in place of their leads on the lands. */
  readonly seat?: 'standoff';
  /** How high a part is held over what it would rest on: by a spacer, or by the bends of its leads. */
  readonly lift?: string;
  /** Thickness of this board, in place of the process's. */
  readonly boardThickness?: string;
  /** Tallest that the part may be on this board. */
  readonly maxHeight?: string;
  /** Least clearance under the body, and how far leads may come out below the board. */
  readonly minClearance?: string;
  readonly minProtrusion?: string;
  readonly maxProtrusion?: string;
  /** Colours as `#rrggbb` where the usual ones are not meant. */
  readonly colours?: Readonly<Partial<Record<'moulding' | 'ceramic' | 'metal', string>>>;
  readonly model?: ModelIntent;
}

/** A model that was imported, and how it is put onto the footprint. */
export interface ModelIntent {
  /** Of the file. */
  readonly name: string;
  /** SHA-256 of the file, hexadecimal: what the file is kept by. */
  readonly key: string;
  /** The factor that brings it to mm. */
  readonly scale?: number;
  /** Turned about X, then Y, then Z of the board, degrees counter-clockwise. */
  readonly turn?: { readonly x?: number; readonly y?: number; readonly z?: number };
  /** Then moved, as entry texts. */
  readonly x?: string;
  readonly y?: string;
  readonly z?: string;
  /** The file itself, compressed (gzip) and in base64, where the document carries it along. */
  readonly data?: string;
}

/** The edge of the board that a part must reach: which side of the footprint, and where it runs. */
export interface EdgeIntent {
  readonly side: 'left' | 'right' | 'top' | 'bottom';
  /** From the body's middle outwards, as an entry text; there is no edge until it is given. */
  readonly at?: string;
  /** How far the part is to stand out beyond the edge; less than nothing stays inside. */
  readonly minOverhang?: string;
  readonly maxOverhang?: string;
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
  /** The process itself where it is not one that comes with Tapis. */
  readonly ownProcess?: Process;
  readonly overrides?: Overrides;
  readonly recommended?: RecommendedPattern;
  readonly numbering?: Numbering;
  /** Where pin 1 stands at zero rotation; by the process where it is missing. */
  readonly orientation?: 'A' | 'B';
  readonly stacks?: StackIntents;
  readonly keepOuts?: readonly KeepOutIntent[];
  readonly marks?: MarkOptions;
  readonly origin?: OriginIntent;
  /** Corrected contact areas by group. */
  readonly contacts?: Readonly<Record<string, ContactIntent>>;
  /** Accepted findings by rule and place. */
  readonly waivers?: Readonly<Record<string, Waiver>>;
  readonly body?: BodyOptions;
  readonly edge?: EdgeIntent;
  readonly notes?: string;
}

/** The unit in which a document's footprint is shown unless the person chose otherwise. */
export function displayUnitOf(document: TapisDocument): DisplayUnit {
  return (document.package.unit ?? 'mm') === 'mm' ? 'mm' : 'mil';
}
