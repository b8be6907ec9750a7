import type { BoardEdge, Footprint } from '../footprint/footprint';
import type { Point } from '../geometry/point';
import type { Stroke } from './drawing';
import type { ElevationView } from './section';

/** The edge of the board, where the view shows it as a line. */
export function edgeStrokes({ edge, body }: Footprint, view: ElevationView, bottom: number): Stroke[] {
  if (!edge || !isAcross(edge.side, view)) return [];
  const { top } = body.heights;
  const ring = [
    { x: edge.at, y: bottom - 0.1 * top.max },
    { x: edge.at, y: top.max * 1.1 },
  ];
  return [{ layer: 'board-edge', rings: [ring], closed: false }];
}

/** Whether a view looks along an edge. */
function isAcross(side: BoardEdge['side'], view: ElevationView): boolean {
  return (side === 'left' || side === 'right') === (view === 'front');
}

/** The board below the courtyard; a zigzag lower edge says that it goes on. */
export function laminate(
  { courtyard: { box }, edge }: Footprint,
  view: ElevationView,
  low: number,
  broken: boolean,
): Stroke {
  let [from, to] = view === 'front' ? [box.minX, box.maxX] : [box.minY, box.maxY];
  if (edge && isAcross(edge.side, view)) {
    // beyond its edge there is no board
    if (edge.side === 'left' || edge.side === 'bottom') from = Math.min(edge.at, to);
    else to = Math.max(edge.at, from);
  }
  const outline: Point[] = [{ x: from, y: low }];
  if (broken) {
    const [middle, size] = [(from + to) / 2 - (to - from) * 0.3, -low * 0.14];
    outline.push(
      { x: middle - 2 * size, y: low },
      { x: middle - size, y: low + size },
      { x: middle + size, y: low - size },
      { x: middle + 2 * size, y: low },
    );
  }
  outline.push({ x: to, y: low }, { x: to, y: 0 }, { x: from, y: 0 });
  return { layer: 'laminate', rings: [outline], closed: true };
}
