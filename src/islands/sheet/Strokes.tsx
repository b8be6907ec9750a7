import { memo } from 'react';
import { pathData, type Stroke } from '../../core/drawing/drawing';

/** Paths that look alike and follow one another become one element: thousands of lands stay light. */
function merged(strokes: readonly Stroke[]): Stroke[] {
  const result: Stroke[] = [];
  for (const stroke of strokes) {
    const last = result.at(-1);
    const alike =
      last &&
      last.layer === stroke.layer &&
      last.closed === stroke.closed &&
      last.width === stroke.width &&
      // a solid's silhouette hides what is painted before it, so solids stay apart
      !SOLIDS.has(stroke.layer);
    if (alike) result[result.length - 1] = { ...last, rings: [...last.rings, ...stroke.rings] };
    else result.push(stroke);
  }
  return result;
}

const SOLIDS: ReadonlySet<Stroke['layer']> = new Set([
  'metal',
  'ceramic',
  'beyond',
  'model-dark',
  'model-light',
  'model-beyond',
  'model-cut',
  'model-hollow',
]);

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
