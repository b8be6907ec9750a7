/**
 * Requires the legend to stay clear of lands and mask openings: ink on a land does not solder.
 */
import type { Footprint } from '../../footprint/footprint';
import { boxOfPoints, centreOf, grow, type Box } from '../../geometry/box';
import { type Placed } from '../../geometry/figure';
import { gapToLine, gapToPolygon } from '../../geometry/gaps';
import type { Point } from '../../geometry/point';
import { formatNumber } from '../../units/length';
import type { Obstacle } from '../context';
import { byProcess } from '../probes';
import { fill, type Rule } from '../rule';

const messages = {
  over: 'Legend lies on the opening of {land}; it must keep {limit} mm.',
  near: 'Legend comes within {gap} mm of the opening of {land}; it must keep {limit} mm.',
};

export const legendOverLand: Rule = {
  id: 'legend-over-land',
  title: 'Legend over land',
  fault: 'Legend lies over a land',
  source: 'Process: legend gap',
  severity: 'stop',
  stage: 'mark',
  looksAt: ['legend'],
  probes: [byProcess('legendGap')],
  check({ footprint, process, obstaclesNear }) {
    const limit = process.legendGap;
    let worst: (Obstacle & { gap: number }) | null = null;
    for (const { bounds, gapTo } of inkOf(footprint)) {
      for (const obstacle of obstaclesNear(grow(bounds, limit))) {
        const gap = gapTo(obstacle.area);
        if (gap < limit - 1e-6 && gap < (worst?.gap ?? Infinity)) worst = { ...obstacle, gap };
      }
    }
    if (!worst) return [];
    const { gap, area, land } = worst;
    const values = {
      gap: formatNumber(gap, 2, 3),
      limit: formatNumber(limit, 2),
      land: land ? `land ${land.number}` : 'a hole or a window in the mask',
    };
    return [
      {
        message: fill(gap <= 0 ? messages.over : messages.near, values),
        measured: { value: gap, limit, unit: 'mm' },
        place: { at: centreOf(area), lands: land ? [land.id] : [] },
      },
    ];
  },
};

/** A legend mark: the box round its ink, and the ink's distance from a box (0 where it covers it). */
interface Ink {
  readonly bounds: Box;
  readonly gapTo: (area: Placed) => number;
}

function inkOf({ legend }: Footprint): Ink[] {
  const half = legend.width / 2;
  // edge by edge: the box round a whole outline would hold everything under the body
  const edges = legend.lines.flatMap((line) => line.slice(1).map((to, i) => [line[i] as Point, to]));
  const lines = edges.map((edge): Ink => ({
    bounds: grow(boxOfPoints(edge) as Box, half),
    gapTo: (area) => Math.max(0, gapToLine(area, edge) - half),
  }));
  const { pin1 } = legend;
  if (!pin1) return lines;
  return [
    ...lines,
    { bounds: boxOfPoints(pin1) as Box, gapTo: (area) => Math.max(0, gapToPolygon(area, pin1)) },
  ];
}
