import fc from 'fast-check';
import { expect, it } from 'vitest';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable } from '../../../src/core/footprint/footprint';
import { asciiOf } from '../../../src/core/format/idf/ascii';
import { idf } from '../../../src/core/format/idf/idf';
import { converter } from '../../data/documents';
import '../../data/depth';

const written = async (value: string) => {
  const compiled = compile({ ...converter(), marks: { value } });
  if (!isDrawable(compiled)) throw new Error('it is drawn');
  return String(await idf.write(compiled));
};

it('is ASCII whatever names are made of, and says that they were written out', async () => {
  const text = await written('Prüfpunkt 电源 10 Ω ±5 %');
  expect(text).toMatch(/^[\n\x20-\x7e]*$/);
  expect(text).toContain('# Names are in ASCII');
  expect(text).toContain('"Prufpunkt U+7535U+6E90 10 Ohm +-5 %"');
  expect(await written('10k')).not.toContain('#');
});

it('leaves ASCII as it is, and never ends in nothing', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', minLength: 1 }), (text) => {
      const plain = asciiOf(text);
      expect(plain).toMatch(/^[\x20-\x7e]+$/);
      expect(asciiOf(plain)).toBe(plain);
    }),
  );
  expect(['½', 'é', '電', '\u0007'].map(asciiOf)).toEqual(['1/2', 'e', 'U+96FB', '_']);
});
