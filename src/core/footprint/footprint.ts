import type { Colour } from '../body/colours';
import type { Pose } from '../body/pose';
import type { Fit } from '../body/fit';
import type { Ground } from '../body/ground';
import type { LoadedModel } from '../body/loaded';
import type { Subject } from '../body/subject';
import type { EdgeIntent, KeepOutIntent, KeptFree, ModelIntent, TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import type { ChoicesRead } from '../document/intent';
import type { Box } from '../geometry/box';
import type { Contour } from '../geometry/contour';
import type { Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Pin } from './pins';
import type { Polygon, Polyline } from '../geometry/polygon';
import type { Box3 } from '../geometry/mesh';
import type { Assembly, Material } from '../geometry/solid';
import type { Heights } from '../body/heights';
import type { Level } from '../document/document';
import type { SolvedGroup } from '../land/solution';
import type { ContactCorrection } from '../package/contact';
import type { Bore } from '../package/terminal';
import type { BodyExtent, DrawnPackage } from '../package/drawn';
import type { ResolvedPackage } from '../package/resolve';
import type { PatternByGroup } from '../land/pattern';
import type { Padstack, PadVia } from '../padstack/padstack';
import type { Process } from '../process/process';
import type { Standard } from '../standard/standard';

/** Where pin 1 stands at zero rotation: upper left (A), or a quarter turn further, lower left (B). */
export type Orientation = 'A' | 'B';

/** One land on the board. Coordinates in mm, origin at the body centre. */
export interface Land {
  /** What it is known by whatever its number: its group and its place in it, such as `rows/3`. */
  readonly id: string;
  readonly number: string;
  /** The number that the scheme gives it, whatever was typed. */
  readonly schemeNumber: string;
  /** Whether other lands have its number too, and are meant to. */
  readonly shared: boolean;
  /** Whether anything is known of its terminal; where not, its contact is the land or hole itself. */
  readonly terminal: boolean;
  readonly group: string;
  /** Which end of its span it lies at; `null` where it lies under the package or holds a pin. */
  readonly end: -1 | 1 | null;
  /** Whether its copper, mask and paste lie on the far side of the board. */
  readonly far: boolean;
  /** Where its terminal or hole is; its copper may lie beside. */
  readonly at: Point;
  /** Turns the padstack's x axis onto the terminal's direction; degrees counter-clockwise. */
  readonly rotation: number;
  readonly padstack: Padstack;
  readonly copper: Placed;
  /** Openings in the mask of its side, and spots of mask left inside them. */
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

/** An opening in the solder mask and the lands (by index) that it frees; none for a window of its own. */
export interface MaskOpening {
  readonly opening: Placed;
  /** Spots of mask left inside it. */
  readonly islands: readonly Placed[];
  readonly lands: readonly number[];
  /** Whether it is in the mask of the far side. */
  readonly far: boolean;
}

/** A hole without copper and number, with the opening that keeps mask out of it. */
export interface BoredHole {
  readonly at: Point;
  /** Across its narrow side where it is not round. */
  readonly diameter: number;
  readonly hole: Placed;
  /** Whether it was cut for its own sake, and nothing goes through it. */
  readonly isCut: boolean;
  /** The peg that is meant to go through it, where the package says so. */
  readonly peg: Bore['peg'] | null;
  readonly opening: Placed;
}

/** An area that something has to stay out of. */
export interface PlacedKeepOut {
  readonly area: Placed;
  readonly why: string;
  readonly what: KeptFree;
  readonly side: NonNullable<KeepOutIntent['side']>;
  /** What it is known by where the document asks for it; `null` where the package does. */
  readonly id: string | null;
}

export interface Courtyard {
  readonly box: Box;
  /** The outline itself where it is not the box. */
  readonly contour: Polygon | null;
  readonly excess: number;
  /** What the excess alone would not enclose, and the courtyard grew for; `null` where it did not. */
  readonly grownFor: 'pin-1 mark' | 'legend' | null;
  /** Of the line that it is drawn with, mm. */
  readonly width: number;
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
  /** Nobody gave a text: what is written shows its place, and belongs on no film. */
  readonly isPlaceholder: boolean;
  readonly at: Point;
  /** Of capitals, mm. */
  readonly height: number;
  readonly rotation: number;
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
  readonly seen: SeenModel | null;
}

/** An imported model that is at hand. */
export interface SeenModel {
  readonly loaded: LoadedModel;
  /** What of the file is the part. */
  readonly subject: Subject;
  readonly fit: Fit | null;
  readonly box: Box3;
}

/** The edge of the board: which side of the footprint it runs at, and what has to stand out. mm */
export interface BoardEdge {
  readonly side: EdgeIntent['side'];
  /** A point of the edge, and the direction that leads off the board, degrees counter-clockwise. */
  readonly at: Point;
  readonly outward: number;
  /** How far the body, or the imported model, stands out beyond it. */
  readonly overhang: { readonly min: number; readonly max: number };
  readonly least: number | null;
  readonly most: number | null;
}

/** Everything derived from a document that can be drawn, checked and handed over. */
export interface Footprint {
  /** What it is called: by the published standard, or by the house's template. */
  readonly standardName: string;
  /** What its files are called, without their endings. */
  readonly fileName: string;
  /** What is said of the package beside its geometry. */
  readonly package: Omit<
    DrawnPackage,
    'groups' | 'bores' | 'keepOuts' | 'windows' | 'edge' | 'extent' | 'solids'
  >;
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
  /** Groups of terminals with their lands, each in its own frame. */
  readonly groups: readonly SolvedGroup[];
  readonly orientation: Orientation;
  /** Whether the whole part was turned over onto the far side of the board. */
  readonly far: boolean;
  /** Contact areas that were corrected, by group. */
  readonly contacts: ReadonlyMap<string, ContactCorrection>;
  /** What the coordinates that are handed over are measured from. */
  readonly origin: Point;
  /** What the numbers mean, in the order in which it was listed. */
  readonly pins: readonly Pin[];
}

/** What compile() makes of a document; `footprint` is `null` while an entry is missing or unreadable. */
export interface Compiled {
  readonly document: TapisDocument;
  readonly process: Process;
  /** What is wanted: as published, or what a house says in its place. */
  readonly standard: Standard;
  readonly resolved: ResolvedPackage | null;
  readonly footprint: Footprint | null;
  /** Solutions at every level, to be held beside each other. */
  readonly levels: Readonly<Record<Level, readonly SolvedGroup[]>> | null;
  /** The datasheet's own lands, as far as they were entered. */
  readonly recommended: PatternByGroup;
  /** Measurements that the document keeps, as they were read. */
  readonly measurements: ChoicesRead['measurements'];
  /** How single tolerances spread, as the document says it. */
  readonly spreads: ChoicesRead['spreads'];
  /** Entries that are missing or cannot be read. */
  readonly problems: readonly Finding[];
  /** The parts of second sources on the lands of this one. */
  readonly alternates: readonly Alternate[];
}

/** The part of a second source, compiled onto the lands of the first. */
export interface Alternate {
  readonly id: string;
  readonly title: string;
  readonly compiled: Compiled;
}

/** A compiled document that has a footprint, and so can be drawn. */
export type Drawable = Compiled & { readonly footprint: Footprint };

/** Whether a compiled document has a footprint. */
export function isDrawable(compiled: Compiled): compiled is Drawable {
  return compiled.footprint !== null;
}

/** The group of the land at an index, or the first where there is no such land. */
export function groupAt({ lands, groups }: Footprint, index: number | null): SolvedGroup | undefined {
  const land = index === null ? undefined : lands[index];
  return groups.find(({ terminals }) => terminals.id === land?.group) ?? groups[0];
}
