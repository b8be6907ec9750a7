import { block, type Assembly, type Part } from '../../geometry/solid';
import { exactly } from '../../units/toleranced';
import { length } from '../declare';
import { line } from '../lines';
import { BODY_UPRIGHT, HEIGHT, leads, PITCH } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { byX } from '../naming';
import { fitsPitch } from '../plausibility/counts';
import { terminalsApart } from '../no-lead';
import { rowAgainstBody } from '../plausibility/row';
import { dualGroup } from '../rows';
import { bodyPart, leadParts } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import { jLead, notched, notchesOf, padParts, prism } from '../shapes/terminals';
import type { SpanGroup, TerminalForm } from '../terminal';

type Symbol = 'n' | 'e' | 'E' | 'D' | 'L' | 'b' | 'S' | 'A';
type Values = Dimensions<Symbol>;

/** How the terminals are made: their solder joint goals and the first part of the name. */
const FORMS: Readonly<Record<string, { name: string; form: TerminalForm; prefix: string }>> = {
  corner: { name: 'corner concave: notched corners', form: 'castellated', prefix: 'OSCCC' },
  side: { name: 'side concave: notched sides', form: 'castellated', prefix: 'OSCSC' },
  'no-lead': { name: 'no-lead: flat under the body', form: 'no-lead', prefix: 'OSCNL' },
  j: { name: 'J lead', form: 'j-lead', prefix: 'OSCJ' },
};
const formOf = (options: Options) =>
  FORMS[options['terminals'] ?? ''] ?? (FORMS['corner'] as (typeof FORMS)[string]);

const METAL = 0.03;

export const oscillator = defineFamily<Symbol>({
  id: 'oscillator',
  title: 'Oscillator or crystal, 4 and more',
  summary: 'Ceramic tray with a lid and terminals in two rows: corner or side concave, no-lead, or J leads.',
  keywords: [
    'oscillator',
    'crystal',
    'resonator',
    'OSC',
    'clock',
    'concave',
    'no-lead',
    'J lead',
    'lid',
    'four',
  ],
  dimensions: [
    { ...leads(4, 14), name: 'Terminals' },
    PITCH,
    length('E', 'Across', 'Over the terminals, from one row to the other', [0.8, 25]),
    { ...BODY_UPRIGHT, help: 'Over the body along the rows' },
    length('L', 'Terminal length', 'Length of one terminal along E', [0.1, 6]),
    length('b', 'Terminal width', 'Width of one terminal', [0.1, 6]),
    length('S', 'Lead beyond body', 'J leads only: how far a lead stands out of the body', [0, 3], {
      derived: ({ terminals }) => (terminals === 'j' ? 'typ 0.25' : '0'),
      when: ({ terminals }) => terminals === 'j',
    }),
    HEIGHT,
  ],
  options: [
    {
      id: 'terminals',
      name: 'Terminals',
      choices: Object.entries(FORMS).map(([id, { name }]) => ({ id, name })),
    },
    {
      id: 'kind',
      name: 'Component',
      choices: [
        { id: 'oscillator', name: 'Oscillator' },
        { id: 'crystal', name: 'Crystal' },
      ],
    },
  ],
  example: { n: '4', e: '2.2', E: '2.4..2.6', D: '3.1..3.3', L: '0.7..0.9', b: '0.8..1.0', A: 'max 0.9' },
  outlines: outlines(
    'n e E D L b A',
    '2.0 × 1.6, four terminals | - | 4 | 1.4 | 1.5..1.7 | 1.9..2.1 | 0.45..0.55 | 0.5..0.6 | max 0.6 | terminals=no-lead | kind=crystal',
    '2.5 × 2.0, four terminals | - | 4 | 1.7 | 1.9..2.1 | 2.4..2.6 | 0.55..0.65 | 0.65..0.75 | max 0.7 | terminals=no-lead | kind=crystal',
    '3.2 × 2.5, four terminals | - | 4 | 2.2 | 2.4..2.6 | 3.1..3.3 | 0.7..0.9 | 0.8..1.0 | max 0.9 | terminals=no-lead | kind=crystal',
    '5.0 × 3.2, four terminals | - | 4 | 2.54 | 3.1..3.3 | 4.9..5.1 | 0.9..1.1 | 1.1..1.3 | max 1.3 | terminals=no-lead | kind=crystal',
    '7.0 × 5.0, four terminals | - | 4 | 5.08 | 4.9..5.1 | 6.8..7.2 | 1.0..1.2 | 1.3..1.5 | max 1.8',
  ),
  terminals: rows,
  body: (d) => ({ x: bodyAcross(d), y: d.D, standoff: exactly(0), height: d.A }),
  solids,
  dimensionLines: (d) => {
    const [x, y] = [d.E.nom / 2, d.D.nom / 2];
    const first = ((d.n.nom / 2 - 1) / 2) * d.e.nom;
    return [
      line('E', 'plan', 'top', [-x, y], [x, y]),
      line('D', 'plan', 'right', [x, -y], [x, y]),
      line('e', 'plan', 'left', [-x, first - d.e.nom], [-x, first]),
      line('b', 'plan', 'left', [-x, -first - d.b.nom / 2], [-x, -first + d.b.nom / 2], 1),
      line('L', 'front', 'bottom', [x - d.L.nom, 0], [x, 0]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
    ];
  },
  name: (d, options) => [
    options['kind'] === 'crystal' ? 'XTAL' : formOf(options).prefix,
    ...byX(['D', d.D.nom], ['E', d.E.nom], ['A', d.A.max]),
    ...(d.n.nom > 4 || options['kind'] === 'crystal'
      ? ['-', { symbol: 'n', value: d.n.nom, decimals: 0 } as const]
      : []),
  ],
  polarised: () => true,
  plausibility: [
    fitsPitch<Symbol>('b', 'e', 'Terminal width'),
    terminalsApart<Symbol>('E'),
    {
      ...rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
      // two terminals in a row say nothing about the room between them
      check: (context) =>
        rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom }))
          .check(context)
          .filter(({ severity }) => severity === 'stop' || context.d.n.nom > 4),
    },
  ],
});

