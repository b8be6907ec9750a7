/**
 * Requires every part to have a reference of its own, and tells footprints that were made for another process.
 */
import { fill, type RuleFinding } from '../../check/rule';
import { placeOf, partWith, twoWith, type TrialRule } from '../rule';
import type { PlacedPart } from '../trial';

const messages = {
  twice: '{count} parts have the reference {reference}.',
  process: '{parts} {are} made for {process}; this board is made by {own}.',
};

function grouped<K>(parts: readonly PlacedPart[], keyOf: (part: PlacedPart) => K): Map<K, PlacedPart[]> {
  const groups = new Map<K, PlacedPart[]>();
  for (const part of parts) {
    const group = groups.get(keyOf(part));
    if (group) group.push(part);
    else groups.set(keyOf(part), [part]);
  }
  return groups;
}

export const ownReferences: TrialRule = {
  id: 'trial-references',
  title: 'A reference of its own for each part',
  fault: 'References are doubled or missing',
  source: 'IEEE 315: reference designations are unique',
  looksAt: twoWith('on the board', () => true),
  severity: 'caution',
  whole({ parts }) {
    return [...grouped(parts, ({ reference }) => reference)].flatMap(([reference, some]): RuleFinding[] =>
      some.length > 1 && some[1]
        ? [
            {
              message: fill(messages.twice, { reference, count: some.length }),
              measured: { value: some.length, limit: 1, unit: 'count' },
              place: placeOf(some[1].placement.at, ...some),
            },
          ]
        : [],
    );
  },
};

export const sameProcess: TrialRule = {
  id: 'trial-process',
  title: 'Footprints made for this process',
  fault: 'Footprint was made for another process',
  source: 'The footprints’ processes',
  looksAt: partWith('on the board', () => true),
  severity: 'note',
  whole({ parts, process }) {
    const others = parts.filter(({ compiled }) => compiled.process.id !== process.id);
    return [...grouped(others, ({ compiled }) => compiled.process.name)].map(([name, some]): RuleFinding => {
      const references = some.map(({ reference }) => reference);
      const told =
        references.length > 6 ? [...references.slice(0, 5), `${references.length - 5} more`] : references;
      return {
        message: fill(messages.process, {
          parts: told.join(', '),
          are: some.length > 1 ? 'are' : 'is',
          process: name,
          own: process.name,
        }),
        place: { parts: some.map(({ id }) => id) },
      };
    });
  },
};
