import type { BoardEdge, Footprint } from '../footprint/footprint';
import { turn, type Point } from '../geometry/point';
import type { Stroke } from './drawing';
import type { ElevationView } from './section';

/** The edge of the board, where the view shows it as a line. */
export function edgeStrokes({ edge, body }: Footprint, view: ElevationView, bottom: number): Stroke[] {
  const at = edge && acrossAt(edge, view);
  if (!at) return [];
  const { top } = body.heights;
  const ring = [
    { x: at.value, y: bottom - 0.1 * top.max },
    { x: at.value, y: top.max * 1.1 },
  ];
  return [{ layer: 'board-edge', rings: [ring], closed: false }];
}

/** Where a view that looks along an edge shows it, and whether the board lies below that coordinate. */
function acrossAt({ at, outward }: BoardEdge, view: ElevationView): { value: number; low: boolean } | null {
  const step = turn({ x: 1, y: 0 }, outward);
  const [value, along, off] = view === 'front' ? [at.x, step.x, step.y] : [at.y, step.y, step.x];
  return Math.abs(off) < 1e-9 ? { value, low: along > 0 } : null;
}

/** The board below the courtyard; a zigzag lower edge says that it goes on. */
export function laminate(
  { courtyard: { box }, edge }: Footprint,
  view: ElevationView,
  low: number,
  broken: boolean,
): Stroke {
  let [from, to] = view === 'front' ? [box.minX, box.maxX] : [box.minY, box.maxY];
  const end = edge && acrossAt(edge, view);
  if (end) {
    // beyond its edge there is no board
    if (end.low) to = Math.max(end.value, from);
    else from = Math.min(end.value, to);
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
