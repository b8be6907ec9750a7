import { expect, it } from 'vitest';
import { viaPlaces, rowPlaces } from '../../../src/core/document/notations';
import { readMissing } from '../../../src/core/package/grid';
import { listed } from '../../../src/core/units/listed';

it.each([
  ['1, 2;3 4', ['1', '2', '3', '4']],
  [' 1 , 2 ', ['1', '2']],
  ['1,', ['1']],
  ['', []],
])('“%s” lists %j', (text, items) => {
  expect(listed(text)).toEqual({ ok: true, value: items });
});

it.each([
  ['1,,3', '1,'],
  ['1, 2, ; 3', '2,'],
  [', 2', ','],
  ['1;;', '1;'],
])('“%s” lacks an entry after “%s”', (text, after) => {
  expect(listed(text)).toEqual({ ok: false, error: `After “${after}” an entry is missing.` });
});

it('is what places of vias, of pieces and of grids are listed by', () => {
  for (const read of [viaPlaces, rowPlaces])
    expect(read('1.1,,2.2', 'mm')).toMatchObject({
      ok: false,
      error: { reason: 'After “1.1,” a place is missing.' },
    });
  const { places, error } = readMissing('A1,,C3');
  // what can be read is left out all the same
  expect([...places]).toEqual(['0 0', '2 2']);
  expect(error).toBe('After “A1,” a place is missing.');
});
