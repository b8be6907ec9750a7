import { expect, it } from 'vitest';
import { pieceKindsFor } from '../../src/islands/measure/pieces/kinds';
import { quickPiece, readQuick } from '../../src/islands/measure/pieces/quick';

const said = (line: string) => {
  const { words, tokens } = readQuick(line);
  const [kind] = pieceKindsFor(words);
  if (!kind) throw new Error(`no kind is called ${words}`);
  return { title: kind.title, ...quickPiece(kind.piece, tokens) };
};

it('reads a piece off a drawing in one line', () => {
  expect(said('row pins 5x 0.6 1.9 left first at 9.4 -5.8 from 1 by 2')).toMatchObject({
    title: 'Row of pins',
    left: [],
    piece: {
      as: 'row',
      n: '5',
      diameter: '0.6',
      step: '1.9',
      towards: 'left',
      x: '9.4',
      y: '-5.8',
      xMine: { at: 'first' },
      numbers: { from: '1', by: '2' },
    },
  });
  expect(said('two rows lands 10x 1.2x0.6 step 0.8 apart 4.2 at 0 0')).toMatchObject({
    left: [],
    piece: { as: 'facing', n: '10', length: '1.2', width: '0.6', step: '0.8', apart: '4.2', x: '0', y: '0' },
  });
  expect(said('array balls 12x 10x .5 step 0.8').piece).toMatchObject({
    n: '12',
    rows: '10',
    diameter: '.5',
    step: '0.8',
  });
  expect(said('peg 1.5 at 14.2 0').piece).toMatchObject({ diameter: '1.5', x: '14.2', y: '0' });
  expect(said('plated 0.9mm 2.2mm 1.6mm from SH').piece).toMatchObject({
    hole: '0.9mm',
    slot: '2.2mm',
    land: '1.6mm',
    numbers: { from: 'SH' },
  });
});
it('leaves what has no place, and changes nothing by words alone', () => {
  expect(said('peg 1.5 2.5').left).toEqual(['2.5']);
  expect(said('peg 3x 1.5').left).toEqual(['3x']);
  expect(said('one pin 0.6 1.9 left').left).toEqual(['1.9', 'left']);
  expect(said('row pins 5x 0.6 sideways').left).toEqual(['sideways']);
  const [kind] = pieceKindsFor('row pins');
  expect(said('row pins').piece).toEqual(kind?.piece);
});
