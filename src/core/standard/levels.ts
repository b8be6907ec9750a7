/** The density levels of IPC-7351B: A most, B nominal, C least. */
export type PublishedLevel = 'A' | 'B' | 'C';
/** A level of lands; D is one that a house standard adds. */
export type Level = PublishedLevel | 'D';

/** The published levels, most first. */
export const LEVELS: readonly PublishedLevel[] = ['A', 'B', 'C'];

/** What a level is called and meant for. */
export interface LevelWords {
  readonly id: Level;
  readonly title: string;
  readonly purpose: string;
  /** The letter that ends names at this level. */
  readonly letter: string;
  /** The published level that holds for whatever is not said of this one. */
  readonly from: PublishedLevel;
}

/** The published levels in words, and the letters of their names (IPC-7351B, clause 3.1.5.7). */
export const PUBLISHED_LEVELS: readonly LevelWords[] = [
  { id: 'A', title: 'most', purpose: 'robust joints, rework, shock', letter: 'M', from: 'A' },
  { id: 'B', title: 'nominal', purpose: 'most boards', letter: 'N', from: 'B' },
  { id: 'C', title: 'least', purpose: 'dense boards', letter: 'L', from: 'C' },
];
