import { expect, test } from 'vitest';
import { nearestSize, sizeMeant } from '../../../src/core/source/sizes';

test.each<[string, readonly string[], string | null]>([
  ['0805', ['1608 (0603)', '2012 (0805)', '3216 (1206)'], '2012 (0805)'],
  ['2012', ['1608 0603', '2012 0805'], '2012 0805'],
  ['2012 (0805)', ['1608 0603', '2012 0805'], '2012 0805'],
  ['2012 (0805)', ['1608', '2012'], '2012'],
  ['0805/2012', ['1608 (0603)', '2012 (0805)'], '2012 (0805)'],
  ['8', ['2', '4', '6', '8', '10', '12'], '8'],
  ['8 ways', ['2', '4', '6', '8', '10', '12'], '8'],
  ['8-way', ['2-way', '8-way', '18-way'], '8-way'],
  ['8', ['2 Pole', '8 Pole', '18 Pole'], '8 Pole'],
  ['8 leads', ['SO 8 leads', 'SO 14 leads'], 'SO 8 leads'],
  ['case B', ['A', 'B', 'C', 'D'], 'B'],
  ['B', ['Case A', 'Case B'], 'Case B'],
  ['Baugröße B', ['A', 'B'], 'B'],
  ['DR-08', ['DR08', 'DR14'], 'DR08'],
  ['dr-08', ['DR-08', 'DR-14'], 'DR-08'],
  ['', ['A', 'B'], 'A'],
  // two may be meant: none is taken
  ['16', ['SO16 N', 'SO16 W'], null],
  ['08', ['DR-08 A', 'DR-08 B'], null],
  ['5', ['2', '4', '6'], null],
])('“%s” of %j is %s', (wanted, sizes, size) => {
  expect(sizeMeant(sizes, wanted)).toBe(size);
});

test('a size that is not there has a nearest one where one is near', () => {
  expect(nearestSize(['2', '4', '6', '12'], '7 ways')).toBe('6');
  expect(nearestSize(['Case A', 'Case B'], 'Case X')).toBe('Case A');
  expect(nearestSize(['A', 'B'], 'Z')).toBeNull();
});
