import { describe, expect, it } from 'vitest';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { broughtAgain, type KeptFootprint } from '../../../src/core/lists/again';
import { readPartList } from '../../../src/core/lists/list';
import { takenFrom } from '../../../src/core/lists/prepare';
import { gridsOfText } from '../../../src/core/source/text';

const HEAD = 'Part;Description;L;W;T;a;Level';
const ROWS = [
  'HS-C-1;MLCC 100nF;1,60 ±0,10;0,80 ±0,10;0,80 ±0,10;0,35 ±0,15;',
  'HS-C-2;MLCC 220nF;1,60 ±0,10;0,80 ±0,10;0,80 ±0,10;0,35 ±0,15;',
  'HS-C-3;MLCC 1µF;2,00 ±0,20;1,25 ±0,20;0,85 ±0,15;0,50 ±0,20;C',
  'HS-R-1;resistor;3,20 ±0,20;1,60 ±0,20;0,55 ±0,10;0,50 ±0,25;',
];
function taken(rows: readonly string[], source = 'passives.csv') {
  const [grid] = gridsOfText([HEAD, ...rows].join('\n'));
  const list = grid && readPartList(grid, { source });
  if (!list) throw new Error('no list');
  return takenFrom(list.rows);
}
const kept = (
  rows: readonly string[],
  change: (d: TapisDocument) => TapisDocument = (d) => d,
): KeptFootprint[] =>
  taken(rows).map(({ document }, i) => ({ id: `f${i + 1}`, document: change(document), fixed: null }));
const again = (rows: readonly string[], shelf: readonly KeptFootprint[]) => {
  const found = broughtAgain('passives.csv', taken(rows), shelf);
  if (!found) throw new Error('nothing of the list is kept');
  return found;
};
const replaced = (i: number, from: string, to: string) =>
  ROWS.map((row, k) => (k === i ? row.replace(from, to) : row));

describe('a list that is brought again', () => {
  it('finds nothing changed in itself, whatever the order of its rows and the way its numbers are written', () => {
    const turned = [...ROWS]
      .reverse()
      .map((row) => row.replaceAll(',', '.').replace('1.60 ±0.10', '1.5 - 1.7'));
    for (const rows of [ROWS, turned]) {
      const { rows: found, gone, byHand } = again(rows, kept(ROWS));
      const states = [...found.values()].map((one) => one.is);
      // of two rows that are one footprint the first names it
      const renamed = [...found.values()].flatMap((one) =>
        one.is === 'changed' ? one.changes.map(({ what }) => what) : [],
      );
      expect(states.filter((one) => one === 'new')).toEqual([]);
      expect(renamed).toEqual(rows === ROWS ? [] : ['name', 'used by']);
      expect([gone, byHand]).toEqual([[], []]);
    }
  });
  it('tells rows that are new, changed and gone, with what was and is', () => {
    const next = [
      ...replaced(2, '1,25 ±0,20', '1,30 ±0,15').slice(0, 3),
      'HS-R-9;resistor;1,0 ±0,05;0,5 ±0,05;0,35 ±0,05;0,25 ±0,1;',
    ];
    const { rows, gone } = again(next, kept(ROWS));
    expect([...rows].map(([number, { is }]) => [number, is])).toEqual([
      [1, 'same'],
      [3, 'changed'],
      [4, 'new'],
    ]);
    const changed = rows.get(3);
    if (changed?.is !== 'changed') throw new Error('not changed');
    expect(changed.changes).toEqual([{ what: 'W', was: '1.25 ±0.20', is: '1.30 ±0.15' }]);
    expect(changed.document.package.dimensions['W']).toMatchObject({
      text: '1.30 ±0.15',
      where: 'passives.csv, row 3',
    });
    expect(gone).toEqual([{ id: 'f3', name: 'HS-R-1', fixed: null }]);
  });
  it('does not take a row that cannot be read any more for one that is gone', () => {
    const unread = [{ name: 'HS-R-1', part: 'HS-R-1' }];
    const found = broughtAgain('passives.csv', taken(ROWS.slice(0, 3)), kept(ROWS), unread);
    expect(found?.gone).toEqual([]);
    expect(found?.byHand).toEqual(['HS-R-1: its row cannot be read as it stands, and it stays as it is']);
  });
  it('parts rows that were one footprint, and says who uses it now', () => {
    const { rows } = again(replaced(1, '1,60 ±0,10', '1,65 ±0,10'), kept(ROWS));
    expect(rows.get(2)).toEqual({ is: 'new' });
    expect(rows.get(1)).toMatchObject({
      is: 'changed',
      id: 'f1',
      changes: [{ what: 'used by', was: 'HS-C-2', is: '' }],
    });
  });
  it('keeps what somebody has set by hand since, and says so', () => {
    const own = (document: TapisDocument) =>
      applyEdits(document, [
        { at: '/package/dimensions/W', value: '1.2..1.4' },
        { at: '/notes', value: [document.notes, 'measured at the line'].filter(Boolean).join('\n') },
        { at: '/marks', value: { value: '1µ' } },
      ]);
    const { rows, byHand } = again(replaced(2, '0,85 ±0,15', '0,90 ±0,15'), kept(ROWS, own));
    const changed = rows.get(3);
    if (changed?.is !== 'changed') throw new Error('not changed');
    expect(changed.changes.map(({ what }) => what)).toEqual(['A']);
    expect(changed.document.package.dimensions['W']).toBe('1.2..1.4');
    expect([changed.document.marks, changed.document.notes]).toEqual([
      { value: '1µ' },
      'measured at the line',
    ]);
    expect(byHand[1]).toBe('HS-C-3: W 1.2..1.4 was set by hand and stays; the list says 1.25 ±0.20');
  });
  it('follows a level that the list says, leaves one that it does not say, and knows lists by their name', () => {
    const lean = (document: TapisDocument) => ({ ...document, level: 'A' as const });
    const { rows } = again(ROWS, kept(ROWS, lean));
    expect([...rows.values()].map((one) => (one.is === 'changed' ? one.changes : one.is))).toEqual([
      'same',
      [{ what: 'level', was: 'A', is: 'C' }],
      'same',
    ]);
    expect(broughtAgain('others.csv', taken(ROWS, 'others.csv'), kept(ROWS))).toBeNull();
    expect(broughtAgain('PASSIVES.csv', taken(ROWS, 'PASSIVES.csv'), kept(ROWS))?.gone).toEqual([]);
  });
});
