import type { Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { line } from '../lines';
import { BODY_UPRIGHT, leads, PITCH } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { J_DIMENSIONS, J_RULES, jGroup, jLines, jShape, type JSymbol } from '../j-lead';
import { byX, counted, hundredths } from '../naming';
import { inchPitch, rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { evenRow, twoRows } from '../rows';
import { withLeads } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import type { SpanGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'E2' | 'D' | JSymbol;
type Values = Dimensions<Symbol>;

export const jLeadDual = defineFamily<Symbol>({
  id: 'j-lead-dual',
  type: 'SOJ',
  title: 'J lead, two rows',
  summary: 'Moulded body with leads curled under it on two opposite sides (SOJ).',
  keywords: ['SOJ', 'small outline', 'J lead', 'two rows', 'memory'],
  dimensions: [
    leads(8, 64),
    PITCH,
    length('E', 'Lead span', 'Outside of a lead to outside of the opposite one', [2, 60]),
    length('E1', 'Body width', 'Body without leads, along the span', [1.5, 58]),
    length('E2', 'Contact distance', 'Middle of the bend to middle of the opposite bend', [1, 58]),
    BODY_UPRIGHT,
    ...J_DIMENSIONS,
  ],
  options: [],
  example: {
    n: '32',
    e: '1.27',
    E: '8.36..8.64',
    E1: '7.42..7.62',
    E2: '6.7..6.9',
    D: '20.8..21.1',
    b: '0.38..0.51',
    A: '3.25..3.75',
    A1: 'min 0.64',
  },
  outlines: outlines(
    'n E E1 E2 D e b A A1',
    '300 mil body, 28 leads | - | 28 | 8.36..8.64 | 7.42..7.62 | 6.7..6.9 | 18.3..18.5 | 1.27 | 0.38..0.51 | 3.25..3.75 | min 0.64',
    '400 mil body, 32 leads | - | 32 | 11.05..11.3 | 10.03..10.29 | 9.25..9.55 | 20.8..21.1 | 1.27 | 0.38..0.51 | 3.25..3.75 | min 0.64',
  ),
  terminals,
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A }),
  solids: (d): Assembly => {
    const body = mouldedBody(d.E1.nom, d.D.nom, mouldHeights(d.A1.nom, d.A.nom));
    return withLeads(body, jShape(d, d.E.nom, d.E1.nom), terminals(d));
  },
  dimensionLines: (d) => {
    const [tip, body, end] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    const first = ((d.n.nom / 2 - 1) / 2) * d.e.nom;
    return [
      line('E1', 'plan', 'top', [-body, end], [body, end]),
      line('E', 'plan', 'top', [-tip, first], [tip, first], 1),
      line('e', 'plan', 'left', [-tip, first - d.e.nom], [-tip, first]),
      line('b', 'plan', 'left', [-tip, -first - d.b.nom / 2], [-tip, -first + d.b.nom / 2]),
      line('D', 'plan', 'right', [body, -end], [body, end]),
      ...jLines(d, d.E2.nom),
    ];
  },
  name: (d) => [
    'SOJ',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['A', d.A.max]),
    '-',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    ...J_RULES,
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
    terminalAgainstPitch,
    inchPitch<Symbol>((d) => d.n.nom / 2),
  ],
});

function terminals(d: Values): SpanGroup[] {
  const row = evenRow(d.n.nom / 2, d.e.nom);
  const places = twoRows(row, [...row].reverse());
  return [jGroup(d, d.E, { id: 'rows', title: 'Left and right rows', places })];
}
