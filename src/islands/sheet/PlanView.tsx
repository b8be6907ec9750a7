import { memo, useMemo } from 'react';
import { pathData } from '../../core/drawing/drawing';
import { drawPlan, numberPlaces, textStrokes, type NumberPlace } from '../../core/drawing/plan';
import type { Box } from '../../core/geometry/box';
import { contourOf } from '../../core/geometry/figure';
import type { Point } from '../../core/geometry/point';
import type { Footprint } from '../../core/footprint/footprint';
import { numberPath } from '../../core/footprint/renumber';
import { patternFigures } from '../../core/footprint/recommended';
import type { PatternByGroup } from '../../core/land/pattern';
import { SeenStrokes, Strokes } from './Strokes';

interface Props {
  footprint: Footprint;
  transform: string;
  /** Pixels per mm, and what of the plan is in view. */
  scale: number;
  view: Box;
  selected: number | null;
  /** A remedy's effect: its lands are drawn dashed over the present ones. */
  preview: Footprint | null;
  /** The datasheet's own lands, drawn over the footprint's where they are compared. */
  recommended: PatternByGroup | null;
  showTexts: boolean;
  /** Whether the legend's texts are drawn: names of pins may stand where they are. */
  showLegendTexts: boolean;
}

/** The plan with selection and the preview of a remedy. */
export const PlanView = memo(function PlanView(props: Props) {
  const { footprint, transform, scale, view, selected, preview, recommended, showTexts, showLegendTexts } =
    props;
  const { strokes } = useMemo(() => drawPlan(footprint), [footprint]);
  const land = selected === null ? undefined : footprint.lands[selected];
  return (
    <>
      <g className="drawing" transform={transform}>
        <SeenStrokes strokes={strokes} scale={scale} view={view} />
        {showLegendTexts && <Strokes strokes={textStrokes(footprint)} />}
        {showTexts && footprint.lands.length > 1 && (
          <path
            className="number-path"
            d={pathData({ rings: [numberPath(footprint.lands)], closed: false })}
          />
        )}
        {showTexts && <OriginMark at={footprint.origin} />}
        {land && (
          <path className="selected" d={pathData({ rings: [contourOf(land.copper)], closed: true })} />
        )}
        {recommended && (
          <path
            className="recommended"
            d={pathData({ rings: patternFigures(footprint, recommended).map(contourOf), closed: true })}
          />
        )}
        {preview && (
          <path
            className="preview"
            d={pathData({ rings: preview.lands.map(({ copper }) => contourOf(copper)), closed: true })}
          />
        )}
      </g>
    </>
  );
});

/** Where coordinates are measured from. */
function OriginMark({ at: { x, y } }: { at: Point }) {
  const r = 0.25;
  return (
    <path
      className="origin-mark"
      d={`M${x - 2 * r} ${-y}H${x + 2 * r}M${x} ${-y - 2 * r}V${-y + 2 * r}M${x - r} ${-y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`}
    />
  );
}

interface NumberProps {
  footprint: Footprint;
  place: (p: Point) => Point;
  scale: number;
  /** Whether the legend's texts are drawn. */
  withTexts: boolean;
}

/** Room that a number takes, px. */
const NUMBER_SIZE = 11;

/** Width of a number with room beside it, px. */
const widthOf = (text: string) => 4 + 6 * text.length;

/** Of each row of numbers beside the lands so many that they stand apart: all, every second, every third … */
function evenly(places: readonly NumberPlace[], scale: number): NumberPlace[] {
  const rows = new Map<string, NumberPlace[]>();
  for (const place of places) {
    // numbers on their lands stand where they stand
    const key = place.inside ? place.text : rowOf(place);
    rows.set(key, [...(rows.get(key) ?? []), place]);
  }
  return [...rows.values()].flatMap((unsorted) => {
    // a place that is missing in one row of a grid is numbered at the next
    const row = [...unsorted].sort((a, b) => a.x - b.x || b.y - a.y);
    const [first, last] = [row[0], row.at(-1)];
    if (!first || !last || row.length < 3) return row;
    const level = first.beside !== 'side';
    const pitch = (Math.hypot(last.x - first.x, last.y - first.y) / (row.length - 1)) * scale;
    const room = level ? Math.max(...row.map(({ text }) => widthOf(text))) : NUMBER_SIZE + 1;
    const step = Math.ceil(room / Math.max(pitch, 0.1));
    return row.filter((_, i) => i % step === 0);
  });
}

/** Numbers of one row follow one another and share a coordinate. */
function rowOf({ x, y, beside }: NumberPlace): string {
  return beside === 'side' ? `x ${x}` : `y ${y}`;
}

/** Land numbers outside the courtyard or on their lands; left out where they would collide. */
export function LandNumbers({ footprint, place, scale, withTexts }: NumberProps) {
  const places = useMemo(
    () => evenly(numberPlaces(footprint, NUMBER_SIZE / scale), scale),
    [footprint, scale],
  );
  // letters of the legend are there first
  const shown = (withTexts ? footprint.texts : []).map(({ box }) => {
    const [a, b] = [place({ x: box.minX, y: box.minY }), place({ x: box.maxX, y: box.maxY })];
    return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, width: b.x - a.x, height: a.y - b.y };
  });
  return places.map(({ text, inside, ...at }) => {
    const { x, y } = place(at);
    const width = widthOf(text);
    const collides = shown.some(
      (other) =>
        Math.abs(other.x - x) < (other.width + width) / 2 &&
        Math.abs(other.y - y) < (other.height + NUMBER_SIZE) / 2,
    );
    if (collides) return null;
    shown.push({ x, y, width, height: NUMBER_SIZE });
    return (
      <text
        key={`${text} ${at.x} ${at.y}`}
        className={`land-number ${inside ? 'inside' : ''}`}
        x={x}
        y={y + 4}
        textAnchor="middle"
      >
        {text}
      </text>
    );
  });
}
