/**
 * Tells lands with a number that no pin of the pin table names, and holds the count against the package.
 */
import { pinsByLand } from '../../footprint/pins';
import { fill, idsOf, type Rule } from '../rule';

export const landWithoutPin: Rule = {
  id: 'land-without-pin',
  title: 'Lands without a pin',
  fault: 'Lands have no pin',
  source: 'The pin table names every terminal',
  severity: 'caution',
  stage: 'mark',
  looksAt: ['pins'],
  check({ footprint: { lands, pins } }) {
    const named = pinsByLand(pins);
    const numbered = lands.filter(({ number }) => number !== '');
    const left = numbered.filter(({ id }) => !named.has(id));
    const [first] = left;
    if (!first) return [];
    const count = (some: typeof lands) => new Set(some.map(({ number }) => number)).size;
    const numbers = [...new Set(left.map(({ number }) => number))];
    const more = numbers.length > 8 ? ` and ${numbers.length - 8} more` : '';
    const message = '{what} {numbers} {have} no pin: the table names {named} of {all} terminals.';
    return [
      {
        message: fill(message, {
          what: numbers.length > 1 ? 'Lands' : 'Land',
          have: numbers.length > 1 ? 'have' : 'has',
          numbers: numbers.slice(0, 8).join(', ') + more,
          named: count(numbered) - numbers.length,
          all: count(numbered),
        }),
        measured: { value: numbers.length, limit: 0, unit: 'count' },
        place: { at: first.at, lands: idsOf(left) },
      },
    ];
  },
};
