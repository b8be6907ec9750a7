import { describe, expect, it } from 'vitest';
import { held, type Medium } from '../../../tools/sheets/held';
import { SHEETS } from '../../../tools/sheets/sheets';

/** Of twelve parts in ten styles, as text and HTML; PDFs and scans are read where there is a browser to print them. */
const MEDIA: readonly Medium[] = ['blanks', 'html'];

describe.each(MEDIA)('made-up pages as %s', (medium) => {
  it('are read right, and what is wrong is flagged', async () => {
    const all = await Promise.all(SHEETS.map((sheet) => held(sheet, medium)));
    const values = all.reduce((sum, one) => sum + one.values, 0);
    const right = all.reduce((sum, one) => sum + one.right, 0);
    expect(all.flatMap(({ silent }) => silent)).toEqual([]);
    expect(values).toBeGreaterThan(400);
    expect(right / values).toBeGreaterThan(0.98);
  }, 60_000);
});
