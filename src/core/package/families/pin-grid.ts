import { block, type Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { line } from '../lines';
import { HEIGHT, ROUND_LEAD, TAIL } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import {
  firstPlace,
  GRID_OPTIONS,
  gridPlaces,
  LAYOUT_DIMENSIONS,
  MATRIX_DIMENSIONS,
  MATRIX_RULES,
  matrixLines,
  type GridSymbol,
} from '../grid';
import { byX, counted, hundredths } from '../naming';
import { centred, leadAgainstPitch, pinParts, pinShape, roundPin } from '../pins';
import { HOME, type PinGroup } from '../terminal';

type Symbol = GridSymbol | 'b' | 'A' | 'A1' | 'L';
type Values = Dimensions<Symbol>;

export const pinGrid = defineFamily<Symbol>({
  id: 'pin-grid',
  type: 'PGA',
  title: 'Pin grid',
  summary: 'Ceramic or plastic package with a matrix of pins through the board (PGA).',
  keywords: ['PGA', 'pin grid array', 'through-hole', 'ceramic', 'matrix', 'perimeter', 'staggered'],
  dimensions: [
    ...MATRIX_DIMENSIONS,
    { ...ROUND_LEAD, name: 'Pin diameter' },
    HEIGHT,
    length('A1', 'Standoff', 'Seating plane to underside of body', [0, 5], { derived: '1.27' }),
    TAIL,
    ...LAYOUT_DIMENSIONS,
  ],
  options: GRID_OPTIONS,
  example: { nE: '10', e: '2.54', E: '26.1..27.0', b: '0.41..0.51', A: 'max 5.2' },
  outlines: outlines(
    'nE e E b A k',
    '68 pins, 11 × 11 perimeter | - | 11 | 2.54 | 28.7..29.7 | 0.41..0.51 | max 5.2 | 2 | layout=perimeter | missing=A1 A11 L1 L11',
    '100 pins, 10 × 10 | - | 10 | 2.54 | 26.1..27.0 | 0.41..0.51 | max 5.2 | | layout=full',
  ),
  terminals: (d, options) => [pins(d, options)],
  body: (d) => ({ x: d.E, y: d.D, standoff: d.A1, height: d.A, mount: 'through' }),
  solids: (d, options): Assembly => {
    const top = Math.max(d.A.nom, d.A1.nom + 0.5);
    const deck = d.A1.nom + (top - d.A1.nom) * 0.8;
    return {
      shapes: {
        pin: pinShape(roundPin(d.b), d.L.nom, d.A1.nom),
        body: block(d.E.nom, d.D.nom, d.A1.nom, deck),
        lid: block(d.E.nom * 0.5, d.D.nom * 0.5, deck, top),
      },
      parts: [...pinParts(pins(d, options), 'pin'), centred('body', 'ceramic'), centred('lid', 'metal')],
    };
  },
  dimensionLines: (d) => {
    const x = d.E.nom / 2;
    const { left } = firstPlace(d);
    return [
      ...matrixLines(d),
      line('b', 'front', 'bottom', [left - d.b.nom / 2, -d.L.nom], [left + d.b.nom / 2, -d.L.nom]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
      line('A1', 'front', 'left', [-x, 0], [-x, d.A1.nom]),
      line('L', 'front', 'right', [-left, -d.L.nom], [-left, 0], 1),
    ];
  },
  name: (d, options) => [
    'PGA',
    counted('n', gridPlaces(d, options).length),
    'P',
    hundredths('e', d.e.nom),
    '_',
    counted('nE', d.nE.nom),
    'X',
    counted('nD', d.nD.nom),
    '_',
    ...byX(['E', d.E.nom], ['D', d.D.nom], ['A', d.A.max]),
  ],
  polarised: () => true,
  plausibility: [...MATRIX_RULES, leadAgainstPitch<Symbol>('e', (d) => d.b.max, ['b'])],
});

function pins(d: Values, options: Options): PinGroup {
  const staggered = options['layout'] === 'staggered';
  return {
    kind: 'pin',
    id: 'pins',
    title: 'Pins',
    frame: HOME,
    lead: roundPin(d.b),
    // in a staggered grid the next pin of a row is two places on
    pitch: staggered ? { x: 2 * d.e.nom, y: 2 * d.eD.nom } : { x: d.e.nom, y: d.eD.nom },
    places: gridPlaces(d, options),
  };
}
