/** Which earlier state footprints are held against. */
export type Since = 'approved' | 'kept' | 'first';

export const SINCE_WORDS: Readonly<Record<Since, string>> = {
  approved: 'since the last approved revision',
  kept: 'since the last kept revision',
  first: 'since the first kept revision',
};

export const SINCES: readonly Since[] = ['approved', 'kept', 'first'];
