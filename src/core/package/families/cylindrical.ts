import type { Assembly } from '../../geometry/solid';
import { length, line } from '../declare';
import { defineFamily, type Dimensions } from '../family';
import { endAgainstLength } from '../plausibility/chip';
import { twoRows } from '../rows';
import { lyingCylinder } from '../shapes/round';

type Symbol = 'L' | 'D' | 'T';
type Values = Dimensions<Symbol>;

/** The glass between the caps is thinner by this much on each side. */
const STEP = 0.03;

export const cylindrical = defineFamily<Symbol>({
  id: 'cylindrical',
  title: 'Cylinder with end caps',
  summary: 'Glass or ceramic tube with a metal cap at each end (MELF).',
  keywords: ['MELF', 'cylindrical', 'diode', 'resistor', 'two terminals', 'end cap'],
  dimensions: [
    length('L', 'Length', 'Over both end caps', [0.5, 30]),
    length('D', 'Diameter', 'Across the end cap', [0.3, 12]),
    length('T', 'Cap length', 'End cap along the length', [0.05, 8]),
  ],
  options: [
    {
      id: 'component',
      name: 'Component',
      choices: [
        { id: 'diode', name: 'Diode' },
        { id: 'resistor', name: 'Resistor' },
      ],
    },
  ],
  example: { L: '3.3..3.7', D: '1.4..1.6', T: '0.2..0.5' },
  terminals: (d) => [
    {
      id: 'ends',
      title: 'Both ends',
      form: 'cylindrical-end',
      axis: 'x',
      span: d.L,
      length: d.T,
      width: d.D,
      pitch: null,
      body: null,
      places: twoRows([0], [0]),
    },
  ],
  body: (d) => ({ x: d.L, y: d.D, standoff: { min: 0, nom: 0, max: 0, given: 'exact' }, height: d.D }),
  solids,
  dimensionLines: (d) => {
    const [x, y] = [d.L.nom / 2, d.D.nom / 2];
    return [
      line('L', 'plan', 'top', [-x, y], [x, y]),
      line('D', 'plan', 'right', [x, -y], [x, y]),
      line('T', 'plan', 'bottom', [-x, -y], [d.T.nom - x, -y]),
    ];
  },
  name: (d, options) => [
    options['component'] === 'resistor' ? 'RESMELF' : 'DIOMELF',
    { symbol: 'L', value: d.L.nom, decimals: 1, digits: 2 },
    { symbol: 'D', value: d.D.nom, decimals: 1, digits: 2 },
  ],
  polarised: (options) => options['component'] !== 'resistor',
  plausibility: [endAgainstLength],
});

function solids(d: Values): Assembly {
  const cap = Math.min(d.T.nom, d.L.nom / 2);
  const end = (d.L.nom - cap) / 2;
  const between = Math.max(d.L.nom - 2 * cap, 0.01);
  // a cylinder lies along Y of its own; a quarter turn lays it along the part
  const part = (name: string, shape: string, x: number) =>
    ({
      name,
      shape,
      material: shape === 'body' ? 'ceramic' : 'metal',
      at: { x, y: 0, z: 0 },
      rotation: 90,
    }) as const;
  return {
    shapes: {
      body: lyingCylinder(Math.max(d.D.nom - 2 * STEP, 0.05), between, STEP),
      cap: lyingCylinder(d.D.nom, cap),
    },
    parts: [part('body', 'body', 0), part('end cap 1', 'cap', -end), part('end cap 2', 'cap', end)],
  };
}
