import { count, length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { byX, hundredths } from '../naming';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { LEAD_DIMENSIONS, LEAD_RULES, leadedBody, leadGroup, leadLines, type LeadSymbol } from '../gull-wing';
import { rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { evenRow, twoRows } from '../rows';
import type { TerminalGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | LeadSymbol;
type Values = Dimensions<Symbol>;

/** Which places of the pitch grid are taken: left side downwards, right side upwards. */
const LAYOUTS: Readonly<Record<number, { left: readonly number[]; right: readonly number[] }>> = {
  3: { left: [1, -1], right: [0] },
  4: { left: [1, -1], right: [-1, 1] },
  5: { left: [1, 0, -1], right: [-1, 1] },
  6: { left: [1, 0, -1], right: [-1, 0, 1] },
  8: { left: evenRow(4, 1), right: [...evenRow(4, 1)].reverse() },
};

const layoutOf = (d: Values) => LAYOUTS[d.n.nom] ?? { left: [], right: [] };

export const smallTransistor = defineFamily<Symbol>({
  id: 'small-transistor',
  type: (d) => (d.n.nom === 3 && Math.abs(d.e.nom - 0.95) < 0.01 ? 'SOT23' : 'OTHER'),
  title: 'Small transistor, 3 to 8 leads',
  summary: 'Moulded body with formed leads on two sides, some places left empty (SOT).',
  keywords: ['SOT', 'small outline transistor', 'gull wing', 'three leads', 'five leads', 'regulator'],
  dimensions: [
    count('n', 'Leads', 'Number of leads on both sides together', [3, 8], { oneOf: [3, 4, 5, 6, 8] }),
    length('e', 'Pitch', 'Centre to centre of neighbouring places, taken or not', [0.2, 3], { basic: true }),
    length('E', 'Lead span', 'Lead tip to opposite lead tip', [0.8, 15]),
    length('E1', 'Body width', 'Body without leads, along the span', [0.5, 12]),
    length('D', 'Body length', 'Body along the rows', [0.5, 15]),
    ...LEAD_DIMENSIONS,
  ],
  options: [],
  example: {
    n: '5',
    e: '0.95',
    E: '2.6..3.0',
    E1: '1.5..1.7',
    D: '2.8..3.0',
    L: '0.3..0.6',
    b: '0.30..0.50',
    c: '0.08..0.22',
    A: 'max 1.45',
    A1: '0..0.15',
  },
  outlines: outlines(
    'n e E E1 D L b A A1',
    '3 leads, 2.9 × 1.3 body | JEDEC TO-236 AB | 3 | 0.95 | 2.1..2.64 | 1.2..1.4 | 2.8..3.04 | 0.4..0.6 | 0.30..0.50 | max 1.12 | 0..0.1',
    '3 leads, 2.0 × 1.25 body | JEITA SC-70 | 3 | 0.65 | 1.8..2.4 | 1.15..1.35 | 1.8..2.2 | 0.15..0.4 | 0.25..0.40 | max 1.1 | 0..0.1',
    '5 leads, 2.9 × 1.6 body | JEDEC MO-178 AA | 5 | 0.95 | 2.6..3.0 | 1.5..1.7 | 2.8..3.0 | 0.3..0.6 | 0.30..0.50 | max 1.45 | 0..0.1',
    '6 leads, 2.9 × 1.6 body | JEDEC MO-178 AB | 6 | 0.95 | 2.6..3.0 | 1.5..1.7 | 2.8..3.0 | 0.3..0.6 | 0.30..0.50 | max 1.45 | 0..0.1',
    '6 leads, 2.0 × 1.25 body | JEDEC MO-203 AB | 6 | 0.65 | 1.8..2.4 | 1.15..1.35 | 1.8..2.2 | 0.15..0.4 | 0.15..0.30 | max 1.1 | 0..0.1',
  ),
  terminals,
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A }),
  solids: (d) => leadedBody(d, d.D.nom, terminals(d)),
  dimensionLines: (d) => {
    const [tip, body, end] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    const { left } = layoutOf(d);
    const [first, second] = [(left[0] ?? 0) * d.e.nom, ((left[0] ?? 0) - 1) * d.e.nom];
    const last = (left.at(-1) ?? 0) * d.e.nom;
    return [
      line('E1', 'plan', 'top', [-body, end], [body, end]),
      line('E', 'plan', 'top', [-tip, first], [tip, first], 1),
      line('e', 'plan', 'left', [-tip, second], [-tip, first]),
      line('b', 'plan', 'left', [-tip, last - d.b.nom / 2], [-tip, last + d.b.nom / 2], 1),
      line('D', 'plan', 'right', [body, -end], [body, end]),
      ...leadLines(d),
    ];
  },
  name: (d) => [
    'SOT',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['A', d.A.max]),
    '-',
    { symbol: 'n', value: d.n.nom, decimals: 0 },
  ],
  polarised: () => true,
  plausibility: [
    ...LEAD_RULES,
    rowAgainstBody<Symbol>('D', (d) => {
      const { left } = layoutOf(d);
      return { places: Math.round((left[0] ?? 0) - (left.at(-1) ?? 0)) + 1, pitch: d.e.nom, width: d.b.nom };
    }),
    terminalAgainstPitch,
  ],
});

function terminals(d: Values): TerminalGroup[] {
  const { left, right } = layoutOf(d);
  const at = (steps: readonly number[]) => steps.map((step) => step * d.e.nom + 0);
  const places = twoRows(at(left), at(right));
  return [leadGroup(d, { id: 'rows', title: 'Left and right rows', pitch: d.e.nom, places })];
}
