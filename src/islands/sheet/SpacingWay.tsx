import { halfway } from '../../core/geometry/halfway';
import type { Point } from '../../core/geometry/point';
import { labelAt } from './beside';
import { formatLength, type DisplayUnit } from '../../core/units/length';

interface Props {
  /** From one thing to the other, mm. */
  way: readonly Point[];
  place: (p: Point) => Point;
  unit: DisplayUnit;
}

/** The way that a finding measured, with its length at its middle. */
export function SpacingWay({ way, place, unit }: Props) {
  const points = way.map(place);
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || points.length < 2) return null;
  const length = halfway(way).whole;
  const text = `${formatLength(length, unit)} ${unit}`;
  const width = 8 + 6.2 * text.length;
  const { at, along, whole } = halfway(points);
  const label = labelAt(at, whole, along, width);
  return (
    <g className="spacing-way" aria-hidden>
      <polyline points={points.map(({ x, y }) => `${x},${y}`).join(' ')} />
      {[first, last].map(({ x, y }, i) => (
        <circle key={i} cx={x} cy={y} r={3} />
      ))}
      <g transform={`translate(${label.x} ${label.y})`}>
        <rect x={-width / 2} y={-9} width={width} height={18} rx={2} />
        <text y={4} textAnchor="middle">
          {text}
        </text>
      </g>
    </g>
  );
}
