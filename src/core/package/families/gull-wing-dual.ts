import type { Assembly } from '../../geometry/solid';
import { count, length, line } from '../declare';
import { defineFamily, type DimensionLine, type Dimensions } from '../family';
import { footAgainstOverhang, leadLengthAgainstOverhang } from '../plausibility/lead-overhang';
import { inchPitch, rowAgainstBody, spanAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { evenRow, twoRows } from '../rows';
import { gullWingLead, withLeads } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import type { TerminalGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | 'L' | 'L1' | 'b' | 'c' | 'A' | 'A1';
type Values = Dimensions<Symbol>;

/** Pitch from which the standard name says small outline IC rather than small outline package. */
const SOIC_PITCH = 1.27;

export const gullWingDual = defineFamily<Symbol>({
  id: 'gull-wing-dual',
  title: 'Gull wing, two rows',
  summary: 'Moulded body with formed leads on two opposite sides.',
  keywords: ['small outline', 'SOIC', 'SOP', 'SSOP', 'TSSOP', 'gull wing', 'dual', 'two rows'],
  dimensions: [
    count('n', 'Leads', 'Number of leads on both sides together', [8, 64], { multipleOf: 2 }),
    length('e', 'Pitch', 'Centre to centre of neighbouring leads', [0.2, 5], { basic: true }),
    length('E', 'Lead span', 'Lead tip to opposite lead tip', [0.8, 60]),
    length('E1', 'Body width', 'Body without leads, along the span', [0.5, 58]),
    length('D', 'Body length', 'Body along the rows', [0.5, 100]),
    length('L', 'Foot length', 'Flat of the foot that lies on the land, not the whole lead', [0.05, 10]),
    length('L1', 'Lead length', 'Body side to lead tip, seen from above', [-5, 15], { derived: '(E-E1)/2' }),
    length('b', 'Lead width', 'Width of the foot', [0.05, 3]),
    length('c', 'Lead thickness', 'Thickness of the lead', [0.03, 1], { derived: 'typ 0.15' }),
    length('A', 'Height', 'Seating plane to top of body', [0.2, 20], { maximumSuffices: true }),
    length('A1', 'Standoff', 'Seating plane to underside of body', [0, 5], { leastUnderMax: 0 }),
  ],
  options: [],
  example: {
    n: '16',
    e: '0.65',
    E: '6.2..6.6',
    E1: '4.3..4.5',
    D: '4.9..5.1',
    L: '0.45..0.75',
    b: '0.19..0.30',
    c: '0.09..0.20',
    A: 'max 1.2',
    A1: '0.05..0.15',
  },
  terminals,
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A }),
  solids,
  dimensionLines,
  name: (d) => [
    d.e.nom >= SOIC_PITCH ? 'SOIC' : 'SOP',
    { symbol: 'e', value: d.e.nom, decimals: 2 },
    'P',
    { symbol: 'E', value: d.E.nom, decimals: 2 },
    'X',
    { symbol: 'A', value: d.A.max, decimals: 2 },
    '-',
    { symbol: 'n', value: d.n.nom, decimals: 0 },
  ],
  polarised: () => true,
  plausibility: [
    footAgainstOverhang,
    leadLengthAgainstOverhang,
    spanAgainstBody,
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
    terminalAgainstPitch,
    inchPitch<Symbol>((d) => d.n.nom / 2),
  ],
});

function terminals(d: Values): TerminalGroup[] {
  const row = evenRow(d.n.nom / 2, d.e.nom);
  return [
    {
      id: 'rows',
      title: 'Left and right rows',
      form: 'gull-wing',
      axis: 'x',
      span: d.E,
      length: d.L,
      width: d.b,
      pitch: d.e.nom,
      body: { size: d.E1, standoff: d.A1 },
      places: twoRows(row, [...row].reverse()),
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

function dimensionLines(d: Values): DimensionLine[] {
  const [tip, body, end] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
  const first = ((d.n.nom / 2 - 1) / 2) * d.e.nom;
  const half = d.b.nom / 2;
  return [
    line('E1', 'plan', 'top', [-body, end], [body, end]),
    line('E', 'plan', 'top', [-tip, first], [tip, first], 1),
    line('e', 'plan', 'left', [-tip, first - d.e.nom], [-tip, first]),
    line('b', 'plan', 'left', [-tip, -first - half], [-tip, -first + half]),
    line('D', 'plan', 'right', [body, -end], [body, end]),
    line('A', 'front', 'right', [body, 0], [body, mouldHeights(d.A1.nom, d.A.nom).top]),
    line('A1', 'front', 'left', [-body, 0], [-body, d.A1.nom]),
    line('L', 'front', 'bottom', [tip - d.L.nom, 0], [tip, 0]),
    line('L1', 'front', 'bottom', [-tip, 0], [-body, 0]),
    line('c', 'side', 'left', [-first, 0], [-first, d.c.nom]),
  ];
}
