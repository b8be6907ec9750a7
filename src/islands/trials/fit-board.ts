import type { Rise } from '../../core/drawing/dimension-lines';
import type { Box } from '../../core/geometry/box';
import type { Areas, Camera } from '../sheet/layout';

/** Room round a board, px: balloons stand beside the plan. */
const ROOM = { x: 40, y: 30, rise: 22 };

/** The camera that shows a whole board in every shown quadrant at one scale. */
export function fitBoard({ minX, minY, maxX, maxY }: Box, { low, high }: Rise, areas: Areas): Camera {
  const { plan, front, side } = areas;
  const depth = high - low;
  const scales = [
    ...(plan ? [(plan.width - 2 * ROOM.x) / (maxX - minX), (plan.height - 2 * ROOM.y) / (maxY - minY)] : []),
    ...(front ? [(front.width - 2 * ROOM.x) / (maxX - minX), (front.height - 2 * ROOM.rise) / depth] : []),
    ...(side ? [(side.height - 2 * ROOM.y) / (maxY - minY), (side.width - 2 * ROOM.rise) / depth] : []),
  ];
  const scale = Math.max(0.2, Math.min(400, ...scales.filter((one) => one > 0)));
  return { scale, x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
}
