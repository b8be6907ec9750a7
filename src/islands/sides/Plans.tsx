import { useMemo, type ReactNode } from 'react';
import type { Layer } from '../../core/drawing/drawing';
import { drawPlan } from '../../core/drawing/plan';
import type { Footprint } from '../../core/footprint/footprint';
import { boxRound } from '../../core/geometry/box';
import { LaidPlans, Outline, Ring } from '../sheet/Laid';
import { Strokes } from '../sheet/Strokes';
import type { OverView } from '../sheet/view';

interface Props {
  a: Footprint | null;
  b: Footprint | null;
  /** Share of the width up to which A is drawn in copper; beyond it B is. */
  wipe: number;
  /** Lands that are lit up, by what they are known by. */
  lit: ReadonlySet<string>;
  width: number;
  height: number;
  /** What is drawn over both, such as a ruler. */
  overlay: ((view: OverView) => ReactNode) | null;
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
export function Plans({ a, b, wipe, lit, width, height, overlay }: Props) {
  const [first, second] = useMemo(() => [a && drawn(a), b && drawn(b)], [a, b]);
  const extent = boxRound([first, second].flatMap((plan) => (plan ? [plan.extent] : [])));
  if (!extent || width === 0) return null;
  const lands = [...(a?.lands ?? []), ...(b?.lands ?? [])].filter(({ id }) => lit.has(id));
  return (
    <LaidPlans
      extent={extent}
      margin={MARGIN}
      width={width}
      height={height}
      label="Both plans, one over the other"
      overlay={overlay}
    >
      {({ scale, left, top, w, h }) => {
        const cut = left + wipe * w;
        const inFull = (plan: typeof first) =>
          plan && (
            <g className="drawing">
              <Strokes strokes={plan.inFull} />
            </g>
          );
        const outline = (plan: typeof first) => plan && <Outline strokes={plan.outlined} scale={scale} />;
        return (
          <>
            <clipPath id="side-a">
              <rect x={left} y={top} width={Math.max(0, cut - left)} height={h} />
            </clipPath>
            <clipPath id="side-b">
              <rect x={cut} y={top} width={Math.max(0, left + w - cut)} height={h} />
            </clipPath>
            <g clipPath="url(#side-a)">
              {inFull(first)}
              {outline(second)}
            </g>
            <g clipPath="url(#side-b)">
              {inFull(second)}
              {outline(first)}
            </g>
            {wipe > 0 && wipe < 1 && (
              <line
                x1={cut}
                x2={cut}
                y1={top}
                y2={top + h}
                stroke="var(--color-primary)"
                strokeWidth={1 / scale}
              />
            )}
            {lands.map(({ copper }, i) => (
              <Ring key={i} box={copper} scale={scale} />
            ))}
          </>
        );
      }}
    </LaidPlans>
  );
}

/** A plan as it is drawn in full and in outline. */
function drawn(footprint: Footprint) {
  const { extent, strokes } = drawPlan(footprint);
  return {
    extent,
    inFull: strokes.filter(({ layer }) => !layer.startsWith('contact')),
    outlined: strokes.filter(({ layer }) => OUTLINED.has(layer)),
  };
}
