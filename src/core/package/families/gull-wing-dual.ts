import { count, length, line } from '../declare';
import { defineFamily, type DimensionLine, type Dimensions } from '../family';
import { LEAD_DIMENSIONS, LEAD_RULES, leadedBody, leadGroup, leadLines, type LeadSymbol } from '../gull-wing';
import { inchPitch, rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { evenRow, twoRows } from '../rows';
import type { TerminalGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | LeadSymbol;
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
    ...LEAD_DIMENSIONS,
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
  solids: (d) => leadedBody(d, d.D.nom, terminals(d)),
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
    ...LEAD_RULES,
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
    terminalAgainstPitch,
    inchPitch<Symbol>((d) => d.n.nom / 2),
  ],
});

function terminals(d: Values): TerminalGroup[] {
  const row = evenRow(d.n.nom / 2, d.e.nom);
  const places = twoRows(row, [...row].reverse());
  return [leadGroup(d, { id: 'rows', title: 'Left and right rows', pitch: d.e.nom, places })];
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
    ...leadLines(d),
    line('c', 'side', 'left', [-first, 0], [-first, d.c.nom]),
  ];
}
