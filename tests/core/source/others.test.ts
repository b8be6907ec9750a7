import { describe, expect, it } from 'vitest';
import { heldPage } from '../../../tools/sheets/others/held';
import { PAGES, type Medium } from '../../../tools/sheets/others/print';
import { DEEP } from '../../data/depth';

/**
 * Pages of a second author: twenty ways of laying a table out, heads and names in eleven languages and limits in
 * seven more. The quick run reads each third page in one medium, the deep run all in all.
 */
const MEDIA: readonly Medium[] = ['tabs', 'html', 'mono', 'sans'];

describe('pages of a second author', () => {
  const asked = PAGES.flatMap((page, i) =>
    MEDIA.filter((_, m) => DEEP || i % 12 === 3 * m).map((medium) => ({ page, medium })),
  );
  const all = asked.map(({ page, medium }) => heldPage(page, medium));
  const sum = (of: (one: (typeof all)[number]) => number) => all.reduce((total, one) => total + of(one), 0);

  it('are never read wrong without a word', () => {
    expect(all.flatMap(({ silent }) => silent)).toEqual([]);
  });

  it('are read, and seldom refused', () => {
    const values = sum((one) => one.values);
    expect(values).toBeGreaterThan(400);
    expect(sum(({ right }) => right) / values).toBeGreaterThan(0.98);
    expect(sum(({ refused }) => refused.length) / values).toBeLessThan(0.02);
  });

  it('are taken without a doubt where nothing is doubtful', () => {
    expect(sum(({ doubted }) => doubted) / sum(({ right }) => right)).toBeLessThan(0.15);
  });
});
