/**
 * Tells names that several pins share without being joined, and pins without a name.
 */
import type { PinIntent } from '../../document/document';
import type { Remedy } from '../../document/finding';
import { pinLabel, type Pin } from '../../footprint/pins';
import { fill, type Rule, type RuleFinding } from '../rule';

const messages = {
  doubled: '{count} pins are called {name}, at lands {lands}. One pin may have several lands.',
  empty: 'The pin at {what} {lands} has no name.',
};

export const pinNames: Rule = {
  id: 'pin-names',
  title: 'Names of pins',
  fault: 'Names of pins are missing or doubled',
  source: 'A name stands for one pin',
  severity: 'caution',
  stage: 'mark',
  looksAt: ['pins'],
  check({ footprint: { pins }, compiled: { document } }) {
    const named = new Map<string, Pin[]>();
    // what is not connected has no name of its own
    for (const pin of pins.filter(({ name, direction }) => name !== '' && direction !== 'not-connected'))
      named.set(pinLabel(pin), [...(named.get(pinLabel(pin)) ?? []), pin]);
    const doubled = [...named].filter(([, same]) => same.length > 1);
    const empty = pins.filter(({ name, direction }) => name === '' && direction !== 'not-connected');
    return [
      ...doubled.map(([name, same]): RuleFinding => {
        const numbers = same.flatMap((pin) => pin.numbers);
        return {
          message: fill(messages.doubled, {
            count: same.length,
            name,
            lands: numbers.slice(0, 12).join(', '),
          }),
          measured: { value: same.length, limit: 1, unit: 'count' },
          place: { lands: same.flatMap(({ lands }) => lands) },
          remedies: [joined(`Join them to one pin ${name}`, same, document.pins ?? [])],
        };
      }),
      ...empty.slice(0, 20).map(({ numbers, lands }): RuleFinding => ({
        message: fill(messages.empty, {
          what: numbers.length > 1 ? 'lands' : 'land',
          lands: numbers.join(', '),
        }),
        place: { lands },
        severity: 'note',
      })),
    ];
  },
};

/** Makes one pin of several: the first gets all lands. */
export function joined(label: string, same: readonly Pin[], pins: readonly PinIntent[]): Remedy {
  const [first, ...others] = same;
  const gone = new Set(others.map(({ id }) => id));
  const lands = [...new Set(same.flatMap(({ numbers }) => numbers))].join(' ');
  const value = pins
    .filter(({ id }) => !gone.has(id))
    .map((pin) => (pin.id === first?.id ? { ...pin, lands } : pin));
  return { label, edits: [{ at: '/pins', value }] };
}
