import type { Drawable, Land } from '../../core/footprint/footprint';
import { overhang, type Box } from '../../core/geometry/box';
import { narrowOf } from '../../core/geometry/figure';
import { spanMargins, type Margin } from '../../core/joint/margins';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import type { LedgerView } from './view';

const NAMES: Readonly<Record<Margin['end'], string>> = { toe: 'Toe', heel: 'Heel', side: 'Side' };

interface Props extends Pick<LedgerView, 'selectedLand' | 'unit'> {
  drawable: Drawable;
}

/** Toe, heel and side of the selected land, or of land 1: goal, root-sum-square and worst case. */
export function JointGauge({ drawable: { footprint, process }, selectedLand, unit }: Props) {
  const land = footprint.lands[selectedLand ?? 0];
  if (!land) return null;
  const margins = spanMargins(footprint, land, process);
  if (!margins) return <SimpleJoint land={land} unit={unit} />;
  return (
    <section className="mt-4" aria-label={`Joint at land ${land.number}`}>
      <h3 className="text-[15px] font-semibold">Joint at land {land.number}</h3>
      <p className="text-secondary text-[12px]">over part, board and placement</p>
      {margins.map((margin) => (
        <Gauge key={margin.end} margin={margin} unit={unit} />
      ))}
      <p className="text-secondary mt-1 text-[12px]">
        bar: worst case · block: mean less root sum square · line: goal · formula: what the land formulas give
        back, which the goal is stated for
      </p>
    </section>
  );
}

/** How far the land reaches beyond a ball, an exposed pad or a lead in its hole. */
function SimpleJoint({ land, unit }: { land: Land; unit: DisplayUnit }) {
  const show = (mm: number) => `${formatLength(mm, unit)} ${unit}`;
  const width = ({ minX, maxX }: Box) => maxX - minX;
  const { copper, contact, hole, number } = land;
  const rows: [string, string][] =
    hole === null
      ? [
          ['Land', show(width(copper))],
          ['Terminal', `${show(width(contact.min))} to ${show(width(contact.max))}`],
          ['Land beyond terminal, each side', show((width(copper) - width(contact.nom)) / 2)],
        ]
      : [
          ['Finished hole', show(narrowOf(hole.figure))],
          ['Ring', show(-overhang(hole, copper))],
          [
            'Hole over nominal lead',
            show(narrowOf(hole.figure) - Math.hypot(width(contact.nom), leadDepth(land))),
          ],
        ];
  return (
    <section className="mt-4" aria-label={`Joint at land ${number}`}>
      <h3 className="text-[15px] font-semibold">Joint at land {number}</h3>
      <table className="mt-1 w-full">
        <tbody>
          {rows.map(([name, value]) => (
            <tr key={name} className="border-base-300 border-t">
              <th scope="row" className="py-[2px] text-left font-normal">
                {name}
              </th>
              <td className="text-right whitespace-nowrap">{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Second side of a rectangular lead; a round one has none. */
function leadDepth({ contact: { nom } }: Land): number {
  return nom.figure.kind === 'round' ? 0 : nom.maxY - nom.minY;
}

const WIDTH = 234;

function Gauge({ margin, unit }: { margin: Margin; unit: DisplayUnit }) {
  const { end, goal, mean, rms, worst, inverse } = margin;
  const [low, high] = [Math.min(0, worst.min, goal) - 0.05, Math.max(worst.max, goal) + 0.05];
  const x = (value: number) => ((value - low) / (high - low)) * WIDTH;
  const short = rms.min < 0;
  const show = (mm: number) => formatLength(mm, unit);
  return (
    <div className="mt-1.5">
      <div className="flex">
        <span>{NAMES[end]}</span>
        <span className="ml-auto">
          <b className="font-semibold">{show(rms.min)}</b>{' '}
          <span className="text-secondary">
            formula {show(inverse)}, goal {show(goal)} {unit}
          </span>
        </span>
      </div>
      <svg
        viewBox={`0 0 ${WIDTH} 16`}
        className="block w-full"
        role="img"
        aria-label={`${NAMES[end]} margin at least ${show(rms.min)}, by the formula ${show(inverse)}, goal ${show(goal)}, worst case ${show(worst.min)} to ${show(worst.max)} ${unit}`}
      >
        <rect width={WIDTH} height={14} fill="var(--color-base-200)" />
        <line x1={x(0)} x2={x(0)} y1={0} y2={14} stroke="var(--hairline)" />
        <rect
          x={x(worst.min)}
          width={x(worst.max) - x(worst.min)}
          y={5}
          height={4}
          fill="var(--copper)"
          opacity={0.45}
        />
        <rect
          x={x(rms.min)}
          width={Math.max(1, x(mean) - x(rms.min))}
          y={4}
          height={6}
          fill="var(--copper)"
          opacity={0.9}
        />
        <line x1={x(goal)} x2={x(goal)} y1={0} y2={14} stroke="var(--ink)" strokeWidth={2} />
        {short && <circle cx={x(rms.min)} cy={7} r={3} fill="var(--color-warning)" />}
      </svg>
    </div>
  );
}
