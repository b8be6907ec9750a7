import type { Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { defineFamily } from '../family';
import { hundredths } from '../naming';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { endAgainstLength, terminalAgainstWidth } from '../plausibility/chip';
import { inwardLead, withLeads } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import type { SpanGroup } from '../terminal';
import {
  blockLines,
  bothEnds,
  chosenComponent,
  type Component,
  componentOption,
  endLength,
  INSIDE,
  insideAgrees,
  insideOf,
  seatedBody,
  sizePair,
} from '../two-terminal';

type Symbol = 'L' | 'W' | 'W1' | 'T' | 'S' | 'c' | 'A';
type Values = Dimensions<Symbol>;

/** Kinds of component: the first part of the name, and whether it has a direction. */
const COMPONENTS: readonly Component[] = [
  { id: 'tantalum', name: 'Capacitor, polarised', prefix: 'CAPMP', polarised: true, polarity: 'plus' },
  { id: 'capacitor', name: 'Capacitor', prefix: 'CAPM', polarised: false },
  { id: 'inductor', name: 'Inductor', prefix: 'INDM', polarised: false },
  { id: 'diode', name: 'Diode', prefix: 'DIOM', polarised: true, polarity: 'cathode' },
  { id: 'resistor', name: 'Resistor', prefix: 'RESM', polarised: false },
];

export const moulded = defineFamily<Symbol>({
  id: 'moulded',
  type: (_d, { component }) => (component === undefined || component === 'tantalum' ? 'TANTALUM' : 'MOLDED'),
  title: 'Moulded body, leads formed inward',
  summary: 'Moulded block whose two ribbons run down its ends and under it.',
  keywords: ['moulded', 'tantalum', 'capacitor', 'inductor', 'diode', 'two terminals', 'inward', 'ribbon'],
  dimensions: [
    length('L', 'Length', 'Over both terminals', [0.8, 40]),
    length('W', 'Body width', 'Across the body', [0.4, 30]),
    length('W1', 'Terminal width', 'Width of the ribbon under the body', [0.2, 30]),
    endLength('Terminal length', 'Part of the ribbon that lies on the land', [0.1, 10]),
    INSIDE,
    length('c', 'Ribbon thickness', 'Thickness of the ribbon', [0.03, 1], { derived: 'typ 0.12' }),
    length('A', 'Height', 'Seating plane to top', [0.3, 20], { maximumSuffices: true }),
  ],
  options: [componentOption(COMPONENTS)],
  example: { L: '3.2±0.2', W: '1.6±0.2', W1: '1.2±0.1', T: '0.8±0.3', A: '1.6±0.2' },
  outlines: outlines(
    'L W W1 T A',
    '3216-18 | EIA-535BAAC 3216-18 | 3.0..3.4 | 1.4..1.8 | 1.1..1.3 | 0.5..1.1 | max 1.8',
    '3528-21 | EIA-535BAAC 3528-21 | 3.3..3.7 | 2.6..3.0 | 2.1..2.3 | 0.5..1.1 | max 2.1',
    '6032-28 | EIA-535BAAC 6032-28 | 5.7..6.3 | 2.9..3.5 | 2.1..2.3 | 1.0..1.6 | max 2.8',
    '7343-31 | EIA-535BAAC 7343-31 | 7.0..7.6 | 4.0..4.6 | 2.3..2.5 | 1.0..1.6 | max 3.1',
  ),
  terminals,
  body: (d) => seatedBody(d.L, d.W, d.A),
  solids,
  dimensionLines: blockLines,
  name: (d, options) => [
    chosenComponent(COMPONENTS, options).prefix,
    ...sizePair(['L', d.L.nom], ['W', d.W.nom]),
    'X',
    hundredths('A', d.A.max),
  ],
  polarised: (options) => chosenComponent(COMPONENTS, options).polarised,
  polarity: (options) => chosenComponent(COMPONENTS, options).polarity,
  plausibility: [endAgainstLength, insideAgrees, terminalAgainstWidth],
});

function terminals(d: Values): SpanGroup[] {
  return [bothEnds('inward-formed', { span: d.L, length: d.T, width: d.W1, ...insideOf(d) })];
}

function solids(d: Values): Assembly {
  const heights = mouldHeights(d.c.nom, d.A.nom);
  const lead = inwardLead({
    tip: d.L.nom / 2,
    foot: d.T.nom,
    width: d.W1.nom,
    thickness: d.c.nom,
    exit: heights.parting,
  });
  const body = mouldedBody(Math.max(d.L.nom - 2 * d.c.nom, 0.1), d.W.nom, heights);
  return withLeads(body, lead, terminals(d));
}
