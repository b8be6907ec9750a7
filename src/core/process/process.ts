/**
 * What a board shop, a stencil and an assembly line can hold. All lengths in mm.
 * Plain data: the rules and the solver read their limits from here.
 */
export interface Process {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  /** F of the land formulas: total tolerance of the etched land. */
  readonly fabricationTolerance: number;
  /** P of the land formulas: total tolerance of placement. */
  readonly placementTolerance: number;
  /** Smallest gap between copper of neighbouring lands. */
  readonly minGap: number;
  /** Lands stay out from under bodies that sit lower than this above their leads' seating plane. */
  readonly minStandoff: number;
  /** Growth of the solder mask opening round a land, on each side. */
  readonly maskMargin: number;
  /** Smallest web of solder mask between neighbouring openings. */
  readonly minMaskWeb: number;
  /** Shrinkage of the paste opening inside a land, on each side. */
  readonly pasteMargin: number;
  readonly stencilThickness: number;
  /** Share of an exposed pad that its paste windows cover, 0 to 1. */
  readonly thermalCoverage: number;
  readonly legendWidth: number;
  /** Clearance of the legend from lands and mask openings. */
  readonly legendGap: number;
  readonly textHeight: number;
  /** Rounding step of X, Y and C/2; 0 leaves them unrounded. Small chips use `smallRounding`. */
  readonly rounding: number;
  readonly smallRounding: number;
  /** Courtyard sides round outward to this step; 0 leaves them. */
  readonly courtyardRounding: number;
  /** Finished holes round up to a multiple of this. */
  readonly drillStep: number;
  /** Smallest copper ring round a plated hole. */
  readonly minRing: number;
  /** Smallest laminate left between the walls of two holes. */
  readonly minHoleWeb: number;
  /** Where pin 1 stands at zero rotation: upper left (A) or lower left (B). */
  readonly orientation: 'A' | 'B';
  readonly boardThickness: number;
  readonly copperThickness: number;
  readonly maskThickness: number;
  readonly legendThickness: number;
  /** Solder between land and terminal after reflow. */
  readonly solderThickness: number;
}
