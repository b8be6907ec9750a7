import type { Footprint } from '../../core/footprint/footprint';
import type { Point } from '../../core/geometry/point';
import type { View } from '../../core/package/lines';
import { quantise } from '../../core/units/length';
import { snapped, snapsOf } from '../../core/footprint/snaps';
import type { PlacedView } from './placed-view';
import type { SheetActions } from './view';

/** A drag snaps to places nearer than this, px. */
export const SNAP = 7;

/** The board's axes that a view shows to the right and upwards. */
const AXES = { plan: ['x', 'y'], front: ['x', 'z'], side: ['y', 'z'] } as const;

let drags = 0;

/** Lets an imported model be dragged in any view while Rise is open; one drag is one step of undo. */
export function useModelGrab(
  footprint: Footprint,
  stage: string,
  views: readonly PlacedView[],
  scale: number,
  drag: SheetActions['drag'],
): (view: View, pixel: Point) => ((moved: Point) => void) | null {
  const { imported } = footprint.body;
  return (view, pixel) => {
    const placed = views.find((other) => other.view === view);
    // the plan selects lands and pans; nudging is for the elevations
    if (stage !== 'rise' || view === 'plan' || !placed || !imported?.seen || !drag) return null;
    const [right, up] = AXES[view];
    const { min, max } = imported.seen.box;
    const [a, b] = [placed.place({ x: min[right], y: min[up] }), placed.place({ x: max[right], y: max[up] })];
    const within = (value: number, p: number, q: number) =>
      value >= Math.min(p, q) - 3 && value <= Math.max(p, q) + 3;
    if (!within(pixel.x, a.x, b.x) || !within(pixel.y, a.y, b.y)) return null;
    const from = imported.pose.at;
    const snaps = snapsOf(imported);
    drags += 1;
    const gesture = `model drag ${drags}`;
    // views may be turned on the Sheet: a unit of each axis says where it points
    const origin = placed.place({ x: 0, y: 0 });
    const unit = (p: Point) => ({ x: p.x - origin.x, y: p.y - origin.y });
    const [alongRight, alongUp] = [unit(placed.place({ x: 1, y: 0 })), unit(placed.place({ x: 0, y: 1 }))];
    return (moved) => {
      const along = (axis: Point) => (moved.x * axis.x + moved.y * axis.y) / scale ** 2;
      const text = (axis: 'x' | 'y' | 'z', value: number) =>
        `${quantise(snapped(Math.round(value * 1000) / 1000, axis, snaps, SNAP / scale))} mm`;
      drag(
        [
          { at: `/body/model/${right}`, value: text(right, from[right] + along(alongRight)) },
          { at: `/body/model/${up}`, value: text(up, from[up] + along(alongUp)) },
        ],
        gesture,
      );
    };
  };
}
