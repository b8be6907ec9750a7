import type { Colour } from '../body/colours';
import type { Pose } from '../body/pose';
import type { Fit, Ground } from '../body/fit';
import type { LoadedModel } from '../body/subject';
import type { EdgeIntent, KeepOutIntent, ModelIntent, TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import type { Box } from '../geometry/box';
import type { Contour } from '../geometry/contour';
import type { Placed } from '../geometry/figure';
import type { Point, Quarter } from '../geometry/point';
import type { Polygon, Polyline } from '../geometry/polygon';
import type { Box3 } from '../geometry/mesh';
import type { Assembly, Material } from '../geometry/solid';
import type { Heights } from '../body/heights';
import type { Level } from '../document/document';
import type { LandSolution } from '../land/solution';
import type { ContactCorrection } from '../package/contact';
import type { BodyExtent, Dimensions } from '../package/family';
import type { NameTemplate } from '../package/naming';
import type { ResolvedPackage } from '../package/resolve';
import type { Orientation } from '../package/orient';
import type { TerminalGroup } from '../package/terminal';
import type { Padstack, PadVia } from '../padstack/padstack';
import type { Process } from '../process/process';
import type { PatternByGroup } from './recommended';

/** One land on the board. Coordinates in mm, origin at the body centre. */
export interface Land {
  readonly number: string;
  /** The number that the scheme gives it, whatever was typed. */
  readonly schemeNumber: string;
  /** Counter-clockwise from 1, whatever the number. */
  readonly position: number;
  readonly group: string;
  /** Which end of its span it lies at; `null` where it lies under the package or holds a pin. */
  readonly side: -1 | 1 | null;
  /** Where its terminal or hole is; its copper may lie beside. */
  readonly at: Point;
  /** Turns the padstack's x axis onto the terminal's direction. */
  readonly rotation: Quarter;
  readonly padstack: string;
  readonly copper: Placed;
  /** Openings in the mask of the component side, and spots of mask left inside them. */
  readonly mask: readonly Placed[];
  readonly islands: readonly Placed[];
  readonly paste: readonly Placed[];
  /** Finished hole; `null` for a surface land. */
  readonly hole: Placed | null;
  readonly plated: boolean;
  readonly vias: readonly PadVia[];
  /** The terminal's contact at least, nominal and most material. */
  readonly contact: { readonly min: Placed; readonly nom: Placed; readonly max: Placed };
}

/** An opening in the solder mask and the lands (by index) that it frees. */
export interface MaskOpening {
  readonly opening: Placed;
  /** Spots of mask left inside it. */
  readonly islands: readonly Placed[];
  readonly lands: readonly number[];
}

/** A hole without copper and number, with the opening that keeps mask out of it. */
export interface BoredHole {
  readonly at: Point;
  readonly diameter: number;
  readonly opening: Placed;
}

/** An area that something has to stay out of. */
export interface PlacedKeepOut {
  readonly area: Placed;
  readonly why: string;
  readonly what: KeepOutIntent['what'];
  readonly side: NonNullable<KeepOutIntent['side']>;
}

export interface Courtyard {
  readonly box: Box;
  /** The outline itself where it is not the box. */
  readonly contour: Polygon | null;
  readonly excess: number;
}

/** Printed marks: stroked lines, and the pin-1 mark as a filled polygon. */
export interface Legend {
  readonly width: number;
  readonly lines: readonly Polyline[];
  readonly pin1: Polygon | null;
}

export interface TextMark {
  readonly role: 'reference' | 'value';
  readonly text: string;
  readonly at: Point;
  /** Of capitals, mm. */
  readonly height: number;
  readonly rotation: Quarter;
  /** The letters as single strokes of this width, mm. */
  readonly lines: readonly Polyline[];
  readonly stroke: number;
  readonly box: Box;
}

/** Assembly drawing: body outline with its pin-1 corner cut, terminals, and room for the reference. */
export interface AssemblyDrawing {
  readonly width: number;
  readonly outline: Polygon;
  readonly terminals: readonly Contour[];
  readonly text: Pick<TextMark, 'text' | 'at' | 'height'>;
}

/** The body standing on the board: z = 0 is the laminate surface on the component side. */
export interface SeatedBody {
  readonly extent: BodyExtent;
  readonly heights: Heights;
  readonly assembly: Assembly;
  /** What the document allows on this board, mm; `null` where it does not say. */
  readonly limits: HeightLimits;
  /** Nominal length of leads below the board's far copper; `null` where none goes through. */
  readonly protrusion: number | null;
  readonly colours: Readonly<Record<Material, Colour>>;
  readonly imported: SeatedModel | null;
}

/** Limits of heights, mm. */
export interface HeightLimits {
  readonly maxHeight: number | null;
  readonly minClearance: number;
  readonly minProtrusion: number;
  readonly maxProtrusion: number;
}

/** An imported model where the document puts it. */
export interface SeatedModel {
  readonly intent: ModelIntent;
  readonly pose: Pose;
  readonly ground: Ground;
  /** The model itself and how it lies; `null` while its file is not at hand. */
  readonly seen: { readonly loaded: LoadedModel; readonly fit: Fit | null; readonly box: Box3 } | null;
}

/** The edge of the board: which side of the footprint it runs at, and what has to stand out. mm */
export interface BoardEdge {
  readonly side: EdgeIntent['side'];
  /** Coordinate of the edge along its axis. */
  readonly at: number;
  /** How far the body, or the imported model, stands out beyond it. */
  readonly overhang: { readonly min: number; readonly max: number };
  readonly least: number | null;
  readonly most: number | null;
}

/** Everything derived from a document that can be drawn, checked and handed over. */
export interface Footprint {
  readonly standardName: string;
  readonly nameTemplate: NameTemplate;
  readonly lands: readonly Land[];
  readonly padstacks: readonly Padstack[];
  readonly maskOpenings: readonly MaskOpening[];
  readonly bores: readonly BoredHole[];
  readonly keepOuts: readonly PlacedKeepOut[];
  readonly courtyard: Courtyard;
  readonly legend: Legend;
  readonly assembly: AssemblyDrawing;
  readonly texts: readonly TextMark[];
  readonly body: SeatedBody;
  readonly edge: BoardEdge | null;
  readonly groups: readonly TerminalGroup[];
  readonly solutions: readonly LandSolution[];
  readonly values: Dimensions;
  readonly orientation: Orientation;
  /** Contact areas that were corrected, by group. */
  readonly contacts: ReadonlyMap<string, ContactCorrection>;
  /** What the coordinates that are handed over are measured from. */
  readonly origin: Point;
}

/** What compile() makes of a document; `footprint` is `null` while an entry is missing or unreadable. */
export interface Compiled {
  readonly document: TapisDocument;
  readonly process: Process;
  readonly resolved: ResolvedPackage | null;
  readonly footprint: Footprint | null;
  /** Solutions at all three levels, to be held beside each other. */
  readonly levels: Readonly<Record<Level, readonly LandSolution[]>> | null;
  /** The datasheet's own lands, as far as they were entered. */
  readonly recommended: PatternByGroup;
  /** Entries that are missing or cannot be read. */
  readonly problems: readonly Finding[];
}
