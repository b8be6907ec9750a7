import { block, type Assembly, type Part } from '../../geometry/solid';
import { formatMm as mm } from '../../units/length';
import { count, length } from '../declare';
import { line } from '../lines';
import { HEIGHT, LEAD_THICKNESS, LEAD_WIDTH, PITCH, TAIL } from '../dimensions';
import { defineFamily, type PlausibilityRule } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { centred, flatPin, LEAD_ROW_RULES, matrix, pinParts, pinShape, pinsAt } from '../pins';
import { fitsInside } from '../plausibility/counts';
import { inchPitch } from '../plausibility/row';
import { prism } from '../shapes/terminals';
import type { PinGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'D' | 'E' | 'b' | 'c' | 'A' | 'A1' | 'L' | 'S' | 'e1';
type Values = Dimensions<Symbol>;

function isStaggered(options: Options): boolean {
  return options['forming'] === 'staggered';
}

/** What a land of level B takes beside the hole: rings that a drill may wander in, and the gap with its web of mask. */
const BESIDE_HOLE = 2 * (0.05 + 0.05) + 0.2;

const roomForRings: PlausibilityRule<Symbol> = {
  id: 'lead-ring-e',
  title: 'Rings against e',
  fault: 'Rings have no room at pitch e',
  source: 'Geometry: hole, rings that the drill may wander in, gap and mask web have to fit in one pitch',
  check({ d, options }) {
    if (isStaggered(options)) return [];
    const needed = Math.hypot(d.b.max, d.c.max) + 0.2 + BESIDE_HOLE;
    if (needed <= d.e.nom + 1e-9) return [];
    return [
      {
        severity: 'note',
        message: `Straight leads in line need a pitch of ${mm(needed)} mm for round lands with their rings; e is ${mm(d.e.nom)} mm, so lands are narrow across the row. Where every other lead is formed out, they stay round.`,
        place: { dimensions: ['b', 'c', 'e'] },
        measured: { value: needed, limit: d.e.nom, unit: 'mm' },
        remedies: [
          {
            label: 'Form every other lead out',
            edits: [{ at: '/package/options/forming', value: 'staggered' }],
          },
        ],
      },
    ];
  },
};

export const inLineTransistor = defineFamily<Symbol>({
  id: 'in-line-transistor',
  type: 'TO_TYPE',
  title: 'Transistor, leads in line',
  summary: 'Upright body with a row of leads: small half-round, or a power body with its tab upright.',
  keywords: ['TO', 'transistor', 'regulator', 'through-hole', 'in line', 'upright', 'tab', 'half-round'],
  dimensions: [
    count('n', 'Leads', 'Number of leads', [2, 15]),
    PITCH,
    length('D', 'Body width', 'Body along the row', [2, 30]),
    length('E', 'Body thickness', 'Body across the row', [1, 15]),
    length('S', 'Row to back', 'Row of leads to the flat back of the body', [0, 12], { derived: 'E/2' }),
    LEAD_WIDTH,
    LEAD_THICKNESS,
    HEIGHT,
    length('A1', 'Standoff', 'Seating plane to underside of body', [0, 20], { derived: '2' }),
    TAIL,
    length('e1', 'Formed out', 'Row to the leads that are formed out of it', [0.3, 20], {
      derived: '1.5*e',
      when: isStaggered,
    }),
  ],
  options: [
    {
      id: 'shape',
      name: 'Body',
      choices: [
        { id: 'half-round', name: 'half-round' },
        { id: 'power', name: 'power body with a tab at its back' },
      ],
    },
    {
      id: 'forming',
      name: 'Leads',
      choices: [
        { id: 'line', name: 'straight, in line' },
        { id: 'staggered', name: 'every other one formed out' },
      ],
    },
  ],
  example: {
    n: '3',
    e: '1.27',
    D: '4.45..5.2',
    E: '3.2..4.2',
    b: '0.40..0.52',
    c: '0.33..0.43',
    A: 'max 7.5',
  },
  outlines: outlines(
    'n e D E b c A S A1',
    'Small half-round, pitch 1.27 | JEDEC TO-226 AA | 3 | 1.27 | 4.45..5.2 | 3.2..4.2 | 0.40..0.52 | 0.33..0.43 | max 7.5 | |  | shape=half-round | forming=staggered',
    'Power body, pitch 2.54 | JEDEC TO-220 AB | 3 | 2.54 | 9.7..10.4 | 4.3..4.7 | 0.7..0.9 | 0.4..0.6 | max 19.8 | 2.5..2.8 | 3.5..4 | shape=power',
    'Power body, 5 leads, pitch 1.7 | - | 5 | 1.7 | 9.7..10.4 | 4.3..4.7 | 0.7..0.9 | 0.4..0.6 | max 19.8 | 2.5..2.8 | 3.5..4 | shape=power',
  ),
  terminals: (d, options) => [pins(d, options)],
  body: (d, options) => ({
    x: d.D,
    y: d.E,
    standoff: d.A1,
    height: d.A,
    centre: { x: 0, y: d.S.nom - d.E.nom / 2 },
    mount: 'through',
    ...(options['shape'] === 'power' ? {} : { outline: halfRound(d.D.nom, d.E.nom) }),
  }),
  solids: (d, options): Assembly => {
    const [low, high] = [d.A1.nom, Math.max(d.A.nom, d.A1.nom + 0.5)];
    const leads = leadSolids(d, options);
    const back = d.S.nom;
    if (options['shape'] === 'power') {
      const plate = Math.min(1.3, d.E.nom / 3);
      const moulded = low + (high - low) * 0.58;
      return {
        shapes: {
          ...leads.shapes,
          body: block(d.D.nom, d.E.nom - plate, low, moulded),
          plate: block(d.D.nom * 0.99, plate, low + 0.2, high),
        },
        parts: [
          ...leads.parts,
          centred('plate', 'metal', { y: back - plate / 2 }),
          // the moulding ends at the plate
          centred('body', 'moulding', { y: back - plate - (d.E.nom - plate) / 2 }),
        ],
      };
    }
    return {
      shapes: { ...leads.shapes, body: prism(halfRound(d.D.nom, d.E.nom), low, high) },
      parts: [...leads.parts, centred('body', 'moulding', { y: back - d.E.nom / 2 })],
    };
  },
  dimensionLines: (d) => {
    const x = d.D.nom / 2;
    const [front, back] = [d.S.nom - d.E.nom, d.S.nom];
    const left = (-(d.n.nom - 1) / 2) * d.e.nom;
    return [
      line('D', 'plan', 'top', [-x, back], [x, back], 1),
      line('e', 'plan', 'top', [left, 0], [left + d.e.nom, 0]),
      line('E', 'plan', 'right', [x, front], [x, back], 1),
      line('S', 'plan', 'right', [-left, 0], [x, back]),
      line('b', 'front', 'bottom', [left - d.b.nom / 2, -d.L.nom], [left + d.b.nom / 2, -d.L.nom]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
      line('A1', 'front', 'left', [-x, 0], [-x, d.A1.nom]),
      line('L', 'front', 'right', [-left, -d.L.nom], [-left, 0], 1),
    ];
  },
  name: (d, options) => [
    'TOV',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['D', d.D.nom], ['E', d.E.nom], ['A', d.A.max]),
    ...(isStaggered(options) ? ['S', hundredths('e1', d.e1.nom)] : []),
    '-',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    ...LEAD_ROW_RULES,
    fitsInside<Symbol>(
      'back-body',
      { words: 'Row to back S', symbols: ['S'], of: (d) => d.S.min },
      { words: 'the body thickness', symbol: 'E' },
    ),
    inchPitch<Symbol>((d) => d.n.nom),
    roomForRings,
  ],
});

/** A flat back and a round front, as wide and as thick as given, about its own middle. */
function halfRound(width: number, thickness: number) {
  const [r, back] = [width / 2, thickness / 2];
  // centre of the round so that it reaches the front; the flat cuts it at the back
  const centre = r - back;
  const start = Math.asin(Math.max(-1, Math.min(1, (back - centre) / r)));
  const sweep = Math.PI + 2 * start;
  const steps = 24;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = Math.PI - start + (sweep * i) / steps;
    return { x: r * Math.cos(angle), y: centre + r * Math.sin(angle) };
  });
}

