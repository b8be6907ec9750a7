/**
 * Requires a part at the board's edge to stand out beyond it as far as its drawing says.
 */
import type { BoardEdge, Land } from '../../footprint/footprint';
import { cornersOf } from '../../geometry/box';
import { flatten } from '../../geometry/contour';
import { circleAt, contourOf, type Placed } from '../../geometry/figure';
import { isQuarter, turn } from '../../geometry/point';
import { byProcess } from '../probes';
import { fill, mm, type Rule } from '../rule';

const messages = {
  least: 'The part stands out {value} mm beyond the {side} edge; needs {limit} mm.',
  most: 'The part stands out {value} mm beyond the {side} edge; at most {limit} mm.',
  short: 'The part ends {inside} mm inside the {side} edge; it must stand out by {limit} mm.',
  lands: 'Land {land} {comes} the {side} edge; copper keeps {limit} mm.',
  holes: 'A hole{land} {comes} the {side} edge; holes keep {limit} mm.',
};

export const edgeOverhang: Rule = {
  id: 'edge-overhang',
  title: 'Overhang at the board edge',
  fault: 'Part misses its place at the edge',
  source: 'Document: edge and overhang; process: edge to copper and to hole',
  severity: 'stop',
  stage: 'rise',
  looksAt: ['a board edge'],
  probes: [byProcess('edgeToCopper'), byProcess('edgeToHole')],
  check({ footprint, process }) {
    const { edge } = footprint;
    if (!edge) return [];
    const { side, overhang, least, most } = edge;
    const say = (text: string, value: number, limit: number, land: Land | null = null, name = '') => ({
      message: fill(text, {
        value: mm(value),
        inside: mm(-value),
        comes: value < 0 ? `reaches ${mm(-value)} mm beyond` : `comes within ${mm(value)} mm of`,
        limit: mm(limit),
        side,
        land: name,
      }),
      measured: { value, limit, unit: 'mm' as const },
      place: land ? { lands: [land.id] } : { at: edge.at },
    });
    const lands = footprint.lands.map((land) => ({ land, gap: gapTo(edge, land.copper) }));
    const holes = [
      ...footprint.lands.flatMap((land) =>
        [...(land.hole ? [land.hole] : []), ...land.vias.map((via) => circleAt(via, via.hole))].map(
          (wall) => ({ land, gap: gapTo(edge, wall) }),
        ),
      ),
      ...footprint.bores.map(({ hole: wall }) => ({ land: null, gap: gapTo(edge, wall) })),
    ];
    const [copper, hole] = [nearest(lands), nearest(holes)];
    return [
      ...(least !== null && overhang.min < least - 1e-9
        ? [say(overhang.min < 0 ? messages.short : messages.least, overhang.min, least)]
        : []),
      ...(most !== null && overhang.max > most + 1e-9 ? [say(messages.most, overhang.max, most)] : []),
      ...(copper && copper.gap < process.edgeToCopper - 1e-9
        ? [say(messages.lands, copper.gap, process.edgeToCopper, copper.land, copper.land.number)]
        : []),
      ...(hole && hole.gap < process.edgeToHole - 1e-9
        ? [
            say(
              messages.holes,
              hole.gap,
              process.edgeToHole,
              hole.land,
              hole.land ? ` of land ${hole.land.number}` : '',
            ),
          ]
        : []),
    ];
  },
};

function nearest<T extends { readonly gap: number }>(items: readonly T[]): T | undefined {
  return [...items].sort((a, b) => a.gap - b.gap)[0];
}

/** How far inside the edge something ends, mm; less than nothing beyond it. */
function gapTo({ at, outward }: BoardEdge, figure: Placed): number {
  const { x, y } = turn({ x: 1, y: 0 }, outward);
  const corners = isQuarter(outward) ? cornersOf(figure) : flatten(contourOf(figure), 0.001);
  return -Math.max(...corners.map((p) => (p.x - at.x) * x + (p.y - at.y) * y));
}
