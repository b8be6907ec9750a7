import { narrowOf, sizeOf } from '../../geometry/figure';
import { add, turn, type Point } from '../../geometry/point';
import { formatNumber } from '../../units/length';
import type { Drilled } from './layers';

// Drill files in XNC: millimetres with decimal points, a tool for each finished size and use, slots routed from
// end to end.

const USES: Readonly<Record<Drilled['use'], string>> = {
  component: 'ComponentDrill',
  via: 'ViaDrill',
  mechanical: 'MechanicalDrill',
};

const mm = (length: number): string => formatNumber(length, 1, 6);
const at = ({ x, y }: Point): string => `X${mm(x)}Y${mm(y)}`;

/** Writes the plated or the other holes; `null` where there are none. */
export function writeDrill(
  holes: readonly Drilled[],
  plated: boolean,
  coordinates = 'Footprint',
): string | null {
  const own = holes.filter((hole) => hole.plated === plated);
  if (own.length === 0) return null;
  const tools = new Map<
    string,
    { readonly size: number; readonly use: Drilled['use']; readonly holes: Drilled[] }
  >();
  for (const hole of own) {
    const size = narrowOf(hole.hole.figure);
    const key = `${mm(size)} ${hole.use}`;
    const known = tools.get(key);
    if (known) known.holes.push(hole);
    else tools.set(key, { size, use: hole.use, holes: [hole] });
  }
  const sorted = [...tools.values()].sort((a, b) => a.size - b.size || a.use.localeCompare(b.use));
  const through = plated ? 'Plated' : 'NonPlated';
  const kind = plated ? 'PTH' : 'NPTH';
  return [
    'M48',
    '; #@! TF.GenerationSoftware,Tapis,Tapis,1',
    `; #@! TF.SameCoordinates,${coordinates}`,
    `; #@! TF.FileFunction,${through},1,2,${kind}`,
    'METRIC',
    ...sorted.flatMap(({ size, use }, i) => [
      `; #@! TA.AperFunction,${through},${kind},${USES[use]}`,
      `T${i + 1}C${mm(size)}`,
    ]),
    '%',
    'G05',
    ...sorted.flatMap(({ holes: some }, i) => [`T${i + 1}`, ...some.flatMap(hit)]),
    'M30',
    '',
  ].join('\n');
}

/** One hole: a hit, or for a slot the way from one end to the other. */
function hit({ hole }: Drilled): string[] {
  const { width, height } = sizeOf(hole.figure);
  const flat = Math.abs(width - height) / 2;
  if (flat < 1e-9) return [at(hole.at)];
  const end = turn(width > height ? { x: flat, y: 0 } : { x: 0, y: flat }, hole.rotation);
  return [
    `G00${at(add(hole.at, { x: -end.x, y: -end.y }))}`,
    'M15',
    `G01${at(add(hole.at, end))}`,
    'M16',
    'G05',
  ];
}
