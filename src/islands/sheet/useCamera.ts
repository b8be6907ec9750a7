import { useMemo, useState } from 'react';
import type { Footprint } from '../../core/footprint/footprint';
import { lowestOf } from '../../core/geometry/faces';
import type { Process } from '../../core/process/process';
import { fit, type Areas, type Camera, type Rise } from './layout';

/** Laminate drawn below the surface, as a share of what stands on it; the rest is broken off. */
const LAMINATE_SHARE = 0.7;

/** Heights that the elevations show for a footprint. */
export function riseOf({ body }: Footprint, process: Process): Rise {
  const model = body.imported?.seen?.box;
  const high = Math.max(body.heights.top.max, model?.max.z ?? 0, 0.2);
  const below = Math.min(lowestOf(body.assembly), model?.min.z ?? 0);
  // leads through the board are shown whole, and the board with them
  if (below < -process.boardThickness) return { low: below - 0.2, high };
  return { low: -Math.min(process.boardThickness, Math.max(0.25, high * LAMINATE_SHARE)), high };
}

/**
 * The Sheet's one camera: fitted to the footprint until the person zooms or pans,
 * and fitted again where the key changes.
 */
export function useCamera(footprint: Footprint | null, process: Process | null, areas: Areas, key: string) {
  const [held, setHeld] = useState<{ key: string; camera: Camera } | null>(null);
  const fitted = useMemo((): Camera => {
    if (!footprint || !process) return { scale: 40, x: 0, y: 0 };
    return fit(footprint.courtyard.box, riseOf(footprint, process), areas, footprint.package.lines);
  }, [footprint, process, areas]);
  const camera = held?.key === key ? held.camera : fitted;
  return {
    camera,
    hold: (next: Camera) => setHeld({ key, camera: next }),
  };
}
