import { count, length } from '../declare';
import { line } from '../lines';
import { outlines } from '../outlines';
import type { DimensionLine } from '../lines';
import type { Dimensions } from '../definitions';
import { LEAD_DIMENSIONS, LEAD_RULES, leadedBody, leadGroup, leadLines, type LeadSymbol } from '../gull-wing';
import { inchPitch, rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { byX, counted, hundredths } from '../naming';
import { evenRow, twoRows } from '../rows';
import type { SpanGroup } from '../terminal';
import { defineWithPad } from '../thermal';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | LeadSymbol;
type Values = Dimensions<Symbol>;

/** Pitch from which the standard name says small outline IC rather than small outline package. */
const SOIC_PITCH = 1.27;

export const gullWingDual = defineWithPad<Symbol>({
  id: 'gull-wing-dual',
  type: (d) => (d.e.nom >= SOIC_PITCH ? 'SOIC' : 'SSOIC'),
  title: 'Gull wing, two rows',
  summary: 'Moulded body with formed leads on two opposite sides, with or without an exposed pad.',
  keywords: ['small outline', 'SOIC', 'SOP', 'SSOP', 'TSSOP', 'gull wing', 'dual', 'two rows'],
  dimensions: [
    count('n', 'Leads', 'Number of leads on both sides together', [4, 64], { multipleOf: 2 }),
    length('e', 'Pitch', 'Centre to centre of neighbouring leads', [0.2, 5], { basic: true }),
    length('E', 'Lead span', 'Lead tip to opposite lead tip', [0.8, 60]),
    length('E1', 'Body width', 'Body without leads, along the span', [0.5, 58]),
    length('D', 'Body length', 'Body along the rows', [0.5, 100]),
    ...LEAD_DIMENSIONS,
  ],
  options: [],
  pad: { first: 'none', room: { E2: (d) => d.E.min - 2 * d.L.max } },
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
  outlines: outlines(
    'n e E E1 D L b A A1',
    '8 leads, 3.9 mm body, pitch 1.27 | JEDEC MS-012 AA | 8 | 1.27 | 5.8..6.2 | 3.8..4.0 | 4.8..5.0 | 0.40..1.27 | 0.31..0.51 | max 1.75 | 0.10..0.25',
    '16 leads, 7.5 mm body, pitch 1.27 | JEDEC MS-013 AA | 16 | 1.27 | 10.0..10.65 | 7.4..7.6 | 10.1..10.5 | 0.40..1.27 | 0.31..0.51 | max 2.65 | 0.10..0.30',
    '8 leads, 4.4 mm body, pitch 0.65 | JEDEC MO-153 AA | 8 | 0.65 | 6.2..6.6 | 4.3..4.5 | 2.9..3.1 | 0.45..0.75 | 0.19..0.30 | max 1.2 | 0.05..0.15',
    '20 leads, 4.4 mm body, pitch 0.65 | JEDEC MO-153 AC | 20 | 0.65 | 6.2..6.6 | 4.3..4.5 | 6.4..6.6 | 0.45..0.75 | 0.19..0.30 | max 1.2 | 0.05..0.15',
    '16 leads, 3.9 mm body, pitch 0.635 | JEDEC MO-137 AB | 16 | 0.635 | 5.8..6.2 | 3.8..4.0 | 4.8..5.0 | 0.41..1.27 | 0.20..0.30 | max 1.75 | 0.10..0.25',
    '20 leads, 5.3 mm body, pitch 0.65 | JEDEC MO-150 AE | 20 | 0.65 | 7.4..8.2 | 5.0..5.6 | 6.9..7.5 | 0.55..0.95 | 0.22..0.38 | max 2.0 | 0.05..0.25',
    '4 leads, 4.4 mm body, pitch 1.27 | - | 4 | 1.27 | 6.8..7.2 | 4.2..4.6 | 2.4..2.8 | 0.4..0.8 | 0.35..0.5 | max 2.3 | 0.05..0.15',
    '48 leads, 6.1 mm body, pitch 0.5 | JEDEC MO-153 ED | 48 | 0.5 | 7.9..8.3 | 6.0..6.2 | 12.4..12.6 | 0.45..0.75 | 0.17..0.27 | max 1.2 | 0.05..0.15',
  ),
  terminals: rows,
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A }),
  solids: (d) => leadedBody(d, d.D.nom, rows(d)),
  dimensionLines,
  name: (d, _options, terminals) => [
    d.e.nom >= SOIC_PITCH ? 'SOIC' : 'SOP',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['A', d.A.max]),
    '-',
    counted('n', terminals),
  ],
  polarised: () => true,
  plausibility: [
    ...LEAD_RULES,
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
    terminalAgainstPitch,
    inchPitch<Symbol>((d) => d.n.nom / 2),
  ],
});

function rows(d: Values): SpanGroup[] {
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
