import { length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { hundredths } from '../naming';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { LEAD_DIMENSIONS, LEAD_RULES, leadedBody, leadGroup, leadLines, type LeadSymbol } from '../gull-wing';
import { twoRows } from '../rows';
import type { SpanGroup } from '../terminal';
import { sizePair } from '../two-terminal';

type Symbol = 'E' | 'E1' | 'D' | LeadSymbol;
type Values = Dimensions<Symbol>;

export const smallDiode = defineFamily<Symbol>({
  id: 'small-diode',
  title: 'Small diode, gull wing',
  summary: 'Moulded body with one formed lead at each end (SOD).',
  keywords: ['SOD', 'small outline diode', 'gull wing', 'two terminals'],
  dimensions: [
    length('E', 'Lead span', 'Lead tip to opposite lead tip', [0.8, 20]),
    length('E1', 'Body length', 'Body without leads, along the span', [0.4, 18]),
    length('D', 'Body width', 'Across the body', [0.3, 15]),
    ...LEAD_DIMENSIONS,
  ],
  options: [],
  example: {
    E: '3.55..3.85',
    E1: '2.55..2.85',
    D: '1.4..1.8',
    L: '0.25..0.45',
    b: '0.45..0.65',
    A: 'max 1.35',
    A1: '0..0.1',
  },
  outlines: outlines(
    'E E1 D L b A A1',
    '1.7 × 1.25 body | JEITA SC-76 | 2.3..2.7 | 1.6..1.8 | 1.15..1.35 | 0.2..0.4 | 0.25..0.35 | max 1.1 | 0..0.1',
    '2.7 × 1.6 body | - | 3.55..3.85 | 2.55..2.85 | 1.4..1.8 | 0.25..0.45 | 0.45..0.65 | max 1.35 | 0..0.1',
  ),
  terminals,
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A }),
  solids: (d) => leadedBody(d, d.D.nom, terminals(d)),
  dimensionLines: (d) => {
    const [tip, body, y] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    return [
      line('E1', 'plan', 'top', [-body, y], [body, y]),
      line('E', 'plan', 'top', [-tip, 0], [tip, 0], 1),
      line('b', 'plan', 'left', [-tip, -d.b.nom / 2], [-tip, d.b.nom / 2]),
      line('D', 'plan', 'right', [body, -y], [body, y]),
      ...leadLines(d),
    ];
  },
  name: (d) => ['SOD', ...sizePair(['E', d.E.nom], ['D', d.D.nom]), 'X', hundredths('A', d.A.max)],
  polarised: () => true,
  polarity: () => 'cathode',
  plausibility: LEAD_RULES,
});

function terminals(d: Values): SpanGroup[] {
  return [leadGroup(d, { id: 'ends', title: 'Both ends', pitch: null, places: twoRows([0], [0]) })];
}
