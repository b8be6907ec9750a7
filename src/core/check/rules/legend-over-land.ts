/**
 * Requires the legend to stay clear of lands and mask openings: ink on a land does not solder.
 */
import { boxOfPoints, centreOf, cornersOf, gapBetween, grow, type Box } from '../../geometry/box';
import { neighboursOf } from '../../geometry/neighbours';
import { offset, sharedArea, strokeOutline, type Polygon } from '../../geometry/polygon';
import type { Footprint } from '../../footprint/footprint';
import { formatNumber } from '../../units/length';
import { fill, type Rule } from '../rule';

const messages = {
  over: 'Legend comes within {limit} mm of the opening of land {land}; it must keep that gap.',
};

/** Area that counts as overlap, mm²: below it lies the rounding of the ink's round ends. */
const TRACE = 1e-5;

export const legendOverLand: Rule = {
  id: 'legend-over-land',
  title: 'Legend over land',
  source: 'Process: legend gap',
  severity: 'stop',
  stage: 'mark',
  check({ footprint, process }) {
    const obstacles = [
      ...footprint.maskOpenings.map(({ box, lands }) => ({ box, land: lands[0] ?? 0 })),
      ...footprint.lands.map(({ copper }, land) => ({ box: copper, land })),
    ];
    const limit = process.legendGap;
    const index = neighboursOf(obstacles.map(({ box }) => box));
    for (const ink of inkOf(footprint)) {
      const reach = offset(ink, limit - 0.001, 'round');
      const bounds = boxOfPoints(ink.flat()) as Box;
      for (const i of index.near(grow(bounds, limit))) {
        const { box, land } = obstacles[i] as (typeof obstacles)[number];
        if (gapBetween(bounds, box) >= limit || sharedArea(reach, [cornersOf(box)]) < TRACE) continue;
        const { number = '' } = footprint.lands[land] ?? {};
        return [
          {
            message: fill(messages.over, { limit: formatNumber(limit, 2), land: number }),
            place: { at: centreOf(box), lands: [number] },
          },
        ];
      }
    }
    return [];
  },
};

/** Every legend mark as the area its ink covers. */
function inkOf({ legend }: Footprint): Polygon[][] {
  const lines = legend.lines.map((line) => strokeOutline(line, legend.width));
  return legend.pin1 ? [...lines, [legend.pin1]] : lines;
}
