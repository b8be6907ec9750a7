import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { copperOf, differenceOf, type Copper } from '../../../src/core/library/likeness';
import { moved } from '../../../src/core/footprint/move';
import { converter } from '../../data/documents';
import { footprintOf } from '../../data/families';

const copper = (dimensions: Record<string, string> = {}): Copper => {
  const document = converter();
  const package_ = { ...document.package, dimensions: { ...document.package.dimensions, ...dimensions } };
  return copperOf(footprintOf({ ...document, package: package_ })) as Copper;
};

describe('two footprints', () => {
  it('are alike where their lands are, wherever they lie', () => {
    const footprint = footprintOf(converter());
    const away = moved(footprint, { at: { x: 30, y: -12.5 }, angle: 0, far: false });
    expect(differenceOf(copper(), copperOf(away) as Copper)).toBe(0);
  });
  it('differ by the largest of what differs', () => {
    // a span that is 0.1 longer puts each land 0.05 further out
    expect(differenceOf(copper({ E: '6.2..6.6' }), copper({ E: '6.3..6.7' }))).toBeCloseTo(0.05, 6);
  });
  it('differ alike from either side, by no more than each of their lands was moved', () => {
    const lands = fc.array(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })), {
      minLength: 2,
      maxLength: 12,
    });
    const unique = lands.map((all) => [
      ...new Map(all.map(([x, y]) => [`${x} ${y}`, [x, y] as const])).values(),
    ]);
    fc.assert(
      fc.property(unique, fc.integer({ min: 0, max: 100 }), (places, off) => {
        const at = (shift: number) => places.flatMap(([x, y], i) => [x + (i % 2) * shift, y, 0.5, 0.3]);
        const [a, b] = [at(0), at(off / 1000)];
        const found = differenceOf(a, b);
        expect(found).toBe(differenceOf(b, a));
        expect(found).toBeCloseTo(off / 1000, 9);
      }),
    );
  });
  it('are others where a land has no counterpart', () => {
    expect(differenceOf(copper(), copper({ n: '14' }))).toBeNull();
    expect(differenceOf(copper({ E: '6.2..6.6' }), copper({ E: '7.2..7.6' }))).toBeNull();
  });
});
