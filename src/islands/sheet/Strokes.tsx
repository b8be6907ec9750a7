import { memo } from 'react';
import { merged, pathData, type Stroke } from '../../core/drawing/drawing';

/** A drawing's strokes in mm, to be placed by a transform round them. */
export const Strokes = memo(function Strokes({ strokes }: { strokes: readonly Stroke[] }) {
  return merged(strokes).map((stroke, i) => (
    <path
      key={i}
      className={`layer-${stroke.layer}${stroke.closed ? '' : ' open'}`}
      d={pathData(stroke)}
      {...(stroke.width === undefined ? {} : { strokeWidth: stroke.width })}
    />
  ));
});
