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
  it('are others where a land has no counterpart', () => {
    expect(differenceOf(copper(), copper({ n: '14' }))).toBeNull();
    expect(differenceOf(copper({ E: '6.2..6.6' }), copper({ E: '7.2..7.6' }))).toBeNull();
  });
});
