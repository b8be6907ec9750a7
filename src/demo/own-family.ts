import type { TapisDocument } from '../core/document/document';
import type { OwnFamily } from '../core/document/own-family';

/** Ways in which the header is made, and its lengths over the walls and over the tabs. mm */
const WAYS = [2, 3, 4, 5, 6, 8, 10, 12].map((ways) => ({
  ways,
  body: ((ways - 1) * 1.5 + 3.2).toFixed(1),
  tabs: ((ways - 1) * 1.5 + 5).toFixed(1),
}));

/** A series of headers as a family of one's own: one drawing, a table of 2 to 12 ways. */
const HARNESS_HEADER: OwnFamily = {
  family: 'composed',
  title: 'Harness header, 2 to 12 ways',
  dimensions: {},
  named: {
    n: {
      name: 'Ways',
      kind: 'count',
      only: WAYS.map(({ ways }) => ways).join(' '),
      help: 'Leads in the row',
    },
    e: { name: 'Pitch', basic: true, least: '1', most: '2.5', derived: '1.5', unasked: true },
    D: {
      name: 'Over the walls',
      help: 'Housing, from wall to wall along the row',
      least: '4',
      most: '40',
      derived: '(n-1)*e+3.2±0.15',
    },
    S: {
      name: 'Over the tabs',
      help: 'Outer edges of the two solder tabs',
      least: '5',
      most: '42',
      derived: '(n-1)*e+5±0.2',
    },
    L: {
      name: 'Lead foot',
      help: 'Part of a lead that lies on its land',
      least: '0.3',
      most: '2',
      derived: '0.7..1.1',
    },
    b: { name: 'Lead width', least: '0.2', most: '1', derived: '0.45..0.55' },
    A: { name: 'Height', help: 'Board to top of the housing', least: '2', most: '12', derived: '5.4±0.2' },
  },
  own: {
    id: 'harness-header',
    summary: 'One row of leads, a solder tab at each end, in 2 to 12 ways',
    keywords: 'connector header wire cable harness buoy',
    conditions: [
      { id: 'c1', holds: 'D >= (n-1)*e + 2', why: 'The walls stand beyond the last leads' },
      { id: 'c2', holds: 'S > D', why: 'The tabs stick out of the housing' },
      { id: 'c3', holds: 'b < e/2', why: 'A lead is narrower than the gap beside it' },
    ],
    sizes: WAYS.map(({ ways, body, tabs }) => ({
      id: `w${ways}`,
      name: `${ways} ways`,
      source: 'HS-HH drawing, table 2',
      dimensions: { n: String(ways), D: `${body}±0.15`, S: `${tabs}±0.2`, A: '5.4±0.2' },
    })),
    example: { n: '6', D: '10.7±0.15', S: '12.5±0.2', A: '5.4±0.2' },
  },
  naming: 'CONN{n:00}P{e}_{D}X{A.max}',
  pieces: [
    {
      id: 'leads',
      name: 'leads',
      what: 'terminal',
      form: 'gull-wing',
      length: 'L',
      width: 'b',
      as: 'row',
      n: 'n',
      step: 'e',
      toe: 'down',
      y: '-2.65±0.1',
    },
    {
      id: 'left',
      name: 'left tab',
      what: 'terminal',
      form: 'flat-lug',
      length: '0.8±0.1',
      width: '1.6±0.1',
      toe: 'left',
      x: '-S/2',
      xMine: { edge: 'low' },
      y: '4.2±0.1',
      yFrom: { of: 'leads' },
      numbers: { shared: 'MP' },
    },
    { id: 'right', name: 'right tab', what: 'terminal', as: 'mirror', of: 'left', numbers: { shared: 'MP' } },
    {
      id: 'housing',
      name: 'housing',
      what: 'body',
      length: 'D',
      width: '4.4±0.15',
      bottom: '0..0.1',
      top: 'A',
    },
  ],
};

/** A part of it: the header of the tide sensor's harness. */
export const OWN_FAMILY_DOCUMENTS: readonly TapisDocument[] = [
  {
    tapis: 2,
    name: 'J9 harness header',
    package: {
      ...HARNESS_HEADER,
      source: 'HS-HH drawing, table 2',
      dimensions: Object.fromEntries(
        Object.entries(HARNESS_HEADER.own.example ?? {}).map(([symbol, text]) => [
          symbol,
          { text, where: 'HS-HH drawing, table 2' },
        ]),
      ),
    },
    level: 'B',
    process: 'standard',
    marks: { reference: 'J9' },
  },
];
