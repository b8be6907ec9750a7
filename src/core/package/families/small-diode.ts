import type { Assembly } from '../../geometry/solid';
import { length, line } from '../declare';
import { defineFamily, type Dimensions } from '../family';
import { footAgainstOverhang, leadLengthAgainstOverhang } from '../plausibility/lead-overhang';
import { spanAgainstBody } from '../plausibility/row';
import { twoRows } from '../rows';
import { gullWingLead, withLeads } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import type { TerminalGroup } from '../terminal';

type Symbol = 'E' | 'E1' | 'D' | 'L' | 'L1' | 'b' | 'c' | 'A' | 'A1';
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
    length('L', 'Foot length', 'Flat of the foot that lies on the land, not the whole lead', [0.05, 5]),
    length('L1', 'Lead length', 'Body side to lead tip, seen from above', [-5, 10], { derived: '(E-E1)/2' }),
    length('b', 'Lead width', 'Width of the foot', [0.1, 5]),
    length('c', 'Lead thickness', 'Thickness of the lead', [0.03, 1], { derived: 'typ 0.15' }),
    length('A', 'Height', 'Seating plane to top of body', [0.2, 10], { maximumSuffices: true }),
    length('A1', 'Standoff', 'Seating plane to underside of body', [0, 3], {
      leastUnderMax: 0,
      derived: '0..0.1',
    }),
  ],
  options: [],
  example: {
    E: '3.55..3.85',
    E1: '2.55..2.85',
    D: '1.4..1.7',
    L: '0.25..0.45',
    b: '0.45..0.65',
    A: 'max 1.35',
  },
  terminals,
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A }),
  solids,
  dimensionLines: (d) => {
    const [tip, body, y] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    return [
      line('E1', 'plan', 'top', [-body, y], [body, y]),
      line('E', 'plan', 'top', [-tip, 0], [tip, 0], 1),
      line('b', 'plan', 'left', [-tip, -d.b.nom / 2], [-tip, d.b.nom / 2]),
      line('D', 'plan', 'right', [body, -y], [body, y]),
      line('A', 'front', 'right', [body, 0], [body, mouldHeights(d.A1.nom, d.A.nom).top]),
      line('A1', 'front', 'left', [-body, 0], [-body, d.A1.nom]),
      line('L', 'front', 'bottom', [tip - d.L.nom, 0], [tip, 0]),
      line('L1', 'front', 'bottom', [-tip, 0], [-body, 0]),
    ];
  },
  name: (d) => [
    'SOD',
    { symbol: 'E', value: d.E.nom, decimals: 1, digits: 2 },
    { symbol: 'D', value: d.D.nom, decimals: 1, digits: 2 },
    'X',
    { symbol: 'A', value: d.A.max, decimals: 2 },
  ],
  polarised: () => true,
  plausibility: [footAgainstOverhang, leadLengthAgainstOverhang, spanAgainstBody],
});

function terminals(d: Values): TerminalGroup[] {
  return [
    {
      id: 'ends',
      title: 'Both ends',
      form: 'gull-wing',
      axis: 'x',
      span: d.E,
      length: d.L,
      width: d.b,
      pitch: null,
      body: { size: d.E1, standoff: d.A1 },
      places: twoRows([0], [0]),
    },
  ];
}

function solids(d: Values): Assembly {
  const heights = mouldHeights(d.A1.nom, d.A.nom);
  const lead = gullWingLead({
    body: d.E1.nom / 2,
    tip: d.E.nom / 2,
    foot: d.L.nom,
    width: d.b.nom,
    thickness: d.c.nom,
    exit: heights.parting,
  });
  return withLeads(mouldedBody(d.E1.nom, d.D.nom, heights), lead, terminals(d));
}
