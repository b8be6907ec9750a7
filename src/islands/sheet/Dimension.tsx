import type { Point } from '../../core/geometry/point';

/** A dimension line in pixels: what it measures between, and the coordinate it is drawn at. */
export interface DimensionGlyph {
  readonly symbol: string;
  readonly from: Point;
  readonly to: Point;
  readonly direction: 'horizontal' | 'vertical';
  /** y of a horizontal line, x of a vertical one. */
  readonly at: number;
  /** How far a level text may reach from a vertical line before it runs into the drawing, px. */
  readonly room: number;
  /** End of a vertical line beyond which a text goes that fits nowhere else. */
  readonly tail: 'up' | 'down';
  /** A level text that does not fit between its arrows goes to their left: there is no room on the right. */
  readonly leftward?: boolean;
  readonly text: string;
}

const CHARACTER = 6.1;
const ARROW = 7;

/** Where and how a dimension's value is written, in pixels. */
export interface TextPlace {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** Read from the right, along a vertical line. */
  readonly upright: boolean;
  /** Where it stands beyond an arrow: how far the dimension line runs on to it, from its lower and its upper end. */
  readonly run: readonly [number, number];
}

/**
 * Finds a value's place as a draughtsman would: on its line where it fits between the arrows,
 * along the line where that is vertical and long, else beyond an arrow, to which the line runs on.
 */
export function textPlace({
  text,
  from,
  to,
  direction,
  at,
  room,
  tail,
  leftward,
}: DimensionGlyph): TextPlace {
  const width = text.length * CHARACTER + 8;
  const run = 2 * ARROW + 3;
  const on = { width, run: [0, 0] as const };
  if (direction === 'horizontal') {
    const [low, high] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
    if (high - low >= width + 2 * ARROW + 4) return { ...on, x: (low + high) / 2, y: at, upright: false };
    return leftward
      ? { x: low - run - width / 2, y: at, width, upright: false, run: [run, 0] }
      : { x: high + run + width / 2, y: at, width, upright: false, run: [0, run] };
  }
  const length = Math.abs(to.y - from.y);
  const y = (from.y + to.y) / 2;
  if (length >= 28 && width / 2 <= room) return { ...on, x: at, y, upright: false };
  if (length >= width + 2 * ARROW + 4) return { ...on, x: at, y, upright: true };
  return tail === 'up'
    ? { x: at, y: Math.min(from.y, to.y) - run - 8, width, upright: false, run: [run, 0] }
    : { x: at, y: Math.max(from.y, to.y) + run + 8, width, upright: false, run: [0, run] };
}

interface Props {
  glyph: DimensionGlyph;
  active: boolean;
  fault: boolean;
  /** Missing for dimensions that cannot be changed here. */
  onPress?: (() => void) | undefined;
  onPoint?: ((over: boolean) => void) | undefined;
}

/** A draughtsman's dimension: extension lines, arrows, and the value, which is the field. */
export function Dimension({ glyph, active, fault, onPress, onPoint }: Props) {
  const { from, to, direction, at } = glyph;
  const text = textPlace(glyph);
  const flat = direction === 'horizontal';
  const [a, b] = flat
    ? [Math.min(from.x, to.x), Math.max(from.x, to.x)]
    : [Math.min(from.y, to.y), Math.max(from.y, to.y)];
  const tight = b - a < 2 * ARROW + 4;
  // arrows that do not fit between come from outside
  const [before, after] = text.run.map((run) => Math.max(run, tight ? 2 * ARROW : 0)) as [number, number];
  const interactive = onPress
    ? {
        role: 'button',
        tabIndex: -1,
        'aria-label': `Change ${glyph.text}`,
        onClick: onPress,
        onPointerEnter: () => onPoint?.(true),
        onPointerLeave: () => onPoint?.(false),
      }
    : {};
  const className = ['dimension', active && 'active', fault && 'fault'].filter(Boolean).join(' ');
  return (
    <g className={className} data-symbol={glyph.symbol} {...interactive}>
      {/* what a piece is placed from */}
      {glyph.symbol.startsWith('/') && <circle className="datum" cx={from.x} cy={from.y} r={3} />}
      <Extension point={from} at={at} flat={flat} />
      <Extension point={to} at={at} flat={flat} />
      {flat ? (
        <line x1={a - before} x2={b + after} y1={at} y2={at} />
      ) : (
        <line y1={a - before} y2={b + after} x1={at} x2={at} />
      )}
      <Arrow at={flat ? { x: a, y: at } : { x: at, y: a }} angle={(flat ? 180 : 270) + (tight ? 180 : 0)} />
      <Arrow at={flat ? { x: b, y: at } : { x: at, y: b }} angle={(flat ? 0 : 90) + (tight ? 180 : 0)} />
      <g transform={`translate(${text.x} ${text.y})${text.upright ? ' rotate(-90)' : ''}`}>
        <rect className="paper" x={-text.width / 2} y={-8} width={text.width} height={16} rx={2} />
        <text y={4} textAnchor="middle">
          {glyph.text}
        </text>
      </g>
    </g>
  );
}

/** From just off the measured point to just past the dimension line. */
function Extension({ point, at, flat }: { point: Point; at: number; flat: boolean }) {
  const start = flat ? point.y : point.x;
  const sign = Math.sign(at - start) || 1;
  const [from, to] = [start + 3 * sign, at + 4 * sign];
  return flat ? (
    <line x1={point.x} x2={point.x} y1={from} y2={to} />
  ) : (
    <line y1={point.y} y2={point.y} x1={from} x2={to} />
  );
}

/** A slender arrowhead with its tip at a point; angle 0 points right. */
function Arrow({ at, angle }: { at: Point; angle: number }) {
  return (
    <path
      className="arrow"
      d={`M0 0L${-ARROW} -2.2L${-ARROW} 2.2Z`}
      transform={`translate(${at.x} ${at.y}) rotate(${angle})`}
    />
  );
}
