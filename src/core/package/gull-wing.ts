import type { Assembly, Extrusion } from '../geometry/solid';
import { length } from './declare';
import { line } from './lines';
import type { DimensionDefinition, Dimensions } from './definitions';
import type { DimensionLine } from './lines';
import {
  bodyAgainstSpan,
  footAgainstOverhang,
  leadLengthAgainstOverhang,
} from './plausibility/lead-overhang';
import { spanAgainstBody } from './plausibility/row';
import { gullWingLead, withLeads } from './shapes/leads';
import { mouldedBody, mouldHeights } from './shapes/moulding';
import { HOME, type SpanGroup, type TerminalGroup } from './terminal';

/** Dimensions that every package with gull-wing leads has. */
export type LeadSymbol = 'L' | 'L1' | 'b' | 'c' | 'A' | 'A1';
type LeadValues = Dimensions<LeadSymbol>;
type SpanValues = Dimensions<LeadSymbol | 'E' | 'E1'>;

/** Lead and heights, in the order in which datasheets list them. E and E1 are the family's own. */
export const LEAD_DIMENSIONS: readonly DimensionDefinition<LeadSymbol>[] = [
  length('L', 'Foot length', 'Flat of the foot that lies on the land, not the whole lead', [0.05, 10]),
  length('L1', 'Lead length', 'Body side to lead tip, seen from above', [-5, 15], { derived: '(E-E1)/2' }),
  length('b', 'Lead width', 'Width of the foot', [0.05, 5]),
  length('c', 'Lead thickness', 'Thickness of the lead', [0.03, 1], { derived: 'typ 0.15' }),
  length('A', 'Height', 'Seating plane to top of body', [0.2, 20], { maximumSuffices: true }),
  length('A1', 'Standoff', 'Seating plane to underside of body', [0, 5], { leastUnderMax: 0 }),
];

/** What holds for any gull-wing lead. */
export const LEAD_RULES = [
  footAgainstOverhang,
  leadLengthAgainstOverhang,
  spanAgainstBody,
  bodyAgainstSpan,
] as const;

/** A group of gull-wing leads along x; what differs from family to family is given. */
export function leadGroup(
  d: SpanValues,
  rest: Pick<SpanGroup, 'id' | 'title' | 'pitch' | 'places'>,
): SpanGroup {
  return {
    kind: 'span',
    form: 'gull-wing',
    frame: HOME,
    span: d.E,
    length: d.L,
    width: d.b,
    body: { size: d.E1, standoff: d.A1 },
    ...rest,
  };
}

/** The lead between a body and a span, both over their full width, mm. */
export function leadShape(d: LeadValues, span: number, body: number): Extrusion {
  return gullWingLead({
    body: body / 2,
    tip: span / 2,
    foot: d.L.nom,
    width: d.b.nom,
    thickness: d.c.nom,
    exit: mouldHeights(d.A1.nom, d.A.nom).parting,
  });
}

/** A moulded body with equal leads at left and right. */
export function leadedBody(d: SpanValues, bodyLength: number, groups: readonly TerminalGroup[]): Assembly {
  const body = mouldedBody(d.E1.nom, bodyLength, mouldHeights(d.A1.nom, d.A.nom));
  return withLeads(body, leadShape(d, d.E.nom, d.E1.nom), groups);
}

/** Dimension lines of the front view: heights, foot and lead length. */
export function leadLines(d: SpanValues): DimensionLine[] {
  const [tip, body] = [d.E.nom / 2, d.E1.nom / 2];
  return [
    line('A', 'front', 'right', [body, 0], [body, mouldHeights(d.A1.nom, d.A.nom).top]),
    line('A1', 'front', 'left', [-body, 0], [-body, d.A1.nom]),
    line('L', 'front', 'bottom', [tip - d.L.nom, 0], [tip, 0]),
    line('L1', 'front', 'bottom', [-tip, 0], [-body, 0]),
  ];
}
