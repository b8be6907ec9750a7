import type { Assembly } from '../../geometry/solid';
import { count, length } from '../declare';
import { line } from '../lines';
import { defineFamily, type PlausibilityContext } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { LEAD_DIMENSIONS, LEAD_RULES, leadGroup, leadLines, leadShape, type LeadSymbol } from '../gull-wing';
import { byX, counted, hundredths } from '../naming';
import { rowAgainstBody, terminalAgainstPitch } from '../plausibility/row';
import { evenRow } from '../rows';
import { bodyPart, leadParts } from '../shapes/leads';
import { mouldedBody, mouldedOver, mouldHeights } from '../shapes/moulding';
import { flatLead } from '../shapes/terminals';
import type { SpanGroup, TerminalPlace } from '../terminal';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | 'b1' | 'L2' | LeadSymbol;
type Values = Dimensions<Symbol>;
type LeadContext = PlausibilityContext<Symbol>;

export const smallTransistorWide = defineFamily<Symbol>({
  id: 'small-transistor-wide',
  type: (_d, { layout }) => (layout === 'lug' ? 'SOT89' : layout === 'first' ? 'SOT143' : 'OTHER'),
  title: 'Small transistor, one wide lead',
  summary: 'Narrow leads on one side and a wide tab or collector lead: opposite them, or first in the row.',
  keywords: [
    'SOT',
    'small outline transistor',
    'tab',
    'collector',
    'wide lead',
    'unequal',
    'regulator',
    'gull wing',
  ],
  dimensions: [
    count('n', 'Leads', 'All leads, the wide one counted', [3, 9]),
    length('e', 'Pitch', 'Centre to centre of neighbouring narrow leads', [0.4, 4], { basic: true }),
    length('E', 'Lead span', 'Lead tip to opposite lead tip', [1.5, 15]),
    length('E1', 'Body width', 'Body without leads, along the span', [0.8, 12]),
    length('D', 'Body length', 'Body along the rows', [1, 15]),
    length('b1', 'Wide lead', 'Width of the wide lead', [0.3, 10]),
    length(
      'L2',
      'Wide lead length',
      'Part of the wide lead that lies on the land, under the body too',
      [0.1, 8],
      {
        derived: 'L',
      },
    ),
    ...LEAD_DIMENSIONS,
  ],
  options: [
    {
      id: 'layout',
      name: 'Wide lead',
      choices: [
        { id: 'opposite', name: 'alone, formed, opposite the others' },
        { id: 'lug', name: 'flat lug under the body, opposite the others' },
        { id: 'first', name: 'number 1 of four in two rows' },
      ],
    },
  ],
  example: {
    n: '4',
    e: '2.3',
    E: '6.7..7.3',
    E1: '3.3..3.7',
    D: '6.3..6.7',
    b1: '2.9..3.15',
    L: '0.75..1.15',
    b: '0.60..0.82',
    c: '0.24..0.35',
    A: 'max 1.8',
    A1: '0.02..0.10',
  },
  outlines: outlines(
    'n e E E1 D b1 L b A A1 L2',
    'Three leads and a wide one, 6.5 mm body | JEDEC TO-261 AA | 4 | 2.3 | 6.7..7.3 | 3.3..3.7 | 6.3..6.7 | 2.9..3.15 | 0.75..1.15 | 0.60..0.82 | max 1.8 | 0.02..0.10 | | layout=opposite',
    'Three leads and a lug, 4.5 mm body | JEDEC TO-243 AA | 4 | 1.5 | 3.95..4.25 | 2.3..2.6 | 4.4..4.6 | 1.6..1.8 | 0.8..1.2 | 0.35..0.5 | max 1.6 | 0..0.02 | 2.6..2.9 | layout=lug',
    'Four leads, one wide, 2.9 mm body | JEDEC TO-253 AA | 4 | 1.9 | 2.1..2.6 | 1.2..1.4 | 2.8..3.0 | 0.75..0.90 | 0.3..0.5 | 0.35..0.5 | max 1.1 | 0.01..0.10 | | layout=first',
  ),
  terminals,
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A }),
  solids,
  dimensionLines: (d, options) => {
    const [tip, body, head] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    const [, wide] = terminals(d, options) as [SpanGroup, SpanGroup];
    const rows = narrowPlaces(d, options);
    const first = rows[0]?.along ?? 0;
    const last = rows.filter(({ end }) => end === -1).at(-1)?.along ?? 0;
    const at = wide.places[0]?.along ?? 0;
    const edge = (wide.places[0]?.end ?? 1) * tip;
    const half = d.b1.nom / 2;
    return [
      line('E1', 'plan', 'top', [-body, head], [body, head]),
      line('E', 'plan', 'top', [-tip, first], [tip, first], 1),
      line('e', 'plan', 'left', [-tip, last], [-tip, last + d.e.nom], 1),
      line('b', 'plan', 'left', [-tip, last - d.b.nom / 2], [-tip, last + d.b.nom / 2]),
      line('b1', 'plan', edge > 0 ? 'right' : 'left', [edge, at - half], [edge, at + half], edge > 0 ? 0 : 2),
      line('D', 'plan', 'right', [body, -head], [body, head], 1),
      ...leadLines(d),
    ];
  },
  name: (d) => [
    'SOT',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['A', d.A.max]),
    '-',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    ...LEAD_RULES.map((rule) =>
      // beside a lug the leads are flat: they have no foot
      rule.id === 'foot-overhang'
        ? { ...rule, check: (c: LeadContext) => (c.options['layout'] === 'lug' ? [] : rule.check(c)) }
        : rule,
    ),
    rowAgainstBody<Symbol>('D', (d, options) => ({
      places: options['layout'] === 'first' ? 2 : d.n.nom - 1,
      pitch: d.e.nom,
      width: d.b.nom,
    })),
    terminalAgainstPitch,
  ],
});

