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
  const legs = way.slice(1).map((q, i) => {
    const p = way[i] ?? q;
    return Math.hypot(q.x - p.x, q.y - p.y);
  });
  const length = legs.reduce((sum, leg) => sum + leg, 0);
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

/** The point halfway along a line, its direction there, and the whole length. */
function halfway(points: readonly Point[]): { at: Point; along: Point; whole: number } {
  const legs = points.slice(1).map((q, i) => {
    const p = points[i] ?? q;
    return { p, q, length: Math.hypot(q.x - p.x, q.y - p.y) };
  });
  const whole = legs.reduce((sum, { length }) => sum + length, 0);
  let left = whole / 2;
  for (const { p, q, length } of legs) {
    if (left <= length && length > 0) {
      const along = { x: (q.x - p.x) / length, y: (q.y - p.y) / length };
      return { at: { x: p.x + along.x * left, y: p.y + along.y * left }, along, whole };
    }
    left -= length;
  }
  return { at: points[0] ?? { x: 0, y: 0 }, along: { x: 1, y: 0 }, whole };
}
