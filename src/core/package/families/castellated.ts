import { block, type Assembly, type Part } from '../../geometry/solid';
import { exactly } from '../../units/toleranced';
import { count, length } from '../declare';
import { line } from '../lines';
import { BODY_ACROSS, BODY_UPRIGHT, HEIGHT, PITCH } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { fitsPitch } from '../plausibility/counts';
import { inchPitch, rowAgainstBody } from '../plausibility/row';
import { levelCount, pitchLines, uprightCount } from '../quad';
import { fourRows } from '../rows';
import { notched, notchesOf, padParts, prism } from '../shapes/terminals';
import { HOME, UPRIGHT, type SpanGroup } from '../terminal';

type Symbol = 'n' | 'nE' | 'e' | 'E' | 'D' | 'L' | 'b' | 'r' | 'A';
type Values = Dimensions<Symbol>;

/** Metallisation under the ceramic, mm. */
const METAL = 0.03;

export const castellated = defineFamily<Symbol>({
  id: 'castellated',
  type: 'LEADLESS_CERAMIC_CHIP_CARRIER',
  title: 'Castellated carrier',
  summary: 'Ceramic carrier with half-round metallised notches in its four sides (LCC).',
  keywords: ['LCC', 'leadless chip carrier', 'ceramic', 'castellation', 'four sides', 'no-lead'],
  dimensions: [
    count('n', 'Terminals', 'Number of terminals on all sides together', [4, 100], { multipleOf: 2 }),
    count('nE', 'Upright terminals', 'Terminals on each of the left and right sides', [1, 40], {
      derived: 'n/4',
    }),
    PITCH,
    BODY_ACROSS,
    { ...BODY_UPRIGHT, derived: 'E' },
    length('L', 'Terminal length', 'Metallisation under the body, from the edge inwards', [0.2, 5]),
    length('b', 'Terminal width', 'Width of the metallisation', [0.1, 4]),
    length('r', 'Notch radius', 'Radius of the half-round notch', [0.03, 1], { derived: 'typ 0.2' }),
    HEIGHT,
  ],
  options: [],
  example: { n: '20', e: '1.27', E: '8.69..9.09', L: '1.14..1.4', b: '0.56..0.71', A: '1.63..2.54' },
  outlines: outlines(
    'n e E L b A',
    '20 terminals, 8.9 mm | MIL-STD-1835 CQCC1-N20 | 20 | 1.27 | 8.69..9.09 | 1.14..1.4 | 0.56..0.71 | 1.63..2.54',
    '28 terminals, 11.4 mm | MIL-STD-1835 CQCC1-N28 | 28 | 1.27 | 11.23..11.63 | 1.14..1.4 | 0.56..0.71 | 1.63..2.54',
    '44 terminals, 16.5 mm | MIL-STD-1835 CQCC1-N44 | 44 | 1.27 | 16.26..16.76 | 1.14..1.4 | 0.56..0.71 | 1.63..2.54',
  ),
  terminals: rows,
  body: (d) => ({ x: d.E, y: d.D, standoff: exactly(0), height: d.A }),
  solids: (d): Assembly => {
    const groups = rows(d);
    const radius = Math.min(d.r.nom, d.b.nom / 2, d.e.nom * 0.4);
    const outline = notched(
      d.E.nom,
      d.D.nom,
      groups.flatMap((group) => notchesOf(group, radius)),
    );
    const top = Math.max(d.A.nom, 4 * METAL);
    const inset = Math.max(2 * radius, 0.3);
    const lid = [d.E.nom - 2 * inset, d.D.nom - 2 * inset].map((side) => Math.max(side, 0.2)) as [
      number,
      number,
    ];
    const middle: Omit<Part, 'name' | 'shape' | 'material'> = { at: { x: 0, y: 0, z: 0 }, rotation: 0 };
    return {
      shapes: {
        pad: block(d.L.nom - radius, d.b.nom, 0, METAL),
        notch: block(0.02, radius * 1.6, METAL, top * 0.75),
        body: prism(outline, METAL, top * 0.85),
        lid: block(...lid, top * 0.85, top),
      },
      parts: [
        ...groups.flatMap((group) => {
          const edge = group.span.nom / 2;
          return [
            ...padParts(group, 'pad', edge - radius - (d.L.nom - radius) / 2),
            ...padParts(group, 'notch', edge - radius + 0.01).map((part) => ({
              ...part,
              name: `${part.name} notch`,
            })),
          ];
        }),
        { ...middle, name: 'body', shape: 'body', material: 'ceramic' },
        { ...middle, name: 'lid', shape: 'lid', material: 'metal' },
      ],
    };
  },
  dimensionLines: (d) => {
    const [x, y] = [d.E.nom / 2, d.D.nom / 2];
    return [
      line('E', 'plan', 'top', [-x, y], [x, y]),
      line('D', 'plan', 'right', [x, -y], [x, y]),
      ...pitchLines(d, x),
      line('L', 'front', 'bottom', [x - d.L.nom, 0], [x, 0]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
    ];
  },
  name: (d) => [
    'LCC',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['E', d.E.nom], ['D', d.D.nom], ['A', d.A.max]),
    '-',
    counted('n', d.n.nom),
  ],
  legend: 'corners',
  polarised: () => true,
  plausibility: [
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.nE.nom, pitch: d.e.nom, width: d.b.nom })),
    rowAgainstBody<Symbol>('E', (d) => ({ places: levelCount(d), pitch: d.e.nom, width: d.b.nom })),
    fitsPitch<Symbol>('b', 'e', 'Terminal width'),
    inchPitch<Symbol>((d) => d.nE.nom),
  ],
});

function rows(d: Values): SpanGroup[] {
  const { x, y } = fourRows(uprightCount(d), levelCount(d), d.e.nom);
  const group = (id: string, title: string, upright: boolean): SpanGroup => ({
    kind: 'span',
    id,
    title,
    form: 'castellated',
    frame: upright ? UPRIGHT : HOME,
    span: upright ? d.D : d.E,
    length: d.L,
    width: d.b,
    pitch: d.e.nom,
    body: null,
    places: upright ? y : x,
  });
  const sides = group('upright', 'Left and right sides', false);
  return y.length > 0 ? [sides, group('level', 'Bottom and top sides', true)] : [sides];
}
