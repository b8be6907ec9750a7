import { block, type Assembly, type Part } from '../../geometry/solid';
import { count, length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { LEAD_DIMENSIONS, LEAD_RULES, leadGroup, leadShape, type LeadSymbol } from '../gull-wing';
import { byX, counted, hundredths } from '../naming';
import { agreesWith } from '../plausibility/counts';
import { inchPitch, terminalAgainstPitch } from '../plausibility/row';
import { evenRow, twoRows } from '../rows';
import { leadParts } from '../shapes/leads';
import { standingCylinder } from '../shapes/round';
import type { Bore, SpanGroup, TerminalPlace } from '../terminal';
import { centred } from '../pins';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | 'H' | 'p' | 'P' | LeadSymbol;
type Values = Dimensions<Symbol>;

export const surfaceHeader = defineFamily<Symbol>({
  id: 'surface-header',
  type: 'CONNECTOR_SM',
  title: 'Surface-mount header',
  summary: 'Pin header on formed leads: two rows, or one row staggered; with or without locating pegs.',
  keywords: ['header', 'connector', 'surface mount', 'staggered', 'pegs', 'gull wing', 'two rows', 'pins'],
  dimensions: [
    count('n', 'Pins', 'Number of pins in all rows', [2, 120]),
    length('e', 'Pitch', 'Centre to centre of neighbouring pins along the row', [0.4, 6], { basic: true }),
    length('E', 'Lead span', 'Lead tip to opposite lead tip', [1.5, 30]),
    length('E1', 'Insulator width', 'Insulator across the rows', [0.8, 25]),
    length('D', 'Insulator length', 'Insulator along the rows', [1, 200], {
      derived: ({ rows: kind }) => (kind === 'staggered' ? 'e*n' : 'e*n/2'),
    }),
    ...LEAD_DIMENSIONS.filter(({ symbol }) => symbol !== 'A'),
    length('A', 'Insulator height', 'Seating plane to top of insulator', [0.8, 20]),
    length('H', 'Overall height', 'Seating plane to the pins’ tips', [1, 40], { derived: 'A+6' }),
    length('p', 'Peg hole', 'Hole for a locating peg, as the drawing recommends it', [0.4, 4], {
      derived: '1.0',
      basic: true,
      when: ({ pegs }) => pegs === 'two',
    }),
    length('P', 'Peg distance', 'Centre to centre of the two pegs, along the rows', [0.8, 200], {
      derived: 'D-e',
      basic: true,
      when: ({ pegs }) => pegs === 'two',
    }),
  ],
  options: [
    {
      id: 'rows',
      name: 'Leads',
      choices: [
        { id: 'two', name: 'two rows of pins' },
        { id: 'staggered', name: 'one row, sides in turn' },
      ],
    },
    {
      id: 'pegs',
      name: 'Pegs',
      choices: [
        { id: 'none', name: 'none' },
        { id: 'two', name: 'two, on the middle line' },
      ],
    },
  ],
  example: {
    n: '10',
    e: '1.27',
    E: '5.3..5.7',
    E1: '3.3..3.5',
    L: '0.6..0.8',
    b: '0.35..0.45',
    A: '2.4..2.6',
    A1: '0..0.1',
  },
  outlines: outlines(
    'n e E E1 L b A A1',
    '2 × 5, pitch 1.27 | - | 10 | 1.27 | 5.3..5.7 | 3.3..3.5 | 0.6..0.8 | 0.35..0.45 | 2.4..2.6 | 0..0.1 | rows=two',
    '2 × 5, pitch 2.54 | - | 10 | 2.54 | 7.3..7.7 | 4.9..5.2 | 0.7..1.0 | 0.59..0.69 | 2.4..2.6 | 0..0.1 | rows=two',
  ),
  terminals: (d, options) => [rows(d, options)],
  bores: (d, options): Bore[] =>
    options['pegs'] === 'two'
      ? [1, -1].map((side) => ({ at: { x: 0, y: (side * d.P.nom) / 2 }, diameter: d.p.nom }))
      : [],
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.H }),
  solids,
  dimensionLines: (d, options) => {
    const [tip, body, end] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    const { places } = rows(d, options);
    const left = places.filter((place) => place.end === -1);
    const [first = 0, last = 0] = [left[0]?.along, left.at(-1)?.along];
    return [
      line('E1', 'plan', 'top', [-body, end], [body, end]),
      line('E', 'plan', 'top', [-tip, first], [tip, first], 1),
      line('e', 'plan', 'left', [-tip, first - d.e.nom], [-tip, first]),
      line('b', 'plan', 'left', [-tip, last - d.b.nom / 2], [-tip, last + d.b.nom / 2], 1),
      line('D', 'plan', 'right', [body, -end], [body, end]),
      ...(options['pegs'] === 'two'
        ? [line('P', 'plan', 'right', [0, -d.P.nom / 2], [0, d.P.nom / 2], 1)]
        : []),
      line('A', 'front', 'right', [body, 0], [body, d.A.nom]),
      line('H', 'front', 'left', [0, 0], [0, d.H.nom], 1),
      line('L', 'front', 'bottom', [tip - d.L.nom, 0], [tip, 0]),
    ];
  },
  name: (d) => [
    'HDRSM',
    counted('n', d.n.nom),
    'P',
    hundredths('e', d.e.nom),
    '_',
    ...byX(['D', d.D.nom], ['E', d.E.nom], ['H', d.H.max]),
  ],
  polarised: () => true,
  plausibility: [
    ...LEAD_RULES,
    terminalAgainstPitch,
    inchPitch<Symbol>((d) => d.n.nom / 2),
    {
      id: 'row-length',
      title: 'Row length against insulator',
      fault: 'Row of pins is longer than its insulator',
      source: 'Geometry: all pins stand in the insulator',
      check: ({ d, options, entered, enter }) => {
        const along = rows(d, options).places.map((place) => place.along);
        const row = Math.max(...along) - Math.min(...along) + d.b.nom;
        if (row <= d.D.max + 1e-9) return [];
        const mm = (v: number) => String(Math.round(v * 1000) / 1000);
        return [
          {
            severity: 'stop',
            message: `${d.n.nom} pins at pitch e ${mm(d.e.nom)} mm make a row of ${mm(row)} mm; the insulator D is ${mm(d.D.max)} mm. One of n, e and D is wrong.`,
            place: { dimensions: ['D', 'n', 'e'] },
            measured: { value: row, limit: d.D.max, unit: 'mm' },
            remedies: entered('D') ? [{ label: 'Compute D from n and e', edits: [enter('D', '')] }] : [],
          },
        ];
      },
    },
    agreesWith<Symbol>(
      'D',
      ['n', 'e'],
      'the row of pins',
      (d, { rows: kind }) => (kind === 'staggered' ? 1 : 0.5) * d.n.nom * d.e.nom,
      6,
    ),
  ],
});

