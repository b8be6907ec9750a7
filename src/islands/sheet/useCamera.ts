import { useMemo, useState } from 'react';
import { riseOf } from '../../core/drawing/dimension-lines';
import type { Footprint } from '../../core/footprint/footprint';
import type { Process } from '../../core/process/process';
import { useSettled } from '../common/useSettled';
import { fit, type Areas, type Camera } from './layout';

/** Drawings of more lands take longer than a frame. */
const MANY_LANDS = 400;

/** How long a gesture rests before a heavy drawing is drawn anew for it, ms. */
const REST = 160;

/** Whether a drawing is moved as it is while a gesture lasts. */
export const isHeavy = ({ lands }: Footprint): boolean => lands.length > MANY_LANDS;

/**
 * The Sheet's one camera: fitted to the footprint until the person zooms or pans,
 * and fitted again where the key changes. What is heavy is drawn for the camera before a gesture until that rests.
 */
export function useCamera(footprint: Footprint | null, process: Process | null, areas: Areas, key: string) {
  const [held, setHeld] = useState<{ key: string; camera: Camera } | null>(null);
  const fitted = useMemo((): Camera => {
    if (!footprint || !process) return { scale: 40, x: 0, y: 0 };
    return fit(footprint.courtyard.box, riseOf(footprint, process), areas, footprint.package.lines);
  }, [footprint, process, areas]);
  const isHeld = held?.key === key;
  const camera = isHeld ? held.camera : fitted;
  const rested = useSettled(footprint && isHeavy(footprint) ? camera : null, REST);
  return {
    camera,
    /** What shapes are drawn for. */
    drawn: isHeld ? (rested ?? camera) : camera,
    hold: (next: Camera) => setHeld({ key, camera: next }),
    fit: () => setHeld(null),
  };
}
