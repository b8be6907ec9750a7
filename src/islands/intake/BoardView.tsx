import { useRef, useState, type PointerEvent } from 'react';
import type { Box } from '../../core/geometry/box';
import { formatMm } from '../../core/units/length';
import type { Picture } from '../../workers/jobs/take-in';

interface Props {
  picture: Picture;
  /** What is taken; all of it where it is `null`. mm */
  box: Box | null;
  onBox: (box: Box | null) => void;
}

/** Smallest box that is meant as one, as a share of the view. */
const LEAST = 0.01;

/** The copper of a set of films: a box drawn over it takes one part. */
export function BoardView({ picture, box, onBox }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<Box | null>(null);
  const start = useRef<{ x: number; y: number } | null>(null);
  const { minX, minY, maxX, maxY } = picture.box;
  const margin = Math.max(maxX - minX, maxY - minY) * 0.04;
  const [width, height] = [maxX - minX + 2 * margin, maxY - minY + 2 * margin];
  const at = (event: PointerEvent) => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix ?? undefined);
    return { x: point.x, y: -point.y };
  };
  const boxTo = (to: { x: number; y: number }): Box | null => {
    const from = start.current;
    if (!from) return null;
    return {
      minX: Math.min(from.x, to.x),
      maxX: Math.max(from.x, to.x),
      minY: Math.min(from.y, to.y),
      maxY: Math.max(from.y, to.y),
    };
  };
  const shown = drawn ?? box;
  return (
    <div className="mb-2">
      <svg
        ref={svg}
        className="border-base-300 bg-base-200 block max-h-[300px] w-full touch-none border"
        viewBox={`${minX - margin} ${-maxY - margin} ${width} ${height}`}
        role="img"
        aria-label="Copper of the films"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          start.current = at(event);
        }}
        onPointerMove={(event) => start.current && setDrawn(boxTo(at(event)))}
        onPointerUp={(event) => {
          const made = boxTo(at(event));
          start.current = null;
          setDrawn(null);
          if (made && made.maxX - made.minX > LEAST * width && made.maxY - made.minY > LEAST * height)
            onBox(made);
        }}
      >
        <g className="drawing">
          <path className="layer-copper" d={picture.d} />
        </g>
        {shown && (
          <rect
            x={shown.minX}
            y={-shown.maxY}
            width={shown.maxX - shown.minX}
            height={shown.maxY - shown.minY}
            fill="none"
            stroke="var(--color-primary)"
            strokeWidth={width / 300}
          />
        )}
      </svg>
      <p className="text-secondary mt-1 flex gap-2 text-[12px]">
        {box ? (
          <>
            <span>
              Only what lies from {formatMm(box.minX)}, {formatMm(box.minY)} to {formatMm(box.maxX)},{' '}
              {formatMm(box.maxY)} mm.
            </span>
            <button type="button" className="link" onClick={() => onBox(null)}>
              Take all of it
            </button>
          </>
        ) : (
          'Draw a box over the lands of one part to take it alone.'
        )}
      </p>
    </div>
  );
}
