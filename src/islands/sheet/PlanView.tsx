import { memo, useMemo } from 'react';
import { pathData } from '../../core/drawing/drawing';
import { drawPlan, numberPlaces } from '../../core/drawing/plan';
import { cornersOf } from '../../core/geometry/box';
import type { Point } from '../../core/geometry/point';
import type { Footprint } from '../../core/footprint/footprint';
import { Strokes } from './Strokes';

interface Props {
  footprint: Footprint;
  transform: string;
  place: (p: Point) => Point;
  scale: number;
  selected: number | null;
  /** A remedy's effect: its lands are drawn dashed over the present ones. */
  preview: Footprint | null;
  showTexts: boolean;
}

/** The plan with selection and the preview of a remedy. */
export const PlanView = memo(function PlanView(props: Props) {
  const { footprint, transform, place, scale, selected, preview, showTexts } = props;
  const { strokes } = useMemo(() => drawPlan(footprint), [footprint]);
  const land = selected === null ? undefined : footprint.lands[selected];
  return (
    <>
      <g className="drawing" transform={transform}>
        <Strokes strokes={strokes} />
        {land && (
          <path className="selected" d={pathData({ rings: [cornersOf(land.copper)], closed: true })} />
        )}
        {preview && (
          <path
            className="preview"
            d={pathData({ rings: preview.lands.map(({ copper }) => cornersOf(copper)), closed: true })}
          />
        )}
      </g>
      {showTexts &&
        footprint.texts.map(({ role, text, at, height }) => {
          const { x, y } = place(at);
          return (
            <text
              key={role}
              x={x}
              y={y + height * scale * 0.36}
              fontSize={height * scale}
              textAnchor="middle"
              fill="var(--ink)"
              opacity={0.75}
            >
              {text}
            </text>
          );
        })}
    </>
  );
});

interface NumberProps {
  footprint: Footprint;
  place: (p: Point) => Point;
  scale: number;
}

/** Land numbers outside the courtyard, level with their lands; thinned where they would collide. */
export function LandNumbers({ footprint, place, scale }: NumberProps) {
  const places = numberPlaces(footprint, 11 / scale);
  const pitch = footprint.groups[0]?.pitch;
  const every = pitch ? Math.max(1, Math.ceil(11 / (pitch * scale))) : 1;
  return places.map((p, i) => {
    if (i % every !== 0) return null;
    const { x, y } = place(p);
    return (
      <text key={i} className="land-number" x={x} y={y + 4} textAnchor="middle">
        {footprint.lands[i]?.number}
      </text>
    );
  });
}
