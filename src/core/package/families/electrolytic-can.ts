import { block, type Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { byX } from '../naming';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { endAgainstLength, spanAgainstBase } from '../plausibility/chip';
import { padParts } from '../shapes/terminals';
import { standingCylinder } from '../shapes/round';
import type { SpanGroup } from '../terminal';
import { bothEnds, endLength, INSIDE, insideAgrees, insideOf, seatedBody } from '../two-terminal';

type Symbol = 'B' | 'D' | 'L' | 'T' | 'S' | 'b' | 'A';
type Values = Dimensions<Symbol>;

/** Share of the height that the base plate takes, and the most it takes in mm. */
const BASE = { share: 0.12, most: 0.9 };
const LEAD_THICKNESS = 0.2;

export const electrolyticCan = defineFamily<Symbol>({
  id: 'electrolytic-can',
  title: 'Electrolytic can',
  summary: 'Aluminium can on a square base with a lead under each end.',
  keywords: ['electrolytic', 'aluminium', 'capacitor', 'can', 'two terminals'],
  dimensions: [
    length('B', 'Base', 'Side of the square base', [2, 40]),
    length('D', 'Can diameter', 'Across the can', [2, 40]),
    length('L', 'Lead span', 'Over both leads', [2, 45]),
    endLength('Lead length', 'Part of one lead that lies on the land', [0.3, 15]),
    INSIDE,
    length('b', 'Lead width', 'Width of the lead', [0.2, 10]),
    length('A', 'Height', 'Seating plane to top', [2, 40], { maximumSuffices: true }),
  ],
  options: [],
  example: { B: '8.1..8.5', D: '7.8..8.2', L: '8.8..9.4', T: '2.6..3.2', b: '0.7..1.1', A: 'max 10.5' },
  outlines: outlines(
    'B D L T b A',
    'Can 4 × 5.4 | - | 4.1..4.5 | 3.8..4.2 | 4.7..5.3 | 1.5..2.1 | 0.5..0.8 | max 5.8',
    'Can 6.3 × 5.4 | - | 6.4..6.8 | 6.1..6.5 | 7.0..7.6 | 2.3..2.9 | 0.5..0.8 | max 5.8',
    'Can 8 × 10 | - | 8.1..8.5 | 7.8..8.2 | 8.8..9.4 | 2.6..3.2 | 0.7..1.1 | max 10.5',
    'Can 10 × 10 | - | 10.1..10.5 | 9.8..10.2 | 10.7..11.3 | 2.9..3.5 | 0.9..1.3 | max 10.5',
  ),
  terminals,
  body: (d) => seatedBody(d.B, d.B, d.A),
  solids,
  dimensionLines: (d) => {
    const [tip, base] = [d.L.nom / 2, d.B.nom / 2];
    return [
      line('B', 'plan', 'top', [-base, base], [base, base]),
      line('L', 'plan', 'top', [-tip, 0], [tip, 0], 1),
      line('b', 'plan', 'left', [-tip, -d.b.nom / 2], [-tip, d.b.nom / 2]),
      line('T', 'front', 'bottom', [tip - d.T.nom, 0], [tip, 0]),
      line('S', 'front', 'bottom', [d.T.nom - tip, 0], [tip - d.T.nom, 0], 1),
      line('A', 'front', 'right', [base, 0], [base, d.A.nom]),
      line('D', 'front', 'top', [-d.D.nom / 2, d.A.nom], [d.D.nom / 2, d.A.nom]),
    ];
  },
  name: (d) => ['CAPAE', ...byX(['B', d.B.nom], ['A', d.A.max])],
  polarised: () => true,
  polarity: () => 'plus',
  plausibility: [endAgainstLength, insideAgrees, spanAgainstBase],
});

function terminals(d: Values): SpanGroup[] {
  return [bothEnds('under-can', { span: d.L, length: d.T, width: d.b, ...insideOf(d) }, d.A.max)];
}

function solids(d: Values): Assembly {
  const top = Math.max(d.A.nom, 1);
  const base = Math.min(BASE.most, top * BASE.share) + LEAD_THICKNESS;
  const [group] = terminals(d) as [SpanGroup];
  const leads = padParts(group, 'lead', (d.L.nom - d.T.nom) / 2);
  const middle = { material: 'ceramic', at: { x: 0, y: 0, z: 0 }, rotation: 0 } as const;
  return {
    shapes: {
      lead: block(d.T.nom, d.b.nom, 0, LEAD_THICKNESS),
      base: block(d.B.nom, d.B.nom, LEAD_THICKNESS, base),
      can: standingCylinder(d.D.nom, base, top),
    },
    parts: [
      ...leads,
      { ...middle, name: 'base', shape: 'base', material: 'moulding' },
      { ...middle, name: 'can', shape: 'can', material: 'metal' },
    ],
  };
}
