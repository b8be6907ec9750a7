/**
 * Tells where numbers that were typed leave the order of their scheme.
 */
import { worstOf, type Miss, type Rule } from '../rule';

export const numberOrder: Rule = {
  id: 'number-order',
  title: 'Numbers out of their order',
  fault: 'Numbers are out of their order',
  source: 'The numbering scheme',
  severity: 'note',
  stage: 'mark',
  looksAt: ['lands'],
  check({ footprint: { lands }, compiled: { document } }) {
    const typed = document.overrides?.numbers;
    if (!typed) return [];
    const misses = lands.flatMap((land): Miss[] => {
      const own = land.schemeNumber;
      return Object.hasOwn(typed, land.id) && own !== land.number
        ? [{ value: 1, at: land.at, lands: [land] }]
        : [];
    });
    const [first] = misses;
    const message = 'Land {land} is {scheme} by the scheme, and was typed otherwise; {count} such in all.';
    return worstOf(misses, 0, 'count', message, 'larger', {
      scheme: first?.lands[0]?.schemeNumber ?? '',
    }).map((finding) => ({
      ...finding,
      measured: { value: misses.length, limit: 0, unit: 'count' as const },
      remedies: [{ label: 'Number by the scheme', edits: [{ at: '/overrides/numbers', value: undefined }] }],
    }));
  },
};
