import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kindById } from '../../../src/core/source/kinds';
import { readDimensions, tablesOf } from '../../../src/core/source/reading';
import { gridsOfText } from '../../../src/core/source/text';
import { limitsOf } from '../../../src/core/source/value';

// Makers of chips call the thickness T as often as the standard calls the terminal so.

/** Nominal sizes of chips as they are sold: length, width, thickness, terminal. mm */
const CHIPS = [
  [1.0, 0.5, 0.35, 0.25],
  [1.0, 0.5, 0.5, 0.25],
  [1.6, 0.8, 0.45, 0.3],
  [1.6, 0.8, 0.8, 0.35],
  [2.0, 1.25, 0.5, 0.4],
  [2.0, 1.25, 0.85, 0.5],
  [3.2, 1.6, 0.55, 0.5],
  [3.2, 1.6, 1.6, 0.6],
  [3.2, 2.5, 0.55, 0.5],
  [5.0, 2.5, 0.55, 0.6],
  [6.3, 3.2, 0.55, 0.6],
] as const;

function read(letters: readonly string[], sizes: readonly number[]) {
  const rows = letters.map((letter, i) => `${letter}\t${sizes[i]!.toFixed(2)} ± 0.10`);
  const tables = tablesOf(gridsOfText(['Symbol\tDimension (mm)', ...rows].join('\n')));
  const reading = readDimensions(tables, { kind: kindById('rectangular-chip')! });
  return new Map(
    (reading?.dimensions ?? []).map(({ symbol, text, unit, doubts }) => [
      symbol,
      { nom: limitsOf({ text, unit: unit ?? 'mm' })?.nom ?? NaN, isSaid: doubts.length > 0 },
    ]),
  );
}

describe('a chip with T for its thickness', () => {
  it.each([...'aeblB', 'BW', 'L1', 'L2'])('beside %s for its ends is read as its maker means it', (end) => {
    for (const chip of CHIPS) {
      const found = read(['L', 'W', 'T', end], chip);
      expect([...'LWAT'].map((symbol) => found.get(symbol)?.nom)).toEqual([
        chip[0],
        chip[1],
        chip[2],
        chip[3],
      ]);
    }
  });
  it('and a height beside it has T for its terminal', () => {
    for (const [length, width, height, terminal] of CHIPS) {
      const found = read(['L', 'W', 'H', 'T'], [length, width, height, terminal]);
      expect([found.get('A')?.nom, found.get('T')?.nom]).toEqual([height, terminal]);
    }
  });
  it('and nothing beside it says that it may be either', () => {
    for (const [length, width, thickness] of CHIPS) {
      const found = read(['L', 'W', 'T'], [length, width, thickness]);
      for (const symbol of ['A', 'T'])
        if (found.has(symbol)) expect(found.get(symbol)?.isSaid, String(length)).toBe(true);
    }
  });
  it('in whatever order its rows stand, is never read wrong without a word', () => {
    const order = fc.shuffledSubarray([0, 1, 2, 3], { minLength: 4 });
    fc.assert(
      fc.property(
        fc.constantFrom(...CHIPS),
        fc.constantFrom('a', 'e', 'b', 'x', 'g'),
        order,
        (chip, end, rows) => {
          const letters = ['L', 'W', 'T', end];
          const found = read(
            rows.map((i) => letters[i]!),
            rows.map((i) => chip[i]!),
          );
          [...'LWAT'].forEach((symbol, i) => {
            const one = found.get(symbol);
            if (one && !one.isSaid) expect([symbol, one.nom]).toEqual([symbol, chip[i]]);
          });
        },
      ),
    );
  });
});
