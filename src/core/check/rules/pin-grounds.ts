/**
 * Tells an exposed pad that is not on a ground pin, and ground that is scattered over several pins.
 */
import { pinLabel, pinsByLand } from '../../footprint/pins';
import { fill, idsOf, type Rule, type RuleFinding } from '../rule';

const messages = {
  pad: 'The exposed pad, land {land}, is on pin {pin}, which is no ground pin ({direction}). Is that so in the datasheet?',
  scattered: 'Ground comes out at {count} pins: {names}. Are they apart on purpose?',
};

export const pinGrounds: Rule = {
  id: 'pin-grounds',
  title: 'Ground pins',
  fault: 'Ground pins are called differently',
  source: 'Exposed pads are ground unless the datasheet says otherwise',
  severity: 'note',
  stage: 'mark',
  looksAt: ['pins'],
  check({ footprint: { lands, pins } }) {
    const byLand = pinsByLand(pins);
    const found: RuleFinding[] = [];
    for (const land of lands.filter(({ padstack }) => padstack.kind === 'thermal')) {
      const pin = byLand.get(land.id);
      if (!pin || pin.direction === 'ground') continue;
      const direction = pin.direction ?? 'no direction given';
      found.push({
        message: fill(messages.pad, {
          land: land.number,
          pin: pinLabel(pin) || '(without a name)',
          direction,
        }),
        place: { at: land.at, lands: idsOf([land]) },
        remedies: [{ label: 'It is ground', edits: [{ at: `/pins/${pin.id}/direction`, value: 'ground' }] }],
      });
    }
    const grounds = pins.filter(({ direction }) => direction === 'ground');
    const names = new Set(grounds.map(pinLabel));
    // doubled names are told as such
    if (names.size > 1)
      found.push({
        message: fill(messages.scattered, { count: grounds.length, names: [...names].join(', ') }),
        place: { lands: grounds.flatMap((pin) => pin.lands) },
      });
    return found;
  },
};
