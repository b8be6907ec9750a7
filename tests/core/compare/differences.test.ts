import { describe, expect, it } from 'vitest';
import { compileAndCheck } from '../../../src/core/check/guarded';
import { compareFootprints, stageOfDifference } from '../../../src/core/compare/differences';
import type { Stage } from '../../../src/core/document/stage';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits, type Edit } from '../../../src/core/document/edit';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { chip, converter } from '../../data/documents';

function compare(a: TapisDocument, b: TapisDocument, least = 0) {
  return compareFootprints(compileAndCheck(a), compileAndCheck(b), least);
}
const changed = (...edits: Edit[]) => compare(converter(), applyEdits(converter(), edits));

describe('two footprints side by side', () => {
  it('have nothing to tell where they are the same', () => {
    for (const document of DEMO_DOCUMENTS)
      expect(compare(document, document)).toMatchObject({ differences: [], copperDiffers: false });
  });

  it('tell lands that share a difference once, with the way they moved', () => {
    const { differences, copperDiffers } = changed({ at: '/level', value: 'A' });
    expect(copperDiffers).toBe(true);
    const across = differences.filter(({ title }) => title === 'Land across');
    expect(across).toMatchObject([{ from: 1.55, to: 1.85, by: 0.3 }]);
    expect(across[0]?.lands).toHaveLength(16);
    const moved = differences.filter(({ title }) => title === 'Land moved by');
    // each row to its own side
    expect(moved.map(({ to, by, lands }) => [to, by, lands.length])).toEqual([
      ['-0.05, 0 mm', 0.05, 8],
      ['0.05, 0 mm', 0.05, 8],
    ]);
    expect(differences[0]).toMatchObject({ what: 'entry', title: 'level', from: 'B', to: 'A', at: '/level' });
  });

  it.each<[string, Edit, boolean, string[]]>([
    ['a number', { at: '/overrides/numbers/rows~13', value: '33' }, false, ['number']],
    ['notes', { at: '/notes', value: 'seen' }, false, []],
    ['a paste margin', { at: '/stacks/groups/rows/paste/margin', value: '-0.05' }, false, ['padstack']],
    ['the height', { at: '/package/dimensions/A', value: 'max 2' }, false, ['height']],
    [
      'the source of a dimension',
      { at: '/package/dimensions/A', value: { text: 'max 1.2', where: 'p 3' } },
      false,
      [],
    ],
  ])('tell %s for what it is', (_, edit, copper, kinds) => {
    const { differences, copperDiffers } = changed(edit);
    expect(copperDiffers).toBe(copper);
    const found = new Set(differences.map(({ what }) => what));
    for (const kind of kinds) expect(found).toContain(kind);
    expect(found.has('land')).toBe(copper);
  });

  it.each<[Edit, Stage]>([
    [{ at: '/package/dimensions/A', value: 'max 2' }, 'measure'],
    [{ at: '/stacks/groups/rows/paste/margin', value: '-0.05' }, 'stack'],
    [{ at: '/marks/legend', value: false }, 'mark'],
    [{ at: '/overrides/land/Y', value: '1.6' }, 'land'],
    [{ at: '/body/boardThickness', value: '1' }, 'rise'],
    [{ at: '/notes', value: 'seen' }, 'release'],
  ])('lead to the stage where they are mended: %j', (edit, stage) => {
    const { differences } = changed(edit);
    expect(stageOfDifference(differences[0]!)).toBe(stage);
  });

  it('leave out what differs by less than is asked for, and still know that the copper differs', () => {
    const other = applyEdits(converter(), [{ at: '/overrides/land/Y', value: '1.56' }]);
    const lands = (least: number) =>
      compare(converter(), other, least).differences.filter(({ what }) => what === 'land');
    expect(lands(0).length).toBeGreaterThan(0);
    expect(lands(0.05)).toEqual([]);
    expect(compare(converter(), other, 0.05).copperDiffers).toBe(true);
  });

  it('of other kinds tell lands that come and go, and one that cannot be drawn', () => {
    const other = compare(chip(), converter());
    expect(other.differences.map(({ title }) => title)).toContain('Lands that are new');
    const empty = applyEdits(converter(), [{ at: '/package/dimensions/L', value: undefined }]);
    expect(compare(converter(), empty)).toMatchObject({ copperDiffers: true });
  });
});
