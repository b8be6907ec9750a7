import { block, type Assembly } from '../../geometry/solid';
import { count, length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { fitsInside } from '../plausibility/counts';
import { rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { evenRow } from '../rows';
import { gullWingLead, leadParts } from '../shapes/leads';
import { mouldedOver, mouldHeights } from '../shapes/moulding';
import { HOME, type SpanGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'H' | 'D' | 'E' | 'L3' | 'L' | 'b' | 'D1' | 'E1' | 'c' | 'A' | 'A1';
type Values = Dimensions<Symbol>;

export const tabPackage = defineFamily<Symbol>({
  id: 'tab-package',
  type: 'TO_TYPE',
  title: 'Power package with a tab',
  summary: 'Moulded power body: formed leads on one side, a wide soldered tab on the other (TO).',
  keywords: ['TO', 'DPAK', 'tab', 'power', 'regulator', 'MOSFET', 'flat lug', 'unequal'],
  dimensions: [
    count('n', 'Terminals', 'Leads that are soldered, and the tab', [2, 9]),
    length('e', 'Pitch', 'Centre to centre of neighbouring lead places', [0.8, 6], { basic: true }),
    length('H', 'Overall span', 'Lead tip to the end of the tab', [4, 30]),
    length('D', 'Body length', 'Moulding along the span', [2, 20]),
    length('E', 'Body width', 'Moulding across the span', [2, 25]),
    length('L3', 'Tab beyond body', 'How far the tab stands out of the moulding', [0, 8]),
    length('L', 'Foot length', 'Flat of the foot that lies on the land', [0.3, 8]),
    length('b', 'Lead width', 'Width of one lead', [0.2, 4]),
    length('D1', 'Tab length', 'Soldered face of the tab along the span', [1, 18]),
    length('E1', 'Tab width', 'Soldered face of the tab across the span', [1, 22]),
    length('c', 'Lead thickness', 'Thickness of leads and tab', [0.1, 2], { derived: 'typ 0.5' }),
    length('A', 'Height', 'Seating plane to top of body', [0.8, 10], { maximumSuffices: true }),
    length('A1', 'Standoff', 'Seating plane to underside of the leads’ body', [0, 1], {
      leastUnderMax: 0,
      derived: '0..0.13',
    }),
  ],
  options: [
    {
      id: 'middle',
      name: 'Middle lead',
      choices: [
        { id: 'cut', name: 'cut off; its number goes to the tab' },
        { id: 'kept', name: 'soldered' },
      ],
    },
  ],
  example: {
    n: '3',
    e: '2.29',
    H: '9.4..10.4',
    D: '6.0..6.2',
    E: '6.4..6.7',
    L3: '0.9..1.27',
    L: '1.4..1.78',
    b: '0.64..0.88',
    D1: '5.2..5.6',
    E1: '4.6..5.2',
    A: '2.2..2.38',
  },
  outlines: outlines(
    'n e H D E L3 L b D1 E1 A',
    'Small tab package, 6.6 mm body | JEDEC TO-252 AA | 3 | 2.29 | 9.4..10.4 | 6.0..6.2 | 6.4..6.7 | 0.9..1.27 | 1.4..1.78 | 0.64..0.88 | 5.2..5.6 | 4.6..5.2 | 2.2..2.38',
    'Large tab package, 10 mm body | JEDEC TO-263 AB | 3 | 2.54 | 14.6..15.9 | 8.4..9.4 | 9.7..10.5 | 1.0..1.4 | 2.3..2.8 | 0.7..0.9 | 6.9..7.6 | 7.4..8.4 | 4.3..4.7',
  ),
  terminals,
  body: (d) => ({
    x: d.D,
    y: d.E,
    standoff: d.A1,
    height: d.A,
    centre: { x: bodyMiddle(d), y: 0 },
  }),
  solids,
  dimensionLines: (d, options) => {
    const tip = d.H.nom / 2;
    const [left, right] = [bodyMiddle(d) - d.D.nom / 2, bodyMiddle(d) + d.D.nom / 2];
    const y = d.E.nom / 2;
    const [first = 0, second = 0] = steps(d, options).map((step) => step * d.e.nom);
    const last = (steps(d, options).at(-1) ?? 0) * d.e.nom;
    const tab = d.E1.nom / 2;
    return [
      line('D', 'plan', 'top', [left, y], [right, y]),
      line('H', 'plan', 'top', [-tip, first], [tip, tab], 1),
      line(
        'e',
        'plan',
        'left',
        [-tip, first - Math.min(d.e.nom, Math.abs(first - second) || d.e.nom)],
        [-tip, first],
      ),
      line('b', 'plan', 'left', [-tip, last - d.b.nom / 2], [-tip, last + d.b.nom / 2], 1),
      line('E', 'plan', 'right', [right, -y], [right, y], 1),
      line('E1', 'plan', 'right', [tip, -tab], [tip, tab]),
      line('L', 'front', 'bottom', [-tip, 0], [d.L.nom - tip, 0]),
      line('D1', 'front', 'bottom', [tip - d.D1.nom, 0], [tip, 0]),
      line('L3', 'plan', 'bottom', [right, -tab], [tip, -tab]),
      line('A', 'front', 'left', [left, 0], [left, d.A.nom], 1),
    ];
  },
  name: (d) => [
    'TO',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['H', d.H.nom], ['A', d.A.max]),
    '-',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    rowAgainstBodyStops('E'),
    terminalAgainstPitch,
    fitsInside<Symbol>(
      'span-parts',
      { words: 'Tab D1 and foot L together', symbols: ['D1', 'L'], of: (d) => d.D1.min + d.L.min },
      { words: 'the overall span', symbol: 'H' },
    ),
    fitsInside<Symbol>(
      'body-span',
      { words: 'Body D with the tab beyond it L3', symbols: ['D', 'L3'], of: (d) => d.D.min + d.L3.min },
      { words: 'the overall span', symbol: 'H' },
    ),
    fitsInside<Symbol>(
      'tab-width',
      { words: 'Tab width E1', symbols: ['E1'], of: (d) => d.E1.min },
      { words: 'the body width', symbol: 'E' },
    ),
  ],
});

/** Power bodies are wider than their rows; only rows that do not fit are wrong. */
function rowAgainstBodyStops(side: 'E') {
  const rule = rowAgainstBody<Symbol>(side, (d) => ({ places: places(d), pitch: d.e.nom, width: d.b.nom }));
  return {
    ...rule,
    check: (context: Parameters<typeof rule.check>[0]) =>
      rule.check(context).filter(({ severity }) => severity === 'stop'),
  };
}

/** Places of the lead row, the cut one included. */
function places(d: Values): number {
  const soldered = Math.max(1, d.n.nom - 1);
  return soldered % 2 === 0 ? soldered + 1 : soldered;
}

/** Places of the soldered leads in steps of the pitch, from the top. */
function steps(d: Values, options: Options): number[] {
  const soldered = Math.max(1, d.n.nom - 1);
  const cut = (options['middle'] ?? 'cut') === 'cut' && soldered % 2 === 0;
  return cut ? evenRow(soldered + 1, 1).filter((step) => step !== 0) : evenRow(soldered, 1);
}

function bodyMiddle(d: Values): number {
  return d.H.nom / 2 - d.L3.nom - d.D.nom / 2;
}

function terminals(d: Values, options: Options): SpanGroup[] {
  const common = { kind: 'span', frame: HOME, span: d.H, body: null } as const;
  const row = steps(d, options);
  // the tab takes the number of the cut middle lead, else the one after the last
  const cut = row.length % 2 === 0 && !row.includes(0) && (options['middle'] ?? 'cut') === 'cut';
  const tabOrder = cut ? row.length / 2 + 1 : row.length + 1;
  return [
    {
      ...common,
      id: 'leads',
      title: 'Leads',
      form: 'gull-wing',
      length: d.L,
      width: d.b,
      pitch: d.e.nom,
      places: row.map((step, i) => ({
        order: i + 1 >= tabOrder ? i + 2 : i + 1,
        end: -1,
        along: step * d.e.nom + 0,
      })),
    },
    {
      ...common,
      id: 'tab',
      title: 'Tab',
      form: 'flat-lug',
      length: d.D1,
      width: d.E1,
      pitch: null,
      places: [{ order: tabOrder, end: 1, along: 0 }],
    },
  ];
}

function solids(d: Values, options: Options): Assembly {
  const [leads] = terminals(d, options) as [SpanGroup, SpanGroup];
  const middle = bodyMiddle(d);
  const heights = mouldHeights(Math.max(d.A1.nom, 0.02), d.A.nom);
  const lead = gullWingLead({
    body: d.D.nom / 2 - middle,
    tip: d.H.nom / 2,
    foot: d.L.nom,
    width: d.b.nom,
    thickness: d.c.nom,
    exit: heights.parting,
  });
  const at = { x: middle, y: 0, z: 0 };
  const metal = Math.min(d.c.nom, d.A.nom / 2);
  const from = d.H.nom / 2 - d.D1.nom - middle;
  const body = mouldedOver(d.D.nom, d.E.nom, heights, { from, width: d.E1.nom, top: metal });
  return {
    shapes: {
      lead,
      body: body.upper,
      under: body.lower,
      tab: block(d.D1.nom, d.E1.nom, 0, metal),
    },
    parts: [
      ...leadParts(leads, 'lead'),
      {
        name: 'tab',
        shape: 'tab',
        material: 'metal',
        at: { x: (d.H.nom - d.D1.nom) / 2, y: 0, z: 0 },
        rotation: 0,
      },
      { name: 'body', shape: 'body', material: 'moulding', at, rotation: 0 },
      { name: 'body round the tab', shape: 'under', material: 'moulding', at, rotation: 0 },
    ],
  };
}