/** Every other lead stands out to the front where they are formed so. */
function pins(d: Values, options: Options): PinGroup {
  const out = isStaggered(options) ? d.e1.nom : 0;
  const points = matrix(d.n.nom, 1, d.e.nom, 0).map(({ x, y }, i) => ({ x, y: i % 2 === 1 ? y - out : y }));
  return pinsAt(points, flatPin(d.b, d.c), {
    title: 'Leads',
    pitch: { x: out > 0 ? 2 * d.e.nom : d.e.nom, y: null },
  });
}

/** Leads up into the body; one that is formed out goes level to the row first. */
function leadSolids(
  d: Values,
  options: Options,
): { readonly shapes: Assembly['shapes']; readonly parts: Part[] } {
  const group = pins(d, options);
  const section = flatPin(d.b, d.c);
  const into = d.A1.nom + 0.3;
  const straight = { pin: pinShape(section, d.L.nom, into) };
  if (!isStaggered(options)) return { shapes: straight, parts: pinParts(group, 'pin') };
  const [out, knee] = [d.e1.nom, Math.max(d.A1.nom / 2, d.c.nom)];
  const formed = group.places.filter((_, i) => i % 2 === 1);
  const part = (name: string, shape: string, order: number, x: number, y: number): Part => ({
    name: `${name} ${order}`,
    shape,
    material: 'metal',
    at: { x, y, z: 0 },
    rotation: 0,
  });
  return {
    shapes: {
      ...straight,
      foot: pinShape(section, d.L.nom, knee),
      knee: block(d.b.nom, out + d.c.nom, knee - d.c.nom, knee),
      rise: block(d.b.nom, d.c.nom, knee - d.c.nom, into),
    },
    parts: [
      ...pinParts({ ...group, places: group.places.filter((_, i) => i % 2 === 0) }, 'pin'),
      ...formed.flatMap(({ order, at: { x, y } }) => [
        part('pin', 'foot', order, x, y),
        part('knee of pin', 'knee', order, x, y + out / 2),
        part('rise of pin', 'rise', order, x, y + out),
      ]),
    ],
  };
}
