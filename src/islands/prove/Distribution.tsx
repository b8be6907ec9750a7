import { Bar, BarChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import type { Binned } from '../../core/best/measured';
import type { SimulatedMargin } from '../../core/joint/simulate';

interface Props {
  margin: Pick<SimulatedMargin, 'goal' | 'limit'> & { readonly histogram: Binned };
  /** Further lines that are drawn as limits, mm. */
  limits?: readonly number[];
  show: (mm: number) => string;
}

const WIDTH = 274;

/** Three to six round values between two others. */
function roundTicks(low: number, high: number): number[] {
  const rough = (high - low) / 5;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = power * ([1, 2, 5, 10].find((k) => k * power >= rough) ?? 10);
  const first = Math.ceil(low / step);
  const count = Math.floor(high / step) - first + 1;
  return Array.from({ length: Math.max(0, count) }, (_, i) => Math.round((first + i) * step * 1e6) / 1e6);
}

/** How often each margin came out, with the goal and the limit of the acceptance class. */
export function Distribution({ margin, limits = [], show }: Props) {
  const { histogram, goal, limit } = margin;
  const { from, step, counts } = histogram;
  const bins = counts.map((count, i) => ({ at: from + (i + 0.5) * step, count }));
  const bounds = limit === null ? limits : [limit, ...limits];
  const lines = goal === null ? bounds : [goal, ...bounds];
  const low = Math.min(from, ...lines);
  const high = Math.max(from + step * counts.length, ...lines);
  return (
    <BarChart
      width={WIDTH}
      height={92}
      data={bins}
      margin={{ top: 4, right: 6, bottom: 0, left: 6 }}
      barCategoryGap={0}
    >
      <XAxis
        dataKey="at"
        type="number"
        domain={[low - step, high + step]}
        ticks={roundTicks(low - step, high + step)}
        tickFormatter={show}
        height={20}
        tick={{ fontSize: 11, fill: 'var(--color-secondary)' }}
        stroke="var(--hairline)"
      />
      <YAxis hide />
      <Bar dataKey="count" fill="var(--copper)" isAnimationActive={false} />
      {goal !== null && <ReferenceLine x={goal} stroke="var(--ink)" strokeWidth={2} />}
      {bounds.map((bound) => (
        <ReferenceLine
          key={bound}
          x={bound}
          stroke="var(--color-error)"
          strokeDasharray="4 3"
          strokeWidth={1.5}
        />
      ))}
    </BarChart>
  );
}
