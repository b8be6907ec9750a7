/**
 * Requires land numbers without gaps and doubles.
 */
import { pointerKey } from '../../document/edit';
import type { Land } from '../../footprint/footprint';
import { gapBetweenFigures } from '../../geometry/gaps';
import { fill, idsOf, shareSide, type Rule, type RuleFinding } from '../rule';

const messages = {
  double: 'Land number {number} is used {count} times, by lands that do not touch.',
  gap: 'Land number {missing} is missing between {first} and {last}.',
  gaps: 'Land numbers {missing} are missing between {first} and {last}.',
  empty: 'The land {land} has no number.',
};

export const numberSequence: Rule = {
  id: 'number-sequence',
  title: 'Land numbers',
  fault: 'Land numbers are missing or doubled',
  source: 'Every terminal has one number of its own',
  severity: 'stop',
  stage: 'mark',
  looksAt: ['lands'],
  check({ footprint: { lands }, compiled: { document } }) {
    const joined = (document.overrides?.joined ?? '').split(/\s+/).filter((number) => number !== '');
    const byNumber = new Map<string, Land[]>();
    for (const land of lands) {
      const same = byNumber.get(land.number);
      if (same) same.push(land);
      else byNumber.set(land.number, [land]);
    }
    const found: RuleFinding[] = [];
    for (const [number, same] of byNumber) {
      // one land with a number of its own: most are that
      if (same.length === 1 && number.trim() !== '') continue;
      const [first] = same as [Land];
      const [meant] = same.filter(({ schemeNumber }) => schemeNumber !== '');
      if (number.trim() === '') {
        // a hole that only holds the part has none
        if (!meant) continue;
        const message = fill(messages.empty, { land: first.id });
        const measured = { value: 0, limit: 1, unit: 'count' } as const;
        found.push({
          message,
          measured,
          place: { at: first.at, lands: idsOf(same) },
          remedies: [restore(same)],
        });
      } else if (
        !joined.includes(number) &&
        same.filter(({ shared }) => !shared).length > (same.some(({ shared }) => shared) ? 0 : 1) &&
        !isOnePiece(same)
      ) {
        const message = fill(messages.double, { number, count: same.length });
        const measured = { value: same.length, limit: 1, unit: 'count' } as const;
        const place = { at: first.at, lands: idsOf(same) };
        const together = {
          label: 'These lands belong together',
          edits: [{ at: '/overrides/joined', value: [...joined, number].join(' ') }],
        };
        // where the scheme itself gives the number, there is nothing to restore
        const isByHand = same.some((land) => land.number !== land.schemeNumber);
        found.push({ message, measured, place, remedies: [...(isByHand ? [restore(same)] : []), together] });
      }
    }
    const gap = missingNumbers([...byNumber.keys()]);
    if (gap.length > 0) {
      const numbers = lands.map(({ number }) => Number(number)).filter(Number.isInteger);
      const values = { missing: gap.join(', '), first: Math.min(...numbers), last: Math.max(...numbers) };
      const renumbered = lands.filter(({ number, schemeNumber }) => number !== schemeNumber);
      found.push({
        severity: 'caution',
        message: fill(gap.length > 1 ? messages.gaps : messages.gap, values),
        measured: { value: gap.length, limit: 0, unit: 'count' },
        place: { lands: [], ...(lands[0] ? { at: lands[0].at } : {}) },
        remedies: [restore(renumbered)],
      });
    }
    return found;
  },
};

/** Whether lands hang together by their copper, as a lug and its lead do: then they are one terminal. */
function isOnePiece(lands: readonly Land[]): boolean {
  const [first, ...others] = lands;
  if (!first) return true;
  const reached = [first];
  for (const land of reached) {
    for (let i = others.length - 1; i >= 0; i -= 1) {
      const other = others[i] as Land;
      if (!shareSide(land, other) || gapBetweenFigures(land.copper, other.copper) > 1e-9) continue;
      reached.push(other);
      others.splice(i, 1);
    }
  }
  return others.length === 0;
}

/** Whole numbers that are left out between the smallest and the largest; at most the first ten. */
function missingNumbers(numbers: readonly string[]): number[] {
  const sorted = numbers
    .filter((n) => /^\d+$/.test(n))
    .map(Number)
    .sort((a, b) => a - b);
  const missing: number[] = [];
  for (let i = 1; i < sorted.length && missing.length < 10; i += 1) {
    for (let n = (sorted[i - 1] as number) + 1; n < (sorted[i] as number) && missing.length < 10; n += 1) {
      missing.push(n);
    }
  }
  return missing;
}

function restore(lands: readonly Land[]) {
  return {
    label: 'Number by the scheme',
    edits: lands.map(({ id }) => ({ at: `/overrides/numbers/${pointerKey(id)}`, value: undefined })),
  };
}