function rows(d: Values, options: Options): SpanGroup {
  const staggered = options['rows'] === 'staggered';
  const columns = staggered ? d.n.nom : Math.ceil(d.n.nom / 2);
  const row = evenRow(columns, d.e.nom);
  const places: TerminalPlace[] = staggered
    ? row.map((along, i) => ({ order: i + 1, end: i % 2 === 0 ? -1 : 1, along }))
    : twoRows(row, [...row].reverse().slice(0, d.n.nom - columns));
  const pitch = staggered ? 2 * d.e.nom : d.e.nom;
  return leadGroup({ ...d, E: d.E, E1: d.E1 }, { id: 'rows', title: 'Leads', pitch, places });
}

function solids(d: Values, options: Options): Assembly {
  const group = rows(d, options);
  const staggered = options['rows'] === 'staggered';
  const top = Math.max(d.A.nom, d.A1.nom + 0.3);
  const tip = Math.max(d.H.nom, top + 0.1);
  const side = Math.min(d.b.nom, d.e.nom / 2);
  const pins = group.places.map(({ order, end, along }): Part => ({
    name: `pin ${order}`,
    shape: 'pin',
    material: 'metal',
    at: { x: staggered ? 0 : (end * d.e.nom) / 2, y: along, z: 0 },
    rotation: 0,
  }));
  const pegs = options['pegs'] === 'two';
  return {
    shapes: {
      insulator: block(d.E1.nom, d.D.nom, d.A1.nom, top),
      lead: leadShape({ ...d, A: { ...d.A, nom: Math.min(top, 4 * d.c.nom + 1) } }, d.E.nom, d.E1.nom),
      pin: block(side, side, top, tip),
      ...(pegs ? { peg: standingCylinder(Math.max(0.2, d.p.nom - 0.15), -1.2, d.A1.nom) } : {}),
    },
    parts: [
      ...leadParts(group, 'lead'),
      ...pins,
      ...(pegs
        ? [1, -1].map((s) => ({
            ...centred('peg', 'moulding', { y: (s * d.P.nom) / 2 }),
            name: `peg ${s > 0 ? 1 : 2}`,
          }))
        : []),
      centred('insulator', 'moulding'),
    ],
  };
}
