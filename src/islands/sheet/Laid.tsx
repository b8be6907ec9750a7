import type { ReactNode } from 'react';
import { merged, pathData, type Stroke } from '../../core/drawing/drawing';
import { grow, type Box } from '../../core/geometry/box';
import { Hatches } from './Hatches';
import type { OverView } from './view';

// Plans laid over one another, for pages that look at two footprints at once: one drawn in full, the other in
// outline, in millimetres with y downwards.

/** Where such a drawing lies: pixels per millimetre, and what of the plan the room shows, mm. */
export interface Laid {
  readonly scale: number;
  readonly left: number;
  readonly top: number;
  readonly w: number;
  readonly h: number;
}

interface Props {
  /** What is to be seen whole. */
  extent: Box;
  /** Room about it, mm. */
  margin: number;
  width: number;
  height: number;
  label: string;
  children: (laid: Laid) => ReactNode;
  /** What is drawn over it in pixels, such as a ruler. */
  overlay?: ((view: OverView) => ReactNode) | null;
}

/** The room in which plans are laid over one another, fitted to what they span; all of the room is drawn on. */
export function LaidPlans({ extent, margin, width, height, label, children, overlay }: Props) {
  const { minX, minY, maxX, maxY } = grow(extent, margin);
  const scale = Math.min(width / (maxX - minX), height / (maxY - minY));
  const [w, h] = [width / scale, height / scale];
  const [left, top] = [(minX + maxX) / 2 - w / 2, -(minY + maxY) / 2 - h / 2];
  return (
    <div className="relative" style={{ width, height }}>
      <svg width={width} height={height} viewBox={`${left} ${top} ${w} ${h}`} role="img" aria-label={label}>
        <Hatches scale={scale} />
        {children({ scale, left, top, w, h })}
      </svg>
      {overlay && (
        <Over
          view={{
            view: 'plan',
            area: { x: 0, y: 0, width, height },
            place: ({ x, y }) => ({ x: (x - left) * scale, y: (-y - top) * scale }),
          }}
          overlay={overlay}
        />
      )}
    </div>
  );
}

/** What lies over a drawing, in its pixels. */
export function Over({ view, overlay }: { view: OverView; overlay: (view: OverView) => ReactNode }) {
  const { x, y, width, height } = view.area;
  return (
    <svg className="absolute top-0 left-0" width={width} height={height}>
      <clipPath id={`clip-${view.view}`}>
        <rect x={x} y={y} width={width} height={height} />
      </clipPath>
      {overlay(view)}
    </svg>
  );
}

/** Strokes in outline, whole or dashed. */
export function Outline({
  strokes,
  scale,
  dashed = false,
}: {
  strokes: readonly Stroke[];
  scale: number;
  dashed?: boolean;
}) {
  return (
    <g
      fill="none"
      stroke="var(--color-primary)"
      strokeWidth={1.4 / scale}
      {...(dashed ? { strokeDasharray: `${5 / scale} ${3 / scale}` } : {})}
    >
      {merged(strokes).map((stroke, i) => (
        <path key={i} d={pathData(stroke)} />
      ))}
    </g>
  );
}

/** A ring round what is lit up. */
export function Ring({ box, scale }: { box: Box; scale: number }) {
  const { minX, minY, maxX, maxY } = grow(box, 0.1);
  return (
    <rect
      className="ring"
      x={minX}
      y={-maxY}
      width={maxX - minX}
      height={maxY - minY}
      fill="none"
      stroke="var(--color-primary)"
      strokeWidth={2.5 / scale}
    />
  );
}
