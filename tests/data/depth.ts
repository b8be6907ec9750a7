import fc from 'fast-check';

/** Whether more cases are tried than in every run: set TAPIS_DEEP=1, as `npm run deep` does. */
export const DEEP = process.env['TAPIS_DEEP'] === '1';

/** How many cases are tried in every run, and in a deep one. */
export function cases(few: number, many: number): number {
  return DEEP ? many : few;
}

fc.configureGlobal({ numRuns: cases(40, 400) });
