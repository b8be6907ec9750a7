/** What is made of a rule's finding under a process; `off` leaves the rule out. */
export type RuleSeverity = 'stop' | 'caution' | 'note' | 'off';

/** Quantities of a process; lengths in mm, shares 0 to 1. What each means stands in `fields.ts`. */
export interface ProcessNumbers {
  /** F of the land formulas: total tolerance of the etched land. */
  readonly fabricationTolerance: number;
  /** P of the land formulas: total tolerance of placement. */
  readonly placementTolerance: number;
  /** Smallest gap between copper of neighbouring lands. */
  readonly minGap: number;
  /** Narrowest copper. */
  readonly minWidth: number;
  /** Copper of a land keeps this from the wall of another land's hole. */
  readonly minHoleToLand: number;
  /** Lands stay out from under bodies that sit lower than this above their leads' seating plane. */
  readonly minStandoff: number;
  /** Rounding step of X, Y and C/2; 0 leaves them unrounded. Small chips use `smallRounding`. */
  readonly rounding: number;
  readonly smallRounding: number;
  /** Land centres lie on multiples of this; 0 asks for none. */
  readonly centreGrid: number;
  /** Growth of the solder mask opening round a land, on each side. */
  readonly maskMargin: number;
  /** Smallest web of solder mask between neighbouring openings. */
  readonly minMaskWeb: number;
  /** Shrinkage of the paste opening inside a land, on each side. */
  readonly pasteMargin: number;
  readonly stencilThickness: number;
  /** Share of the aperture's paste that stays on the land. */
  readonly pasteTransfer: number;
  /** Share of metal in the paste's volume. */
  readonly pasteMetal: number;
  /** Share of an exposed pad that its paste windows cover: aim, least and most. */
  readonly thermalCoverage: number;
  readonly minCoverage: number;
  readonly maxCoverage: number;
  /** Smallest bar between two windows that the stencil keeps. */
  readonly windowGap: number;
  /** Corner radius of paste windows. */
  readonly windowRadius: number;
  /** Finished holes round up to a multiple of this where there is no drill table. */
  readonly drillStep: number;
  /** How far a hole may lie from the middle of its land. */
  readonly drillWander: number;
  /** Smallest copper ring round a plated hole, after wander. */
  readonly minRing: number;
  /** Smallest laminate left between the walls of two holes. */
  readonly minHoleWeb: number;
  /** Thickness of the board over the diameter of a plated hole, at most. */
  readonly maxHoleAspect: number;
  /** Finished hole and ring of a via in a land, and its clearance from paste windows. */
  readonly viaHole: number;
  readonly viaRing: number;
  readonly viaMargin: number;
  /** Thermal relief of plated holes: number of spokes, their width, and the gap round the land. */
  readonly reliefSpokes: number;
  readonly reliefWidth: number;
  readonly reliefGap: number;
  /** Planes keep this from lands, and from the walls of holes. */
  readonly planeClearance: number;
  readonly holeClearance: number;
  readonly legendWidth: number;
  /** Thinnest legend line that stays readable. */
  readonly minLegendWidth: number;
  /** Clearance of the legend from lands and mask openings. */
  readonly legendGap: number;
  readonly textHeight: number;
  readonly minTextHeight: number;
  /** Line width of text. */
  readonly textStroke: number;
  /** Courtyard sides round outward to this step; 0 leaves them. */
  readonly courtyardRounding: number;
  /** Copper and holes keep this from the board's edge. */
  readonly edgeToCopper: number;
  readonly edgeToHole: number;
  readonly boardThickness: number;
  readonly copperThickness: number;
  readonly maskThickness: number;
  readonly legendThickness: number;
  /** Solder between land and terminal after reflow. */
  readonly solderThickness: number;
  /** Tallest body above the laminate; 0 asks for none. */
  readonly maxHeight: number;
  /** Least clearance between body and laminate, for cleaning and inspection; 0 asks for none. */
  readonly minClearance: number;
  /** How far leads come out below the board: seen by the inspector, and clear of what is underneath. */
  readonly minProtrusion: number;
  readonly maxProtrusion: number;
}

/**
 * What a board shop, a stencil and an assembly line can hold. Plain data: the rules and the
 * solver read their limits from here. Its JSON form is described by `tapis-process-1.schema.json`.
 */
export interface Process extends ProcessNumbers {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  /** Id of the process that this one is a copy of. */
  readonly basedOn?: string;
  /** Finished holes that can be drilled, ascending; any multiple of `drillStep` where it is empty. */
  readonly drills: readonly number[];
  /** Where pin 1 stands at zero rotation: upper left (A) or lower left (B). */
  readonly orientation: 'A' | 'B';
  /** Product class of J-STD-001 and IPC-A-610 that joints are held against. */
  readonly acceptanceClass: 1 | 2 | 3;
  /** Density levels whose lands the process can solder. */
  readonly levels: readonly ('A' | 'B' | 'C')[];
  /** Rules that are graver or lighter here than by themselves, by rule id. */
  readonly severities: Readonly<Record<string, RuleSeverity>>;
  /** Why a number is what it is, by the name of the number. */
  readonly reasons: Readonly<Partial<Record<keyof ProcessNumbers, string>>>;
}

/** The smallest drill that is not smaller than a hole; a hole above the table keeps its size. mm */
export function drillFor(hole: number, { drills, drillStep }: Pick<Process, 'drills' | 'drillStep'>): number {
  if (drills.length > 0) return drills.find((drill) => drill >= hole - 1e-9) ?? hole;
  if (drillStep <= 0) return hole;
  return Math.round(Math.ceil(hole / drillStep - 1e-9) * drillStep * 1e6) / 1e6;
}

/** Whether the process has a drill for a finished hole. */
export function hasDrill(hole: number, process: Pick<Process, 'drills' | 'drillStep'>): boolean {
  const { drills } = process;
  if (drills.length > 0) return drills.some((drill) => Math.abs(drill - hole) < 1e-6);
  return Math.abs(drillFor(hole, process) - hole) < 1e-6;
}
