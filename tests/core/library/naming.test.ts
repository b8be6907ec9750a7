import { expect, it } from 'vitest';
import { newDocument } from '../../../src/core/document/document';
import { isUnnamed, namesFor } from '../../../src/core/library/naming';

const begun = (source?: string, marks?: { reference?: string; value?: string }) => {
  const document = newDocument('Gull wing, two rows 3', 'gull-wing-dual');
  return {
    ...document,
    package: { ...document.package, ...(source ? { source } : {}) },
    ...(marks ? { marks } : {}),
  };
};

it('a footprint is unnamed while it is called as its kind', () => {
  const title = 'Gull wing, two rows';
  for (const [name, isSo] of [
    [title, true],
    [`${title} 12`, true],
    [`${title} 12 of mine`, false],
    ['Gull wing', false],
    ['U4', false],
  ] as const)
    expect(isUnnamed({ ...begun(), name }, title)).toBe(isSo);
});

it.each([
  ['HS-ADC1624 sheet, revision C, page 31', 'HS-ADC1624'],
  ['TG-88 datasheet rev. 2', 'TG-88'],
  ['Barometer BR 5 (drawing 12)', 'Barometer BR 5'],
  ['HS-PAGE7: outline', 'HS-PAGE7'],
])('what “%s” calls the part is offered', (source, part) => {
  expect(namesFor(begun(source), 'SOP65P640X120-16N')).toEqual([part, 'SOP65P640X120-16N']);
});

it('offers reference and value first, nothing twice, and nothing that is its name', () => {
  expect(namesFor(begun('HS-1', { reference: 'U4', value: 'HS-1' }), null)).toEqual(['U4 HS-1', 'HS-1']);
  expect(namesFor({ ...begun('sheet 4'), name: 'X' }, 'X')).toEqual([]);
});
