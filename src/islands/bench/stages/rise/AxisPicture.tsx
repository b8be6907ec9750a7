import { rotationOf } from '../../../../core/body/pose';
import type { Point3 } from '../../../../core/geometry/point';

/** Where a direction of the board points on the picture: X right, Y into it, Z up. */
function drawn({ x, y, z }: Point3): readonly [number, number] {
  return [30 + 34 * (0.95 * x + 0.5 * y), 58 - 34 * (z + 0.42 * y - 0.22 * x)];
}

const AXES = [
  { name: 'X', order: 1, along: { x: 1, y: 0, z: 0 } },
  { name: 'Y', order: 2, along: { x: 0, y: 1, z: 0 } },
  { name: 'Z', order: 3, along: { x: 0, y: 0, z: 1 } },
] as const;

/** The board's axes with the order and sense of the turns, and the model's own axes as they lie now. */
export function AxisPicture({ turn }: { turn: Point3 }) {
  const m = rotationOf(turn);
  const own = [0, 1, 2].map((k) => ({ x: 0.62 * m[k]!, y: 0.62 * m[3 + k]!, z: 0.62 * m[6 + k]! }));
  const [ox, oy] = drawn({ x: 0, y: 0, z: 0 });
  const words =
    'Turned about X first, then Y, then Z of the board; counter-clockwise seen from the arrow’s tip is positive';
  return (
    <svg width="104" height="92" role="img" aria-label={words}>
      <title>{words}</title>
      {AXES.map(({ name, order, along }) => {
        const [x, y] = drawn(along);
        return (
          <g key={name} className="axis">
            <path d={`M${ox} ${oy}L${x} ${y}`} />
            <path d={turnArrow(along)} className="axis-turn" />
            <text x={x + 4} y={y + (name === 'Z' ? -2 : 5)}>
              {order} {name}
            </text>
          </g>
        );
      })}
      {own.map((along, i) => {
        const [x, y] = drawn(along);
        return <path key={i} className="axis-own" d={`M${ox} ${oy}L${x} ${y}`} />;
      })}
    </svg>
  );
}

/** A quarter turn about an axis, counter-clockwise seen from its tip, with its arrowhead. */
function turnArrow({ x, y, z }: Point3): string {
  const [u, v] =
    x > 0
      ? [
          { x: 0, y: 1, z: 0 },
          { x: 0, y: 0, z: 1 },
        ]
      : y > 0
        ? [
            { x: 0, y: 0, z: 1 },
            { x: 1, y: 0, z: 0 },
          ]
        : [
            { x: 1, y: 0, z: 0 },
            { x: 0, y: 1, z: 0 },
          ];
  const at = (angle: number, radius = 0.2) => {
    const [c, s] = [radius * Math.cos(angle), radius * Math.sin(angle)];
    return drawn({
      x: 0.72 * x + c * u.x + s * v.x,
      y: 0.72 * y + c * u.y + s * v.y,
      z: 0.72 * z + c * u.z + s * v.z,
    });
  };
  const steps = Array.from({ length: 10 }, (_, i) => at((i / 9) * 4.4).join(' '));
  const [tip, a, b] = [at(4.4), at(3.9, 0.29), at(3.9, 0.11)];
  return `M${steps.join('L')}M${a.join(' ')}L${tip.join(' ')}L${b.join(' ')}`;
}
