import type { Footprint } from '../footprint/footprint';
import { circleAt, place, type Placed } from '../geometry/figure';
import { gapBetweenFigures } from '../geometry/gaps';
import { boxOfPositions, meshOf } from '../geometry/mesh';
import { standing, type Part, type Shape } from '../geometry/solid';
import type { Live } from './conductors';

/** Metal that comes as near to the board as this touches the land under it: solder is there. mm */
const TOUCHES = 0.35;

/**
 * The metal of a body over the board: leads, tabs, lids, cans. What stands on the land of one potential is of that
 * potential; what stands on none, or on several, is of none that is known, and floats.
 * @param copper the lands of the same footprint
 * @param prefix told before names, such as a reference
 */
export function metalOf(
  { body: { assembly, heights }, far }: Footprint,
  copper: readonly Live[],
  prefix = '',
): Live[] {
  const lands = copper.filter(({ side, land }) => land !== null && side === (far ? 'far' : 'component'));
  return assembly.parts.flatMap((part): Live[] => {
    const shape = assembly.shapes[part.shape];
    const seen = part.material === 'metal' && shape ? seenFromAbove(part, shape) : null;
    if (!seen) return [];
    const { figure, low, high } = seen;
    // on the far side heights count down from the far surface of the board
    const [from, to] = far ? [heights.boardBottom - high, heights.boardBottom - low] : [low, high];
    if (to <= 0) return [];
    const on = from > TOUCHES ? [] : lands.filter((live) => gapBetweenFigures(live.figure, figure) < 1e-9);
    const potentials = new Set(on.map(({ potential }) => potential));
    const [own] = potentials.size === 1 ? on : [];
    return [
      {
        land: null,
        figure,
        side: far ? 'far' : 'component',
        over: { low: Math.max(0, from), high: to },
        potential: own?.potential ?? `${prefix}${part.name}`,
        name: `${prefix === '' ? 'the ' : prefix}${part.name}${own?.land?.number ? ` on land ${own.land.number}` : ''}`,
        voltage: own?.voltage ?? null,
        floats: own ? own.floats : true,
        layer: 'outer',
        covered: false,
      },
    ];
  });
}

/** What a part covers of the board, and between which heights. */
function seenFromAbove(
  part: Part,
  shape: Shape,
): { readonly figure: Placed; readonly low: number; readonly high: number } | null {
  const box = boxOfPositions(meshOf(shape).positions);
  if (!box) return null;
  const { min, max } = box;
  const middle = standing(part, { x: (min.x + max.x) / 2, y: (min.y + max.y) / 2, z: 0 });
  const heights = [min.z, max.z].map((z) => standing(part, { x: 0, y: 0, z }).z);
  const figure =
    shape.kind === 'revolution'
      ? circleAt(middle, max.x - min.x)
      : place({ kind: 'rectangle', width: max.x - min.x, height: max.y - min.y }, middle, part.rotation);
  return { figure, low: Math.min(...heights), high: Math.max(...heights) };
}
