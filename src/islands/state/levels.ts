import type { Level } from '../../core/document/document';

/** The density levels as they are called. */
export const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  A: 'A most',
  B: 'B nominal',
  C: 'C least',
};
