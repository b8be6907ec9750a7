import { BODY_ACROSS, BODY_UPRIGHT, leads, PITCH } from '../dimensions';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import {
  END_OPTION,
  NO_LEAD_DIMENSIONS,
  noLeadGroup,
  noLeadLines,
  noLeadSolids,
  terminalsApart,
  type NoLeadSymbol,
} from '../no-lead';
import { rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { pitchLines } from '../quad';
import { evenRow, twoRows } from '../rows';
import { HOME, type SpanGroup } from '../terminal';
import { defineWithPad } from '../thermal';

type Symbol = 'n' | 'e' | 'E' | 'D' | NoLeadSymbol;
type Values = Dimensions<Symbol>;

export const noLeadDual = defineWithPad<Symbol>({
  id: 'no-lead-dual',
  title: 'No-lead, two sides',
  summary: 'Flat body with terminals under two opposite sides, with or without an exposed pad (DFN, SON).',
  keywords: ['DFN', 'SON', 'PSON', 'no-lead', 'leadless', 'two rows', 'exposed pad', 'pull-back'],
  dimensions: [
    { ...leads(2, 60), name: 'Terminals' },
    PITCH,
    { ...BODY_ACROSS, help: 'Over the body from one row to the other' },
    { ...BODY_UPRIGHT, help: 'Over the body along the rows' },
    ...NO_LEAD_DIMENSIONS,
  ],
  options: [
    END_OPTION,
    {
      id: 'word',
      name: 'Named as',
      choices: [
        { id: 'DFN', name: 'DFN, dual flat no-lead' },
        { id: 'SON', name: 'SON, small outline no-lead' },
      ],
    },
  ],
  pad: {
    first: 'rectangle',
    room: { E2: (d) => d.E.min - 2 * (d.L.max + d.S.max), D2: (d) => d.D.max },
  },
  example: {
    n: '8',
    e: '0.5',
    E: '2.9..3.1',
    D: '1.9..2.1',
    L: '0.3..0.5',
    b: '0.20..0.30',
    A: 'max 0.8',
    E2: '1.4..1.6',
    D2: '1.5..1.7',
  },
  outlines: outlines(
    'n e E D L b E2 D2 A',
    '6 terminals, 2 × 2, pitch 0.65 | - | 6 | 0.65 | 1.9..2.1 | 1.9..2.1 | 0.25..0.35 | 0.25..0.35 | 0.8..1.0 | 1.5..1.7 | max 0.8',
    '8 terminals, 3 × 2, pitch 0.5 | - | 8 | 0.5 | 2.9..3.1 | 1.9..2.1 | 0.3..0.5 | 0.20..0.30 | 1.4..1.6 | 1.5..1.7 | max 0.8',
    '10 terminals, 3 × 3, pitch 0.5 | - | 10 | 0.5 | 2.9..3.1 | 2.9..3.1 | 0.3..0.5 | 0.18..0.30 | 1.5..1.7 | 2.3..2.5 | max 0.8',
  ),
  terminals: rows,
  body: (d) => ({ x: d.E, y: d.D, standoff: d.A1, height: d.A }),
  solids: (d, options) => noLeadSolids(d, [d.E.nom, d.D.nom], rows(d, options)),
  dimensionLines: (d) => {
    const lines = pitchLines({ ...d, nE: { ...d.n, nom: d.n.nom / 2 } }, d.E.nom / 2);
    // a single pair has no pitch to measure
    return noLeadLines(d, d.n.nom > 2 ? lines : lines.filter(({ symbol }) => symbol !== 'e'));
  },
  name: (d, options, terminals) => {
    const word = options['word'] ?? 'DFN';
    return [
      d.S.max > 0 && word === 'SON' ? 'PSON' : word,
      hundredths('e', d.e.nom),
      'P',
      ...byX(['E', d.E.nom], ['D', d.D.nom], ['A', d.A.max]),
      '-',
      counted('n', terminals),
    ];
  },
  polarised: () => true,
  plausibility: [
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
    terminalAgainstPitch,
    terminalsApart<Symbol>('E'),
  ],
});

function rows(d: Values, options: Options): SpanGroup[] {
  const row = evenRow(d.n.nom / 2, d.e.nom);
  const places = twoRows(row, [...row].reverse());
  return [noLeadGroup(d, options, d.E, { id: 'rows', title: 'Left and right rows', frame: HOME, places })];
}
