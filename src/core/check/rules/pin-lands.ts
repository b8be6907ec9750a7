/**
 * Requires pins and lands to belong together: no pin without a land, no land on two pins.
 */
import type { Land } from '../../footprint/footprint';
import { pinLabel, type Pin } from '../../footprint/pins';
import { fill, type Rule, type RuleFinding } from '../rule';

const messages = {
  absent: 'Pin {pin} names {what} {numbers}, which no land has.',
  none: 'Pin {pin} names no land.',
  twice: 'Land {number} is on two pins, {one} and {other}.',
};

export const pinLands: Rule = {
  id: 'pin-lands',
  title: 'Pins without lands, lands on two pins',
  fault: 'Pins and lands do not go together',
  source: 'A land carries one pin',
  severity: 'stop',
  stage: 'mark',
  looksAt: ['pins'],
  check({ footprint: { lands, pins } }) {
    const known = new Map(lands.map((land) => [land.number, land]));
    return [...pins.flatMap((pin) => absent(pin, known)), ...twice(pins, known)];
  },
};

function absent({ id, name, low, numbers }: Pin, known: ReadonlyMap<string, Land>): RuleFinding[] {
  const missing = numbers.filter((number) => !known.has(number));
  if (missing.length === 0 && numbers.length > 0) return [];
  const left = numbers.filter((number) => known.has(number));
  const pin = name === '' ? '(without a name)' : pinLabel({ name, low });
  return [
    {
      message:
        numbers.length === 0
          ? fill(messages.none, { pin })
          : fill(messages.absent, {
              pin,
              what: missing.length > 1 ? 'numbers' : 'number',
              numbers: missing.slice(0, 8).join(', '),
            }),
      place: { lands: [] },
      remedies: [
        left.length > 0
          ? { label: 'Keep the lands there are', edits: [{ at: `/pins/${id}/lands`, value: left.join(' ') }] }
          : { label: 'Remove the pin', edits: [{ at: `/pins/${id}`, value: undefined }] },
      ],
    },
  ];
}

/** Numbers that two pins name; the second is offered to give its up. */
function twice(pins: readonly Pin[], known: ReadonlyMap<string, Land>): RuleFinding[] {
  const owner = new Map<string, Pin>();
  return pins.flatMap((pin) =>
    [...new Set(pin.numbers)].flatMap((number): RuleFinding[] => {
      const first = owner.get(number);
      const land = known.get(number);
      if (!first) owner.set(number, pin);
      if (!first || !land) return [];
      const taken = (from: Pin) => ({
        label: `It is ${pinLabel(from === pin ? first : pin) || 'the other'}`,
        edits: [
          {
            at: `/pins/${from.id}/lands`,
            value: from.numbers.filter((one) => one !== number).join(' '),
          },
        ],
      });
      return [
        {
          message: fill(messages.twice, { number, one: pinLabel(first), other: pinLabel(pin) }),
          place: { at: land.at, lands: [land.id] },
          remedies: [taken(pin), taken(first)],
        },
      ];
    }),
  );
}
