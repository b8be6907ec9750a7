import { block, type Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { HEIGHT } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { hundredths } from '../naming';
import { endAgainstLength, terminalAgainstWidth, widthAgainstLength } from '../plausibility/chip';
import { lyingCylinder } from '../shapes/round';
import { padParts } from '../shapes/terminals';
import type { SpanGroup } from '../terminal';
import {
  blockLines,
  bothEnds,
  endLength,
  INSIDE,
  insideAgrees,
  insideOf,
  seatedBody,
  sizePair,
} from '../two-terminal';

type Symbol = 'L' | 'W' | 'T' | 'S' | 'W1' | 'A';
type Values = Dimensions<Symbol>;

export const precisionWound = defineFamily<Symbol>({
  id: 'precision-wound',
  type: 'COIL',
  title: 'Precision wound inductor',
  summary: 'Ceramic bobbin with an open winding and a metallised foot at each end.',
  keywords: ['inductor', 'coil', 'wire wound', 'precision', 'choke', 'two terminals'],
  dimensions: [
    length('L', 'Length', 'Over the terminals', [0.6, 25]),
    length('W', 'Width', 'Across the body', [0.3, 25]),
    endLength('Terminal length', 'Length of one foot along the body', [0.1, 8]),
    INSIDE,
    length('W1', 'Terminal width', 'Width of one foot', [0.2, 25], { derived: 'W' }),
    HEIGHT,
  ],
  options: [],
  example: { L: '2.9..3.3', W: '2.3..2.7', T: '0.4..0.6', W1: '1.9..2.3', A: '1.9..2.2' },
  outlines: outlines(
    'L W T W1 A',
    '2.0 × 1.25 | - | 1.9..2.3 | 1.1..1.5 | 0.35..0.55 | 1.0..1.3 | max 1.5',
    '3.2 × 2.5 | - | 2.9..3.5 | 2.3..2.7 | 0.4..0.6 | 1.9..2.3 | max 2.2',
    '4.5 × 3.2 | - | 4.2..4.8 | 3.0..3.4 | 0.7..1.1 | 1.9..2.5 | max 3.2',
  ),
  terminals,
  body: (d) => seatedBody(d.L, d.W, d.A),
  solids: (d): Assembly => {
    const top = Math.max(d.A.nom, 0.2);
    const cheek = Math.min(d.T.nom, d.L.nom * 0.3);
    const metal = Math.min(0.1, top * 0.1);
    const winding = Math.max(0.1, Math.min(d.W.nom, top - metal) * 0.86);
    const middle = { x: 0, y: 0, z: 0 };
    const [group] = terminals(d) as [SpanGroup];
    const cheeks = padParts(group, 'cheek', (d.L.nom - cheek) / 2, 'ceramic').map((part) => ({
      ...part,
      name: part.name.replace('terminal', 'cheek'),
    }));
    return {
      shapes: {
        foot: block(d.T.nom, d.W1.nom, 0, metal),
        cheek: block(cheek, d.W.nom, metal, top),
        winding: lyingCylinder(
          winding,
          Math.max(0.1, d.L.nom - 2 * cheek),
          metal + (top - metal - winding) / 2,
        ),
      },
      parts: [
        ...padParts(group, 'foot', (d.L.nom - d.T.nom) / 2),
        ...cheeks,
        { name: 'winding', shape: 'winding', material: 'metal', at: middle, rotation: 90 },
      ],
    };
  },
  dimensionLines: blockLines,
  name: (d) => ['INDP', ...sizePair(['L', d.L.nom], ['W', d.W.nom]), 'X', hundredths('A', d.A.max)],
  polarised: () => false,
  plausibility: [endAgainstLength, insideAgrees, widthAgainstLength, terminalAgainstWidth],
});

function terminals(d: Values): SpanGroup[] {
  return [bothEnds('rectangular-end', { span: d.L, length: d.T, width: d.W1, ...insideOf(d) })];
}
