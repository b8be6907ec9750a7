import { block, type Assembly } from '../../geometry/solid';
import { count, length } from '../declare';
import { line } from '../lines';
import { HEIGHT } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { rowAgainstBody, spanAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { evenRow, twoRows } from '../rows';
import { withLeads } from '../shapes/leads';
import { flatLead } from '../shapes/terminals';
import { HOME, type SpanGroup } from '../terminal';
import { sizePair } from '../two-terminal';
import { exactly } from '../../units/toleranced';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | 'L' | 'b' | 'c' | 'A';
type Values = Dimensions<Symbol>;

/** Which places of the pitch grid are taken, by the number of leads. */
const LAYOUTS: Readonly<Record<number, { left: readonly number[]; right: readonly number[] }>> = {
  2: { left: [0], right: [0] },
  3: { left: [1, -1], right: [0] },
  4: { left: [1, -1], right: [-1, 1] },
  5: { left: [1, 0, -1], right: [-1, 1] },
  6: { left: [1, 0, -1], right: [-1, 0, 1] },
  8: { left: evenRow(4, 1), right: [...evenRow(4, 1)].reverse() },
};
const layoutOf = (d: Values) => LAYOUTS[d.n.nom] ?? { left: [], right: [] };

export const flatLeadOutline = defineFamily<Symbol>({
  id: 'flat-lead',
  title: 'Flat lead, 2 to 8 leads',
  summary: 'Thin moulded body on straight leads that lie flat on the board (SODFL, SOTFL).',
  keywords: ['SODFL', 'SOTFL', 'flat lead', 'small outline', 'diode', 'transistor', 'two terminals'],
  dimensions: [
    count('n', 'Leads', 'Number of leads on both sides together', [2, 8], { oneOf: [2, 3, 4, 5, 6, 8] }),
    length('e', 'Pitch', 'Centre to centre of neighbouring places, taken or not', [0.2, 3], {
      basic: true,
      derived: '0.5',
    }),
    length('E', 'Lead span', 'Lead tip to opposite lead tip', [0.5, 15]),
    length('E1', 'Body width', 'Body without leads, along the span', [0.3, 12]),
    length('D', 'Body length', 'Body along the rows', [0.3, 15]),
    length('L', 'Lead length', 'Part of the lead that lies on the land, under the body too', [0.05, 5]),
    length('b', 'Lead width', 'Width of the lead', [0.05, 5]),
    length('c', 'Lead thickness', 'Thickness of the lead', [0.03, 1], { derived: 'typ 0.13' }),
    HEIGHT,
  ],
  options: [],
  example: {
    n: '6',
    e: '0.5',
    E: '1.5..1.7',
    E1: '1.1..1.3',
    D: '1.5..1.7',
    L: '0.1..0.3',
    b: '0.17..0.27',
    c: '0.08..0.18',
    A: 'max 0.6',
  },
  outlines: outlines(
    'n E E1 D L b A',
    'Diode, 1.6 × 0.8 body length | JEITA SC-79 | 2 | 1.5..1.7 | 1.1..1.3 | 0.7..0.9 | 0.2..0.4 | 0.25..0.35 | max 0.7',
    'Diode, 2.5 × 1.3 body length | - | 2 | 2.4..2.6 | 1.6..1.8 | 1.15..1.35 | 0.3..0.5 | 0.5..0.7 | max 0.7',
  ),
  terminals,
  body: (d) => ({ x: d.E1, y: d.D, standoff: exactly(0), height: d.A }),
  solids: (d): Assembly => {
    const from = Math.min(d.E1.nom / 2, d.E.nom / 2) - Math.min(0.3, d.E1.nom / 4);
    const lead = flatLead(from, d.E.nom / 2, d.b.nom, d.c.nom);
    // the moulding stands on the leads' top
    return withLeads(
      block(d.E1.nom, d.D.nom, d.c.nom, Math.max(d.A.nom, d.c.nom + 0.05)),
      lead,
      terminals(d),
    );
  },
  dimensionLines: (d) => {
    const [tip, body, end] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    const first = (layoutOf(d).left[0] ?? 0) * d.e.nom;
    const last = (layoutOf(d).left.at(-1) ?? 0) * d.e.nom;
    return [
      line('E1', 'plan', 'top', [-body, end], [body, end]),
      line('E', 'plan', 'top', [-tip, first], [tip, first], 1),
      ...(d.n.nom > 3 ? [line('e', 'plan', 'left', [-tip, first - d.e.nom], [-tip, first])] : []),
      line('b', 'plan', 'left', [-tip, last - d.b.nom / 2], [-tip, last + d.b.nom / 2], 1),
      line('D', 'plan', 'right', [body, -end], [body, end]),
      line('L', 'front', 'bottom', [tip - d.L.nom, 0], [tip, 0]),
      line('c', 'front', 'left', [-tip, 0], [-tip, d.c.nom]),
      line('A', 'front', 'right', [body, 0], [body, d.A.nom]),
    ];
  },
  name: (d) =>
    d.n.nom === 2
      ? ['SODFL', ...sizePair(['E', d.E.nom], ['D', d.D.nom]), 'X', hundredths('A', d.A.max)]
      : [
          'SOTFL',
          hundredths('e', d.e.nom),
          'P',
          ...byX(['E', d.E.nom], ['A', d.A.max]),
          '-',
          counted('n', d.n.nom),
        ],
  polarised: () => true,
  plausibility: [
    spanAgainstBody,
    rowAgainstBody<Symbol>('D', (d) => {
      const { left } = layoutOf(d);
      const places = Math.round((left[0] ?? 0) - (left.at(-1) ?? 0)) + 1;
      return { places: places > 1 ? places : 1, pitch: places > 1 ? d.e.nom : d.D.nom, width: d.b.nom };
    }),
    {
      ...terminalAgainstPitch,
      check: (context) => (context.d.n.nom > 2 ? terminalAgainstPitch.check(context) : []),
    },
  ],
});

function terminals(d: Values): SpanGroup[] {
  const { left, right } = layoutOf(d);
  const at = (steps: readonly number[]) => steps.map((step) => step * d.e.nom + 0);
  return [
    {
      kind: 'span',
      id: 'rows',
      title: 'Left and right leads',
      form: 'flat-lead',
      frame: HOME,
      span: d.E,
      length: d.L,
      width: d.b,
      pitch: d.n.nom > 3 ? d.e.nom : null,
      body: null,
      places: twoRows(at(left), at(right)),
    },
  ];
}
