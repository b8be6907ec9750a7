import type { Stage } from '../../core/document/finding';

/** The stages of the Bench in the order of the work, with their names. */
export const STAGE_NAMES: readonly (readonly [Stage, string])[] = [
  ['measure', 'Measure'],
  ['land', 'Land'],
  ['stack', 'Stack'],
  ['mark', 'Mark'],
  ['rise', 'Rise'],
  ['prove', 'Prove'],
  ['release', 'Release'],
];
