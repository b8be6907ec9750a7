import { useMemo } from 'react';
import { merged, pathData, type Layer } from '../../core/drawing/drawing';
import { drawPlan } from '../../core/drawing/plan';
import type { Footprint } from '../../core/footprint/footprint';
import { Hatches } from '../sheet/Hatches';

interface Props {
  a: Footprint | null;
  b: Footprint | null;
  /** Share of the width up to which A is drawn in copper; beyond it B is. */
  wipe: number;
  /** Lands that are lit up, by what they are known by. */
  lit: ReadonlySet<string>;
  width: number;
  height: number;
}

/** Layers that an outline shows. */
const OUTLINED: ReadonlySet<Layer> = new Set([
  'copper',
  'courtyard',
  'body',
  'legend',
  'hole',
  'plated-hole',
  'keep-out',
]);
/** Room about the drawing, mm. */
const MARGIN = 1;

/** Two plans in one drawing: on each side of the wipe one in ink and copper, over it the other in outline. */
export function Plans({ a, b, wipe, lit, width, height }: Props) {
  const [first, second] = useMemo(() => [a && drawPlan(a), b && drawPlan(b)], [a, b]);
  const extents = [first?.extent, second?.extent].filter((box) => box !== undefined);
  if (extents.length === 0 || width === 0) return null;
  const minX = Math.min(...extents.map((box) => box.minX)) - MARGIN;
  const maxX = Math.max(...extents.map((box) => box.maxX)) + MARGIN;
  const minY = Math.min(...extents.map((box) => box.minY)) - MARGIN;
  const maxY = Math.max(...extents.map((box) => box.maxY)) + MARGIN;
  const scale = Math.min(width / (maxX - minX), height / (maxY - minY));
  // the whole of the room is drawn on, so that the wipe goes over all of it
  const [w, h] = [width / scale, height / scale];
  const [left, top] = [(minX + maxX) / 2 - w / 2, -(minY + maxY) / 2 - h / 2];
  const cut = left + wipe * w;
  const solid = (drawing: NonNullable<typeof first>) => (
    <g className="drawing">
      {merged(drawing.strokes.filter(({ layer }) => !layer.startsWith('contact'))).map((stroke, i) => (
        <path
          key={i}
          className={`layer-${stroke.layer}${stroke.closed ? '' : ' open'}`}
          d={pathData(stroke)}
          {...(stroke.width === undefined ? {} : { strokeWidth: stroke.width })}
        />
      ))}
    </g>
  );
  const outline = (drawing: NonNullable<typeof first>) => (
    <g fill="none" stroke="var(--color-primary)" strokeWidth={1.4 / scale}>
      {merged(drawing.strokes.filter(({ layer }) => OUTLINED.has(layer))).map((stroke, i) => (
        <path key={i} d={pathData(stroke)} />
      ))}
    </g>
  );
  const lands = [...(a?.lands ?? []), ...(b?.lands ?? [])].filter(({ id }) => lit.has(id));
  return (
    <svg
      width={width}
      height={height}
      viewBox={`${left} ${top} ${w} ${h}`}
      role="img"
      aria-label="Both plans, one over the other"
    >
      <Hatches scale={scale} />
      <clipPath id="side-a">
        <rect x={left} y={top} width={Math.max(0, cut - left)} height={h} />
      </clipPath>
      <clipPath id="side-b">
        <rect x={cut} y={top} width={Math.max(0, left + w - cut)} height={h} />
      </clipPath>
      <g clipPath="url(#side-a)">
        {first && solid(first)}
        {second && outline(second)}
      </g>
      <g clipPath="url(#side-b)">
        {second && solid(second)}
        {first && outline(first)}
      </g>
      {wipe > 0 && wipe < 1 && (
        <line x1={cut} x2={cut} y1={top} y2={top + h} stroke="var(--color-primary)" strokeWidth={1 / scale} />
      )}
      {lands.map(({ copper: { minX: x, minY, maxX: x2, maxY: y2 } }, i) => (
        <rect
          key={i}
          x={x - 0.1}
          y={-y2 - 0.1}
          width={x2 - x + 0.2}
          height={y2 - minY + 0.2}
          fill="none"
          stroke="var(--color-primary)"
          strokeWidth={2.5 / scale}
          strokeDasharray={`${4 / scale}`}
        />
      ))}
    </svg>
  );
}
