import { count } from '../declare';
import { BODY_ACROSS, BODY_UPRIGHT, PITCH } from '../dimensions';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import {
  CORNER_OPTION,
  cornerGroup,
  END_OPTION,
  NO_LEAD_DIMENSIONS,
  noLeadGroup,
  noLeadLines,
  noLeadSolids,
  terminalsApart,
  type NoLeadSymbol,
} from '../no-lead';
import { rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { levelCount, pitchLines, uprightCount } from '../quad';
import { fourRows } from '../rows';
import { HOME, UPRIGHT, type SpanGroup, type SpotGroup } from '../terminal';
import { defineWithPad } from '../thermal';

type Symbol = 'n' | 'nE' | 'e' | 'E' | 'D' | NoLeadSymbol;
type Values = Dimensions<Symbol>;

export const noLeadQuad = defineWithPad<Symbol>({
  id: 'no-lead-quad',
  title: 'No-lead, four sides',
  summary: 'Flat body with terminals under all four sides, mostly with an exposed pad (QFN).',
  keywords: ['QFN', 'PQFN', 'quad flat no-lead', 'leadless', 'four sides', 'exposed pad', 'pull-back'],
  dimensions: [
    count('n', 'Terminals', 'Number of terminals on all sides, without the exposed pad', [4, 200], {
      multipleOf: 2,
    }),
    count('nE', 'Upright terminals', 'Terminals on each of the left and right sides', [1, 80], {
      derived: 'n/4',
    }),
    PITCH,
    { ...BODY_ACROSS },
    { ...BODY_UPRIGHT, derived: 'E' },
    ...NO_LEAD_DIMENSIONS,
  ],
  options: [END_OPTION, CORNER_OPTION],
  pad: {
    first: 'rectangle',
    room: {
      E2: (d) => d.E.min - 2 * (d.L.max + d.S.max),
      D2: (d) => (levelCount(d) > 0 ? d.D.min - 2 * (d.L.max + d.S.max) : null),
    },
    after: corners,
  },
  example: {
    n: '32',
    e: '0.5',
    E: '4.9..5.1',
    L: '0.35..0.45',
    b: '0.20..0.30',
    A: 'max 0.9',
    E2: '3.4..3.6',
    D2: 'E2',
  },
  outlines: outlines(
    'n e E L b E2 D2 A',
    '16 terminals, 3 × 3, pitch 0.5 | JEDEC MO-220 VEED | 16 | 0.5 | 2.9..3.1 | 0.3..0.5 | 0.18..0.30 | 1.6..1.8 | E2 | max 1.0',
    '24 terminals, 4 × 4, pitch 0.5 | JEDEC MO-220 VGGD | 24 | 0.5 | 3.9..4.1 | 0.3..0.5 | 0.18..0.30 | 2.5..2.7 | E2 | max 1.0',
    '32 terminals, 5 × 5, pitch 0.5 | JEDEC MO-220 VHHD | 32 | 0.5 | 4.9..5.1 | 0.3..0.5 | 0.18..0.30 | 3.4..3.6 | E2 | max 1.0',
    '48 terminals, 7 × 7, pitch 0.5 | JEDEC MO-220 VKKD | 48 | 0.5 | 6.9..7.1 | 0.3..0.5 | 0.18..0.30 | 5.1..5.3 | E2 | max 1.0',
    '64 terminals, 9 × 9, pitch 0.5 | JEDEC MO-220 VMMD | 64 | 0.5 | 8.9..9.1 | 0.3..0.5 | 0.18..0.30 | 7.1..7.3 | E2 | max 1.0',
  ),
  terminals: rows,
  body: (d) => ({ x: d.E, y: d.D, standoff: d.A1, height: d.A }),
  solids: (d, options) => noLeadSolids(d, [d.E.nom, d.D.nom], rows(d, options), corners(d, options, 1)),
  dimensionLines: (d) => noLeadLines(d, pitchLines(d, d.E.nom / 2)),
  name: (d, _options, terminals) => [
    d.S.max > 0 ? 'PQFN' : 'QFN',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['D', d.D.nom], ['A', d.A.max]),
    '-',
    counted('n', terminals),
  ],
  legend: 'corners',
  polarised: () => true,
  plausibility: [
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.nE.nom, pitch: d.e.nom, width: d.b.nom })),
    rowAgainstBody<Symbol>('E', (d) => ({ places: levelCount(d), pitch: d.e.nom, width: d.b.nom })),
    terminalAgainstPitch,
    terminalsApart<Symbol>('E'),
    terminalsApart<Symbol>('D'),
  ],
});

function rows(d: Values, options: Options): SpanGroup[] {
  const { x, y } = fourRows(uprightCount(d), levelCount(d), d.e.nom);
  const upright = noLeadGroup(d, options, d.E, {
    id: 'upright',
    title: 'Left and right sides',
    frame: HOME,
    places: x,
  });
  if (y.length === 0) return [upright];
  const level = noLeadGroup(d, options, d.D, {
    id: 'level',
    title: 'Bottom and top sides',
    frame: UPRIGHT,
    places: y,
  });
  return [upright, level];
}

function corners(d: Values, options: Options, firstOrder: number): SpotGroup[] {
  return cornerGroup(d, options, [d.E.nom / 2, d.D.nom / 2], firstOrder);
}