/** Places of the narrow leads; with the wide lead first, it and its partners sit in two rows. */
function narrowPlaces(d: Values, options: Options): TerminalPlace[] {
  const e = d.e.nom;
  if (options['layout'] === 'first') {
    return [
      { order: 2, end: -1, along: -e / 2 },
      { order: 3, end: 1, along: -e / 2 },
      { order: 4, end: 1, along: e / 2 },
    ];
  }
  return evenRow(Math.max(1, d.n.nom - 1), e).map((along, i) => ({
    order: i + 1,
    end: -1,
    along: along + 0,
  }));
}

function terminals(d: Values, options: Options): SpanGroup[] {
  const layout = options['layout'];
  const narrow = narrowPlaces(d, options);
  const first = layout === 'first';
  // a wide lead at a row's end keeps its outer edge where the narrow one would have it
  const along = first ? d.e.nom / 2 - (d.b1.nom - d.b.nom) / 2 : 0;
  const place: TerminalPlace = first
    ? { order: 1, end: -1, along }
    : {
        order: narrow.length + 1,
        end: 1,
        along: 0,
        // a lug under the body is one piece with the lead in the middle
        ...(layout === 'lug' && narrow.length % 2 === 1 ? { joins: (narrow.length + 1) / 2 } : {}),
      };
  const wide = leadGroup(d, { id: 'wide', title: 'Wide lead', pitch: null, places: [place] });
  const leads = leadGroup(d, {
    id: 'leads',
    title: 'Narrow leads',
    pitch: first ? null : d.e.nom,
    places: narrow,
  });
  return [
    leads,
    layout === 'lug'
      ? { ...wide, form: 'flat-lug', width: d.b1, length: d.L2, body: null }
      : { ...wide, width: d.b1, length: d.L2 },
  ];
}

function solids(d: Values, options: Options): Assembly {
  const [narrow, wide] = terminals(d, options) as [SpanGroup, SpanGroup];
  const lug = options['layout'] === 'lug';
  const tip = d.E.nom / 2;
  // beside a lug the leads are flat, and run from under the body to their tips
  const flat = (length: number, width: number) => flatLead(tip - length, tip, width, d.c.nom);
  const formed = leadShape(d, d.E.nom, d.E1.nom);
  const heights = mouldHeights(Math.max(d.A1.nom, lug ? 0.01 : 0), d.A.nom);
  const metal = { from: tip - d.L2.nom, width: d.b1.nom, top: d.c.nom };
  const body = lug
    ? mouldedOver(d.E1.nom, d.D.nom, heights, metal)
    : { upper: mouldedBody(d.E1.nom, d.D.nom, heights), lower: null };
  return {
    shapes: {
      body: body.upper,
      ...(body.lower ? { under: body.lower } : {}),
      lead: lug ? flat(Math.max(d.L.nom, tip - d.E1.nom / 2 + 0.1), d.b.nom) : formed,
      wide: lug ? flat(d.L2.nom, d.b1.nom) : { ...formed, depth: d.b1.nom },
    },
    parts: [
      ...leadParts(narrow, 'lead'),
      ...leadParts(wide, 'wide'),
      bodyPart('moulding'),
      ...(body.lower ? [{ ...bodyPart('moulding'), name: 'body round the lug', shape: 'under' }] : []),
    ],
  };
}