/** The body ends where the terminals do, but for J leads that stand out. */
function bodyAcross(d: Values) {
  const by = 2 * d.S.nom;
  return { ...d.E, min: d.E.min - by, nom: d.E.nom - by, max: d.E.max - by };
}

function rows(d: Values, options: Options): SpanGroup[] {
  return [dualGroup(d.n.nom, d.e.nom, { form: formOf(options).form, span: d.E, length: d.L, width: d.b })];
}

function solids(d: Values, options: Options): Assembly {
  const [group] = rows(d, options) as [SpanGroup];
  const width = Math.max(bodyAcross(d).nom, 0.2);
  const top = Math.max(d.A.nom, 4 * METAL);
  if (formOf(options).form === 'j-lead') {
    const lead = jLead({
      body: width / 2,
      tip: d.E.nom / 2,
      foot: d.L.nom,
      width: d.b.nom,
      thickness: 0.2,
      exit: mouldHeights(top * 0.2, top).parting,
      bottom: top * 0.2,
    });
    return {
      shapes: { body: mouldedBody(width, d.D.nom, mouldHeights(top * 0.2, top)), lead },
      parts: [...leadParts(group, 'lead'), bodyPart('moulding')],
    };
  }
  const radius = Math.min(0.2, d.b.nom / 3, d.L.nom / 3);
  const side = options['terminals'] === 'side';
  const outline = side
    ? notched(width, d.D.nom, notchesOf(group, radius))
    : cornered(options, width, d.D.nom, radius);
  const inset = Math.min(0.15 + radius / 2, width / 4, d.D.nom / 4);
  const middle: Omit<Part, 'name' | 'shape' | 'material'> = { at: { x: 0, y: 0, z: 0 }, rotation: 0 };
  return {
    shapes: {
      pad: block(d.L.nom, d.b.nom, 0, METAL),
      tray: prism(outline, METAL, top * 0.75),
      lid: block(width - 2 * inset, d.D.nom - 2 * inset, top * 0.75, top),
    },
    parts: [
      ...padParts(group, 'pad', (d.E.nom - d.L.nom) / 2),
      { ...middle, name: 'tray', shape: 'tray', material: 'ceramic' },
      { ...middle, name: 'lid', shape: 'lid', material: 'metal' },
    ],
  };
}

/** Quarter-round corners for corner-concave terminals; a plain rectangle otherwise. */
function cornered(options: Options, width: number, height: number, radius: number) {
  const [x, y] = [width / 2, height / 2];
  const signs = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const;
  if ((options['terminals'] ?? 'corner') !== 'corner')
    return signs.map(([sx, sy]) => ({ x: sx * x, y: sy * y }));
  const steps = [0, 0.25, 0.5, 0.75, 1];
  return signs.flatMap(([sx, sy]) => {
    const arc = steps.map((t) => {
      const angle = (t * Math.PI) / 2;
      return { x: sx * (x - radius * Math.cos(angle)), y: sy * (y - radius * Math.sin(angle)) };
    });
    // walked counter-clockwise: from the side that is met first to the next
    return sx === sy ? arc.reverse() : arc;
  });
}
