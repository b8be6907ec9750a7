import { expect, it } from 'vitest';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { sheetUnitEdits } from '../../../src/core/document/sheet-unit';
import { compile } from '../../../src/core/footprint/compile';
import { converter } from '../../data/documents';

const chosen: TapisDocument = {
  ...converter(),
  overrides: { maskMargin: '0.07', lands: { rows: { Y: '1.6', X: '16mil' } } },
  stacks: { groups: { rows: { mask: { margin: '0.06' }, vias: { pitch: '1.0..1.2' } } } },
  keepOuts: [{ id: 'a', x: '1', y: '2', diameter: '3' }] as unknown as NonNullable<TapisDocument['keepOuts']>,
  recommended: { groups: { rows: { Y: '1.5', X: '0.35', given: 'centre', distance: '5.7' } } },
};

it('reads the table anew in another unit, and leaves what a person chose as it was meant', () => {
  const inches = applyEdits(chosen, sheetUnitEdits(chosen, 'in'));
  expect(inches.package).toEqual({ ...chosen.package, unit: 'in' });
  expect(inches.overrides).toEqual({
    maskMargin: '0.07mm',
    lands: { rows: { Y: '1.6mm', X: '16mil' } },
  });
  expect(inches.stacks?.groups?.['rows']).toMatchObject({ mask: { margin: '0.06mm' } });
  expect(inches.keepOuts?.[0]).toEqual({ id: 'a', x: '1mm', y: '2mm', diameter: '3mm' });
  expect(inches.recommended).toEqual({ ...chosen.recommended, unit: 'mm' });
  // there and back: the same lands, to the last digit
  const back = applyEdits(inches, sheetUnitEdits(inches, 'mm'));
  expect(compile(back).footprint?.lands).toEqual(compile(chosen).footprint?.lands);
  expect(sheetUnitEdits(chosen, 'mm')).toEqual([]);
});
