import type { Assembly } from '../../geometry/solid';
import { count, length } from '../declare';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { LEAD_DIMENSIONS, LEAD_RULES, leadGroup, leadLines, leadShape, type LeadSymbol } from '../gull-wing';
import { QUAD_SPARE, rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { byX, counted, hundredths } from '../naming';
import { levelCount, quadLines, uprightCount } from '../quad';
import { fourRows } from '../rows';
import { bodyPart, leadParts } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import { UPRIGHT, type SpanGroup } from '../terminal';
import { defineWithPad } from '../thermal';

type Symbol = 'n' | 'nE' | 'e' | 'E' | 'D' | 'E1' | 'D1' | LeadSymbol;
type Values = Dimensions<Symbol>;

export const gullWingQuad = defineWithPad<Symbol>({
  id: 'gull-wing-quad',
  type: (d) => (d.E.nom === d.D.nom ? 'SQUARE_QUAD_FLATPACK' : 'RECTANGULAR_QUAD_FLATPACK'),
  title: 'Gull wing, four sides',
  summary:
    'Moulded square or rectangle with formed leads on all four sides (QFP), with or without an exposed pad.',
  keywords: ['QFP', 'LQFP', 'TQFP', 'quad flat package', 'gull wing', 'four sides'],
  dimensions: [
    count('n', 'Leads', 'Number of leads on all sides together', [8, 400], { multipleOf: 2 }),
    count('nE', 'Upright leads', 'Leads on each of the left and right sides', [1, 120], {
      derived: 'n/4',
    }),
    length('e', 'Pitch', 'Centre to centre of neighbouring leads', [0.2, 3], { basic: true }),
    length('E', 'Span across', 'Lead tip to opposite lead tip, left to right', [2, 60]),
    length('D', 'Span upright', 'Lead tip to opposite lead tip, bottom to top', [2, 60], {
      derived: 'E',
    }),
    length('E1', 'Body across', 'Body without leads, left to right', [1.5, 58]),
    length('D1', 'Body upright', 'Body without leads, bottom to top', [1.5, 58], { derived: 'E1' }),
    ...LEAD_DIMENSIONS,
  ],
  options: [],
  pad: {
    first: 'none',
    room: { E2: (d) => d.E.min - 2 * d.L.max, D2: (d) => d.D.min - 2 * d.L.max },
  },
  example: {
    n: '48',
    e: '0.5',
    E: '8.8..9.2',
    E1: '6.9..7.1',
    L: '0.45..0.75',
    b: '0.17..0.27',
    c: '0.09..0.20',
    A: 'max 1.2',
    A1: '0.05..0.15',
  },
  outlines: outlines(
    'n e E E1 L b A A1',
    '32 leads, 7 × 7, pitch 0.8 | JEDEC MS-026 ABA | 32 | 0.8 | 8.8..9.2 | 6.9..7.1 | 0.45..0.75 | 0.30..0.45 | max 1.2 | 0.05..0.15',
    '48 leads, 7 × 7, pitch 0.5 | JEDEC MS-026 ABC | 48 | 0.5 | 8.8..9.2 | 6.9..7.1 | 0.45..0.75 | 0.17..0.27 | max 1.2 | 0.05..0.15',
    '64 leads, 10 × 10, pitch 0.5 | JEDEC MS-026 ACD | 64 | 0.5 | 11.8..12.2 | 9.9..10.1 | 0.45..0.75 | 0.17..0.27 | max 1.2 | 0.05..0.15',
    '100 leads, 14 × 14, pitch 0.5 | JEDEC MS-026 AED | 100 | 0.5 | 15.8..16.2 | 13.9..14.1 | 0.45..0.75 | 0.17..0.27 | max 1.2 | 0.05..0.15',
    '144 leads, 20 × 20, pitch 0.5 | JEDEC MS-026 BFB | 144 | 0.5 | 21.8..22.2 | 19.9..20.1 | 0.45..0.75 | 0.17..0.27 | max 1.6 | 0.05..0.15',
  ),
  terminals: rows,
  body: (d) => ({ x: d.E1, y: d.D1, standoff: d.A1, height: d.A }),
  solids,
  dimensionLines: (d) => [...quadLines(d), ...leadLines(d)],
  name: (d, _options, terminals) => [
    'QFP',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['D', d.D.nom], ['A', d.A.max]),
    '-',
    counted('n', terminals),
  ],
  legend: 'corners',
  polarised: () => true,
  plausibility: [
    ...LEAD_RULES,
    rowAgainstBody<Symbol>('D1', (d) => ({ places: d.nE.nom, pitch: d.e.nom, width: d.b.nom }), QUAD_SPARE),
    rowAgainstBody<Symbol>(
      'E1',
      (d) => ({ places: levelCount(d), pitch: d.e.nom, width: d.b.nom }),
      QUAD_SPARE,
    ),
    terminalAgainstPitch,
  ],
});

function rows(d: Values): SpanGroup[] {
  const { x, y } = fourRows(uprightCount(d), levelCount(d), d.e.nom);
  return [
    leadGroup(d, { id: 'upright', title: 'Left and right sides', pitch: d.e.nom, places: x }),
    {
      ...leadGroup(d, { id: 'level', title: 'Bottom and top sides', pitch: d.e.nom, places: y }),
      frame: UPRIGHT,
      span: d.D,
      body: { size: d.D1, standoff: d.A1 },
    },
  ];
}

function solids(d: Values): Assembly {
  const [upright, level] = rows(d) as [SpanGroup, SpanGroup];
  return {
    shapes: {
      body: mouldedBody(d.E1.nom, d.D1.nom, mouldHeights(d.A1.nom, d.A.nom)),
      upright: leadShape(d, d.E.nom, d.E1.nom),
      level: leadShape(d, d.D.nom, d.D1.nom),
    },
    parts: [...leadParts(upright, 'upright'), ...leadParts(level, 'level'), bodyPart('moulding')],
  };
}
