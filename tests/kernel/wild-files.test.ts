import fc from 'fast-check';
import { test } from 'vitest';
import { cases } from '../data/depth';
import { WILD } from '../data/judge';

// What `npm run fuzz` hunts for by the hour, a little of it in every run: files of every kind that have the structure
// of their kind and mean ill in it end in numbers that are numbers, or in a sentence that a person can read.

/** What takes long to be read is tried less often. */
const SLOW: Readonly<Record<string, number>> = { pdf: 40 };

test.each(WILD)('wild: $kind', async ({ kind, wild, judge }) => {
  await fc.assert(
    fc.asyncProperty(wild, async (file) => void (await judge(file))),
    { numRuns: cases(SLOW[kind] ?? 200, 5 * (SLOW[kind] ?? 400)), seed: 7 },
  );
});
