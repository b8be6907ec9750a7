import { useMemo, useState } from 'react';
import { riseOf } from '../../core/drawing/dimension-lines';
import type { Footprint } from '../../core/footprint/footprint';
import type { Process } from '../../core/process/process';
import { fit, type Areas, type Camera } from './layout';

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
