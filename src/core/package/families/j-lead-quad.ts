import type { Assembly } from '../../geometry/solid';
import { count, length } from '../declare';
import { PITCH } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { J_DIMENSIONS, J_RULES, jGroup, jLines, jShape, type JSymbol } from '../j-lead';
import { byX, counted, hundredths } from '../naming';
import { inchPitch, rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { levelCount, quadLines, uprightCount } from '../quad';
import { fourRows } from '../rows';
import { bodyPart, leadParts } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import { UPRIGHT, type SpanGroup, type TerminalPlace } from '../terminal';

type Symbol = 'n' | 'nE' | 'e' | 'E' | 'D' | 'E1' | 'D1' | 'E2' | JSymbol;
type Values = Dimensions<Symbol>;

export const jLeadQuad = defineFamily<Symbol>({
  id: 'j-lead-quad',
  type: 'PLASTIC_CHIP_CARRIER',
  title: 'J lead, four sides',
  summary: 'Moulded chip carrier with leads curled under all four sides (PLCC).',
  keywords: ['PLCC', 'plastic leaded chip carrier', 'J lead', 'four sides', 'socket'],
  dimensions: [
    count('n', 'Leads', 'Number of leads on all sides together', [16, 124], { multipleOf: 2 }),
    count('nE', 'Upright leads', 'Leads on each of the left and right sides', [4, 40], { derived: 'n/4' }),
    PITCH,
    length('E', 'Span across', 'Outside of a lead to outside of the opposite one, left to right', [5, 60]),
    length('D', 'Span upright', 'The same, bottom to top', [5, 60], { derived: 'E' }),
    length('E1', 'Body across', 'Body without leads, left to right', [4, 58]),
    length('D1', 'Body upright', 'Body without leads, bottom to top', [4, 58], { derived: 'E1' }),
    length(
      'E2',
      'Contact distance',
      'Middle of the bend to middle of the opposite bend, left to right',
      [3, 58],
    ),
    ...J_DIMENSIONS,
  ],
  options: [
    {
      id: 'first',
      name: 'Terminal 1',
      choices: [
        { id: 'middle', name: 'in the middle of the top side' },
        { id: 'corner', name: 'at the upper left corner' },
      ],
    },
  ],
  example: {
    n: '44',
    e: '1.27',
    E: '17.4..17.65',
    E1: '16.51..16.66',
    E2: '15.5..16.0',
    b: '0.33..0.53',
    A: '4.19..4.57',
    A1: 'min 0.51',
  },
  outlines: outlines(
    'n E E1 E2 A e b A1',
    '20 leads, 9.9 mm | JEDEC MS-018 AA | 20 | 9.78..10.03 | 8.89..9.04 | 7.87..8.38 | 4.19..4.57 | 1.27 | 0.33..0.53 | min 0.51',
    '28 leads, 12.4 mm | JEDEC MS-018 AB | 28 | 12.32..12.57 | 11.43..11.58 | 10.41..10.92 | 4.19..4.57 | 1.27 | 0.33..0.53 | min 0.51',
    '44 leads, 17.5 mm | JEDEC MS-018 AC | 44 | 17.4..17.65 | 16.51..16.66 | 15.5..16.0 | 4.19..4.57 | 1.27 | 0.33..0.53 | min 0.51',
    '68 leads, 25.1 mm | JEDEC MS-018 AE | 68 | 25.02..25.27 | 24.13..24.33 | 23.1..23.6 | 4.19..5.08 | 1.27 | 0.33..0.53 | min 0.51',
  ),
  terminals: (d, options) => terminals(d, options['first'] === 'corner'),
  body: (d) => ({ x: d.E1, y: d.D1, standoff: d.A1, height: d.A }),
  solids: (d): Assembly => {
    const [upright, level] = terminals(d, true) as [SpanGroup, SpanGroup];
    return {
      shapes: {
        body: mouldedBody(d.E1.nom, d.D1.nom, mouldHeights(d.A1.nom, d.A.nom)),
        upright: jShape(d, d.E.nom, d.E1.nom),
        level: jShape(d, d.D.nom, d.D1.nom),
      },
      parts: [...leadParts(upright, 'upright'), ...leadParts(level, 'level'), bodyPart('moulding')],
    };
  },
  dimensionLines: (d) => [...quadLines(d), ...jLines(d, d.E2.nom)],
  name: (d) => [
    'PLCC',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['D', d.D.nom], ['A', d.A.max]),
    '-',
    counted('n', d.n.nom),
  ],
  legend: 'corners',
  polarised: () => true,
  plausibility: [
    ...J_RULES,
    rowAgainstBody<Symbol>('D1', (d) => ({ places: d.nE.nom, pitch: d.e.nom, width: d.b.nom })),
    rowAgainstBody<Symbol>('E1', (d) => ({ places: levelCount(d), pitch: d.e.nom, width: d.b.nom })),
    terminalAgainstPitch,
    inchPitch<Symbol>((d) => d.nE.nom),
  ],
});

function terminals(d: Values, fromCorner: boolean): SpanGroup[] {
  const upright = uprightCount(d);
  const rows = fourRows(upright, levelCount(d), d.e.nom);
  // leaded carriers count from the middle of the top side: that many terminals before the corner
  const before = fromCorner ? 0 : Math.ceil(levelCount(d) / 2);
  const total = 2 * (upright + levelCount(d));
  const shift = (place: TerminalPlace): TerminalPlace => ({
    ...place,
    order: ((place.order - 1 + before) % total) + 1,
  });
  return [
    jGroup(d, d.E, { id: 'upright', title: 'Left and right sides', places: rows.x.map(shift) }),
    {
      ...jGroup(d, d.D, { id: 'level', title: 'Bottom and top sides', places: rows.y.map(shift) }),
      frame: UPRIGHT,
    },
  ];
}
