import type { Finding, Severity } from '../../core/document/finding';
import { segmentsCross } from '../../core/geometry/distance';
import type { Point } from '../../core/geometry/point';
import type { Area } from './layout';

/** A numbered balloon on the Sheet: where it points and where it stands, px. */
export interface Balloon {
  readonly index: number;
  readonly severity: Severity;
  readonly target: Point;
  readonly at: Point;
}

/** Least distance between balloons in their column, px. */
const APART = 28;

/**
 * Gives every finding that has a place a balloon, in the column on its own side of the drawing,
 * so that leaders do not cross.
 */
export function placeBalloons(
  findings: readonly Finding[],
  targetOf: (finding: Finding) => Point | null,
  area: Area,
): Balloon[] {
  const targeted = findings
    .map((finding, index) => ({ index, severity: finding.severity, target: targetOf(finding) }))
    .filter((b): b is typeof b & { target: Point } => b.target !== null)
    .sort((a, b) => a.target.y - b.target.y);
  // below the quadrant's head
  const next = { left: area.y + 42, right: area.y + 42 };
  const balloons = targeted.map(({ index, severity, target }): Balloon => {
    const side = target.x < area.x + area.width / 2 ? 'left' : 'right';
    const x = side === 'left' ? area.x + 16 : area.x + area.width - 16;
    const y = Math.max(next[side], Math.min(target.y, area.y + area.height - 20));
    next[side] = y + APART;
    return { index, severity, target, at: { x, y } };
  });
  return uncrossed(balloons);
}

/** Where two leaders cross, their balloons change places: together they are shorter then, so it ends. */
function uncrossed(balloons: readonly Balloon[]): Balloon[] {
  const placed = [...balloons];
  for (let again = true; again;) {
    again = false;
    for (let i = 0; i < placed.length; i += 1)
      for (let j = i + 1; j < placed.length; j += 1) {
        const [a, b] = [placed[i] as Balloon, placed[j] as Balloon];
        if (!segmentsCross(a.target, a.at, b.target, b.at)) continue;
        [placed[i], placed[j]] = [
          { ...a, at: b.at },
          { ...b, at: a.at },
        ];
        again = true;
      }
  }
  return placed;
}

const COLOUR: Readonly<Record<Severity, string>> = {
  stop: 'var(--color-error)',
  caution: 'var(--color-warning)',
  note: 'var(--color-info)',
};

/** The outline that tells severities apart without colour: circle, triangle, square. */
export function SeverityShape({ severity, size }: { severity: Severity; size: number }) {
  const style = { fill: 'var(--color-base-100)', stroke: COLOUR[severity], strokeWidth: 1.6 };
  if (severity === 'stop') return <circle r={size} {...style} />;
  if (severity === 'note') {
    return <rect x={-size * 0.9} y={-size * 0.9} width={size * 1.8} height={size * 1.8} rx={2} {...style} />;
  }
  const [w, h] = [size * 1.3, size * 1.2];
  return <path d={`M0 ${-h}L${w} ${h * 0.85}L${-w} ${h * 0.85}Z`} strokeLinejoin="round" {...style} />;
}

/** A severity's shape with a number in it, as it stands on the Sheet and in the Ledger. */
export function SeverityMark({ severity, number }: { severity: Severity; number: number }) {
  return (
    <>
      <SeverityShape severity={severity} size={10} />
      <text
        textAnchor="middle"
        y={severity === 'caution' ? 7 : 4}
        fontSize={severity === 'caution' ? 11 : 12}
        fontWeight={600}
        fill={COLOUR[severity]}
      >
        {number}
      </text>
    </>
  );
}

interface Props {
  balloons: readonly Balloon[];
  selected: number | null;
  onOpen: (index: number) => void;
}

/** Balloons with their leader lines. */
export function Balloons({ balloons, selected, onOpen }: Props) {
  return balloons.map(({ index, severity, target, at }) => (
    <g
      key={index}
      className="cursor-pointer"
      onClick={() => onOpen(index)}
      aria-label={`Finding ${index + 1}`}
    >
      <line
        x1={target.x}
        y1={target.y}
        x2={at.x}
        y2={at.y}
        stroke={COLOUR[severity]}
        strokeWidth={selected === index ? 2 : 1}
      />
      <circle cx={target.x} cy={target.y} r={2.5} fill={COLOUR[severity]} />
      <g transform={`translate(${at.x} ${at.y})`}>
        <SeverityMark severity={severity} number={index + 1} />
      </g>
    </g>
  ));
}
