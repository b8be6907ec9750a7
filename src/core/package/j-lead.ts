import type { Extrusion } from '../geometry/solid';
import type { Toleranced } from '../units/toleranced';
import { formatMm as mm } from '../units/length';
import { length } from './declare';
import { line } from './lines';
import { HEIGHT, STANDOFF } from './dimensions';
import type { DimensionDefinition, Dimensions } from './definitions';
import type { DimensionLine } from './lines';
import type { PlausibilityRule } from './family';
import { spanAgainstBody } from './plausibility/row';
import { mouldHeights } from './shapes/moulding';
import { jLead } from './shapes/terminals';
import { HOME, type SpanGroup } from './terminal';

/** Dimensions that every package with J leads has. E, E1 and E2 are the family's own. */
export type JSymbol = 'L' | 'b' | 'c' | 'A' | 'A1';
type Values = Dimensions<JSymbol | 'e'>;

/**
 * Lead and heights. Where the sheet gives only where the bends touch, the contact length is a
 * typical one: the ranges of E and E2 added up would make it far too wide.
 */
export const J_DIMENSIONS: readonly DimensionDefinition<JSymbol>[] = [
  length('L', 'Contact length', 'Part of the bend over its land, along the span', [0.2, 8], {
    derived: '1.5..2.0',
    typical: true,
  }),
  length('b', 'Lead width', 'Width of the lead at the bend', [0.1, 3]),
  length('c', 'Lead thickness', 'Thickness of the lead', [0.05, 1], { derived: 'typ 0.2' }),
  HEIGHT,
  STANDOFF,
] as readonly DimensionDefinition<JSymbol>[];

/** A group of J leads along x. */
export function jGroup(
  d: Values,
  span: Toleranced,
  rest: Pick<SpanGroup, 'id' | 'title' | 'places'>,
): SpanGroup {
  return {
    kind: 'span',
    form: 'j-lead',
    frame: HOME,
    span,
    length: d.L,
    width: d.b,
    pitch: d.e.nom,
    // the bends lie under the body by nature
    body: null,
    ...rest,
  };
}

/** The lead between a body and a span, both over their full width, mm. */
export function jShape(d: Values, span: number, body: number): Extrusion {
  return jLead({
    body: body / 2,
    tip: span / 2,
    foot: d.L.nom,
    width: d.b.nom,
    thickness: d.c.nom,
    exit: mouldHeights(d.A1.nom, d.A.nom).parting,
    bottom: d.A1.nom,
  });
}

/** Dimension lines of the front view. */
export function jLines(d: Dimensions<JSymbol | 'E' | 'E1'>, contacts: number): DimensionLine[] {
  const [tip, body] = [d.E.nom / 2, d.E1.nom / 2];
  return [
    line('A', 'front', 'right', [body, 0], [body, mouldHeights(d.A1.nom, d.A.nom).top]),
    line('A1', 'front', 'left', [-body, 0], [-body, d.A1.nom]),
    line('E2', 'front', 'bottom', [-contacts / 2, 0], [contacts / 2, 0], 1),
    line('L', 'front', 'bottom', [tip - d.L.nom, 0], [tip, 0]),
  ];
}

/** The bends touch the board inside the leads. */
const contactsAgainstSpan: PlausibilityRule<'E' | 'E2'> = {
  id: 'contacts-span',
  title: 'Contact distance against lead span',
  fault: 'Contacts are not within the lead span',
  source: 'Geometry of a J lead: it touches the board in the middle of its bend',
  check({ d, entered, move }) {
    if (d.E2.nom < d.E.nom) return [];
    const swap = entered('E') && entered('E2');
    return [
      {
        severity: 'stop',
        message: `Contact distance E2 ${mm(d.E2.nom)} mm is not smaller than lead span E ${mm(d.E.nom)} mm. The two columns may be swapped.`,
        place: { dimensions: ['E2', 'E'] },
        measured: { value: d.E2.nom, limit: d.E.nom, unit: 'mm' },
        remedies: swap ? [{ label: 'Swap E and E2', edits: [move('E2', 'E'), move('E', 'E2')] }] : [],
      },
    ];
  },
};

/** The middle of the contact lies where E2 says: E − L and E2 are one distance. */
const contactLength: PlausibilityRule<'E' | 'E2' | 'L'> = {
  id: 'contact-length',
  title: 'Contact length against contact distance',
  fault: 'Contact length disagrees with contact distance',
  source: 'Geometry of a J lead: E2 is measured between the middles of the contacts',
  check({ d, entered, enter }) {
    const [least, most] = [d.E.min - d.L.max, d.E.max - d.L.min];
    const off = Math.max(least - d.E2.max, d.E2.min - most);
    if (off <= 1e-9 || d.E2.nom >= d.E.nom) return [];
    return [
      {
        severity: 'caution',
        message: `Contacts L ${mm(d.L.min)}–${mm(d.L.max)} mm long have their middles ${mm(least)} mm to ${mm(most)} mm apart within E; E2 says ${mm(d.E2.min)}–${mm(d.E2.max)} mm.`,
        place: { dimensions: ['L', 'E2', 'E'] },
        measured: { value: d.E2.nom, limit: d.E2.nom > most ? most : least, unit: 'mm' },
        remedies: entered('L')
          ? []
          : [
              {
                label: `Contact length ${mm(d.E.nom - d.E2.nom)} mm from E and E2`,
                edits: [enter('L', `typ ${mm(d.E.nom - d.E2.nom)}mm`, 'from E and E2')],
              },
            ],
      },
    ];
  },
};

/** What holds for any J lead. */
export const J_RULES = [contactsAgainstSpan, contactLength, spanAgainstBody] as const;
