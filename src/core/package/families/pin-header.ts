import { block, type Assembly, type Part, type Shape } from '../../geometry/solid';
import { exactly } from '../../units/toleranced';
import { count, length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { BodyExtent } from '../drawn';
import type { Dimensions, Options } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { centred, flatPin, leadAgainstPitch, matrix, pinParts, pinsAt } from '../pins';
import { agreesWith } from '../plausibility/counts';
import { gridDrift } from '../plausibility/grid';
import type { PinGroup } from '../terminal';

type Symbol = 'r' | 'k' | 'e' | 'eR' | 'b' | 'D' | 'E' | 'H' | 'A' | 'L' | 'F';
type Values = Dimensions<Symbol>;

export const pinHeader = defineFamily<Symbol>({
  id: 'pin-header',
  type: 'CONNECTOR_TH',
  title: 'Pin header',
  summary: 'Square pins in one, two or more rows through an insulator, straight or at a right angle.',
  keywords: ['header', 'connector', 'pin strip', 'through-hole', 'straight', 'right angle', 'HDR', 'rows'],
  dimensions: [
    count('r', 'Rows', 'Rows of pins', [1, 10]),
    count('k', 'Columns', 'Pins in each row', [1, 80]),
    length('e', 'Pitch', 'Centre to centre of neighbouring pins in a row', [0.8, 10], { basic: true }),
    length('eR', 'Row pitch', 'Centre to centre of neighbouring rows', [0.8, 20], {
      basic: true,
      derived: 'e',
    }),
    length('b', 'Pin side', 'Side of the square pin', [0.2, 2]),
    length('D', 'Insulator length', 'Insulator along the rows', [0.8, 250], { derived: 'e*k' }),
    length('E', 'Insulator width', 'Insulator across the rows; height of it at a right angle', [0.8, 60], {
      derived: 'eR*r',
    }),
    length('H', 'Thickness', 'Insulator along the pins', [0.5, 20], { derived: 'typ 2.5' }),
    length('A', 'Mating length', 'Free length of the pins that are mated', [0.5, 40], {
      derived: 'typ 6',
    }),
    length('L', 'Tail', 'Seating plane to the end of the pins below', [0.5, 20], { derived: 'typ 3' }),
    length('F', 'Row to insulator', 'Right angle: first row to the face of the insulator', [0, 20], {
      derived: 'typ 1.5',
      when: ({ angle }) => angle === 'right',
    }),
  ],
  options: [
    {
      id: 'angle',
      name: 'Pins',
      choices: [
        { id: 'straight', name: 'straight up' },
        { id: 'right', name: 'right angle, towards the lower edge' },
      ],
    },
  ],
  example: { r: '2', k: '5', e: '2.54', b: '0.60..0.68' },
  outlines: outlines(
    'r k e b H A L',
    '1 × 4, pitch 2.54 | - | 1 | 4 | 2.54 | 0.60..0.68 | |  | ',
    '2 × 5, pitch 2.54 | - | 2 | 5 | 2.54 | 0.60..0.68 | |  | ',
    '2 × 10, pitch 2.00 | - | 2 | 10 | 2.0 | 0.45..0.55 | typ 2 | typ 4 | typ 2.8',
    '2 × 5, pitch 1.27 | - | 2 | 5 | 1.27 | 0.36..0.46 | typ 1 | typ 3.9 | typ 2.5',
  ),
  terminals: (d) => [pins(d)],
  body,
  solids,
  dimensionLines: (d, options) => {
    const [x, y] = [d.D.nom / 2, d.E.nom / 2];
    const left = (-(d.k.nom - 1) / 2) * d.e.nom;
    const top = ((d.r.nom - 1) / 2) * d.eR.nom;
    const right = options['angle'] === 'right';
    const face = right ? faceOf(d) : 0;
    return [
      line('D', 'plan', 'top', [-x, right ? face : y], [x, right ? face : y], 1),
      ...(right ? [] : [line('E', 'plan', 'right', [x, -y], [x, y])]),
      ...(d.k.nom > 1 ? [line('e', 'plan', 'top', [left, top], [left + d.e.nom, top])] : []),
      ...(d.r.nom > 1 ? [line('eR', 'plan', 'left', [left, top - d.eR.nom], [left, top])] : []),
      line('b', 'front', 'bottom', [left - d.b.nom / 2, -d.L.nom], [left + d.b.nom / 2, -d.L.nom]),
      line('L', 'front', 'right', [-left, -d.L.nom], [-left, 0]),
      ...(right
        ? [
            line('E', 'front', 'right', [x, 0], [x, d.E.nom], 1),
            line('F', 'plan', 'right', [-left, face], [-left, -top]),
            line('H', 'plan', 'right', [x, face - d.H.nom], [x, face], 1),
            line('A', 'plan', 'right', [-left, face - d.H.nom - d.A.nom], [-left, face - d.H.nom]),
          ]
        : [
            line('H', 'front', 'left', [-x, 0], [-x, d.H.nom]),
            line('A', 'front', 'left', [left, d.H.nom], [left, d.H.nom + d.A.nom], 1),
          ]),
    ];
  },
  name: (d, options) => {
    const right = options['angle'] === 'right';
    return [
      right ? 'HDRRA' : 'HDRV',
      counted('n', d.r.nom * d.k.nom),
      'W',
      hundredths('b', d.b.nom),
      'P',
      hundredths('e', d.e.nom),
      '_',
      counted('r', d.r.nom),
      'X',
      counted('k', d.k.nom),
      '_',
      ...byX(['D', d.D.nom], ['E', d.E.nom], ['H', right ? d.E.max : d.H.nom + d.A.nom]),
    ];
  },
  polarised: () => true,
  plausibility: [
    agreesWith<Symbol>('D', ['k', 'e'], 'columns × pitch', (d) => d.k.nom * d.e.nom, 0.6),
    agreesWith<Symbol>('E', ['r', 'eR'], 'rows × row pitch', (d) => d.r.nom * d.eR.nom, 3),
    leadAgainstPitch<Symbol>('e', (d) => d.b.max * Math.SQRT2, ['b']),
    leadAgainstPitch<Symbol>('eR', (d) => d.b.max * Math.SQRT2, ['b']),
    gridDrift<Symbol>('e', (d) => d.k.nom),
  ],
});

/** Upper face of a right-angle insulator: below the last row. */
function faceOf(d: Values): number {
  return -((d.r.nom - 1) / 2) * d.eR.nom - d.F.nom;
}

function body(d: Values, options: Options): BodyExtent {
  if (options['angle'] !== 'right') {
    const total = d.H.nom + d.A.nom;
    return { x: d.D, y: d.E, standoff: exactly(0), height: exactly(total), mount: 'through' };
  }
  const back = ((d.r.nom - 1) / 2) * d.eR.nom + d.b.nom / 2;
  const tips = faceOf(d) - d.H.nom - d.A.nom;
  return {
    x: d.D,
    y: exactly(back - tips),
    standoff: exactly(0),
    height: d.E,
    centre: { x: 0, y: (back + tips) / 2 },
    mount: 'through',
  };
}

/** Column by column, odd numbers in the upper row, as two-row headers are counted. */
function pins(d: Values): PinGroup {
  const points = matrix(d.k.nom, d.r.nom, d.e.nom, d.eR.nom).sort((a, b) => a.x - b.x || b.y - a.y);
  return pinsAt(points, flatPin(d.b, d.b), {
    pitch: { x: d.k.nom > 1 ? d.e.nom : null, y: d.r.nom > 1 ? d.eR.nom : null },
  });
}

function solids(d: Values, options: Options): Assembly {
  const group = pins(d);
  const b = d.b.nom;
  if (options['angle'] !== 'right') {
    return {
      shapes: {
        pin: block(b, b, -d.L.nom, d.H.nom + d.A.nom),
        insulator: block(d.D.nom, d.E.nom, 0, d.H.nom),
      },
      parts: [...pinParts(group, 'pin'), centred('insulator', 'moulding')],
    };
  }
  // a row further from the insulator runs at a greater height
  const shapes: Record<string, Shape> = {};
  const parts: Part[] = [];
  const step = d.r.nom > 0 ? d.E.nom / d.r.nom : d.E.nom;
  const face = faceOf(d);
  for (let row = 0; row < d.r.nom; row += 1) {
    const height = (d.r.nom - row - 0.5) * step;
    const y = ((d.r.nom - 1) / 2 - row) * d.eR.nom;
    const reach = y - (face - d.H.nom - d.A.nom) + b / 2;
    shapes[`up ${row}`] = block(b, b, -d.L.nom, height + b / 2);
    shapes[`out ${row}`] = block(b, reach, height - b / 2, height + b / 2);
    for (const { order, at } of group.places.filter((place) => Math.abs(place.at.y - y) < 1e-6)) {
      const base = { material: 'metal', rotation: 0 } as const;
      parts.push(
        { ...base, name: `pin ${order}`, shape: `up ${row}`, at: { ...at, z: 0 } },
        {
          ...base,
          name: `arm ${order}`,
          shape: `out ${row}`,
          at: { x: at.x, y: y + b / 2 - reach / 2, z: 0 },
        },
      );
    }
  }
  shapes['insulator'] = block(d.D.nom, d.H.nom, 0, d.E.nom);
  return { shapes, parts: [...parts, centred('insulator', 'moulding', { y: face - d.H.nom / 2 })] };
}
