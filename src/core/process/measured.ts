import type { NumberKey } from './fields';

// What a process keeps of its own measurements, in place of what is assumed of how its tolerances spread.

/** How a document or a process keeps one spread. */
export interface KeptSpread {
  readonly is?: string;
  /** µm */
  readonly offsets?: string;
  readonly source?: string;
}

/** What of a process can be measured. */
export const MEASURABLE = [
  'fabricationTolerance',
  'placementTolerance',
  'drillWander',
  'finishedHole',
] as const satisfies readonly (NumberKey | 'finishedHole')[];
export type Measurable = (typeof MEASURABLE)[number];

/** What the offsets of each are of. */
export const MEASURABLE_HELP: Readonly<Record<Measurable, string>> = {
  fabricationTolerance: 'Offsets of the edges of lands, outward positive.',
  placementTolerance: 'Offsets of placed parts along one axis.',
  drillWander: 'Offsets of drilled holes along one axis.',
  finishedHole: 'Finished diameters less the wanted ones.',
};

/** Measurements that a process keeps of each: every document under it carries them. */
export const MOST_MEASURED = 5000;
