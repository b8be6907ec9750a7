import { memo, useMemo } from 'react';
import { merged, pathData, type Stroke } from '../../core/drawing/drawing';
import { tiled } from '../../core/drawing/tiles';
import { gapBetween, type Box } from '../../core/geometry/box';

/** A drawing's strokes in mm, to be placed by a transform round them. */
export const Strokes = memo(function Strokes({ strokes }: { strokes: readonly Stroke[] }) {
  return merged(strokes).map((stroke, i) => <StrokePath key={i} stroke={stroke} />);
});

const StrokePath = memo(function StrokePath({ stroke }: { stroke: Stroke }) {
  return (
    <path
      className={`layer-${stroke.layer}${stroke.closed ? '' : ' open'}`}
      d={pathData(stroke)}
      {...(stroke.width === undefined ? {} : { strokeWidth: stroke.width })}
    />
  );
});

/** Nothing finer is seen, px. */
const FINEST = 0.7;

interface SeenProps {
  strokes: readonly Stroke[];
  /** Pixels per mm. */
  scale: number;
  /** What the view shows of the drawing's coordinates. */
  view: Box;
}

/** As {@link Strokes}, without what is off the view, and without what is too fine to be seen. */
export function SeenStrokes({ strokes, scale, view }: SeenProps) {
  const layers = useMemo(() => merged(strokes).map((stroke) => tiled(stroke)), [strokes]);
  // arcs and lines reach beyond the corners that a tile's box is round
  const room = Math.max(view.maxX - view.minX, view.maxY - view.minY) / 4;
  return layers.map((tiles, i) =>
    tiles.map(({ stroke, box }, j) =>
      (stroke.detail ?? Infinity) * scale >= FINEST &&
      (tiles.length === 1 || gapBetween(box, view) < room) ? (
        <StrokePath key={`${i} ${j}`} stroke={stroke} />
      ) : null,
    ),
  );
}
