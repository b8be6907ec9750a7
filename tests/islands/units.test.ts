import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainScope, readEntry } from '../../src/core/units/entry';
import { keptEntry, shownEntry } from '../../src/islands/fields/units';

const DISPLAYS = ['mm', 'mil'] as const;
const SHEETS = ['mm', 'mil', 'in'] as const;

const read = (text: string, unit: 'mm' | 'mil' | 'in') => {
  const result = readEntry(text, plainScope(unit));
  return result.ok ? result.value.value : null;
};

describe('a field in the unit of the display', () => {
  it.each([
    // typed with the display in mil, the datasheet in mm: 40 means 40 mil
    ['40', 'mil', 'mm', '40mil'],
    ['40mil', 'mil', 'mm', '40mil'],
    ['1.0 mm', 'mil', 'mm', '1.0 mm'],
    ['40..44', 'mil', 'mm', '40..44mil'],
    ['0.05"', 'mil', 'mm', '0.05"'],
    ['1.27', 'mm', 'in', '1.27mm'],
    ['20±10%', 'mil', 'mm', '20mil±10%'],
    ['(40)', 'mil', 'mm', '(40mil)'],
    ['2×20', 'mil', 'mm', '2×20mil'],
    ['50 [1.27]', 'mil', 'mm', '50mil [1.27]'],
    ['40..', 'mil', 'mm', '40..mil'],
    ['1.27', 'mm', 'mm', '1.27'],
    ['', 'mil', 'mm', ''],
  ] as const)('typed %s, shown in %s, datasheet in %s, is kept as %s', (typed, display, sheet, kept) =>
    expect(keptEntry(typed, display, sheet)).toBe(kept),
  );
  it.each([
    ['1.0', 'mil', 'mm', '1.0 mm'],
    ['40mil', 'mil', 'mm', '40'],
    ['40mil', 'mm', 'mm', '40mil'],
    ['1.27mm', 'mm', 'in', '1.27'],
  ] as const)('%s is shown in %s, datasheet in %s, as %s', (text, display, sheet, shown) =>
    expect(shownEntry(text, display, sheet)).toBe(shown),
  );

  it('reads what it shows as what is kept, and keeps it when it is typed again', () => {
    const number = fc.integer({ min: 1, max: 99_999 }).map((v) => (v / 1000).toFixed(3));
    const text = fc
      .tuple(
        number,
        fc.constantFrom('', 'mm', ' mm', 'mil', ' mil', 'in', '"', 'um'),
        fc.constantFrom('', '±0.001', '..200', '±10%'),
      )
      .map(([value, unit, more]) => `${value}${more}${unit}`);
    fc.assert(
      fc.property(
        text,
        fc.constantFrom(...DISPLAYS),
        fc.constantFrom(...SHEETS),
        (stored, display, sheet) => {
          const shown = shownEntry(stored, display, sheet);
          expect(read(shown, display)).toEqual(read(stored, sheet));
          expect(read(keptEntry(shown, display, sheet), sheet)).toEqual(read(stored, sheet));
        },
      ),
    );
  });
});
