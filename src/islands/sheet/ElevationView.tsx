import { memo, useMemo } from 'react';
import { drawElevation } from '../../core/drawing/elevation';
import type { Hideable } from '../../core/drawing/showing';
import type { ElevationView as View } from '../../core/drawing/section';
import type { Footprint } from '../../core/footprint/footprint';
import type { Process } from '../../core/process/process';
import { Strokes } from './Strokes';

interface Props {
  footprint: Footprint;
  process: Process;
  view: View;
  transform: string;
  /** Index of the land that the elevation is cut through. */
  cut: number | null;
  /** Height down to which the laminate is drawn, mm; a broken edge shows that it goes on. */
  low: number;
  hidden: ReadonlySet<Hideable>;
}

/** A front or side elevation to scale. */
export const ElevationView = memo(function ElevationView(props: Props) {
  const { footprint, process, view, transform, cut, low, hidden } = props;
  const { strokes } = useMemo(
    () => drawElevation(footprint, process, view, { low, cut, hidden }),
    [footprint, process, view, low, cut, hidden],
  );
  return (
    <g className="drawing elevation" transform={transform}>
      <Strokes strokes={strokes} />
    </g>
  );
});
