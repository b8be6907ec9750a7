import {
  Bar,
  BarChart,
  CartesianGrid,
  ErrorBar,
  LabelList,
  Line,
  ComposedChart,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import type { GroupBest, LandPoint } from '../../core/best/best';
import { RESOLUTION } from '../../core/best/search';
import type { Contribution } from '../../core/best/matters';
import { formatNumber } from '../../core/units/length';

const WIDTH = 278;
/** Shares below this are drawn on the axis: they are beyond what can be told. ppm */
const LEAST = RESOLUTION * 1e6;

const SHORT: Readonly<Record<string, string>> = {
  A: 'A',
  B: 'B',
  C: 'C',
  own: 'own',
  maker: 'maker',
  'as-large': '',
  best: 'best',
};

interface Props {
  group: GroupBest;
  chosen: string;
  onChoose: (id: string) => void;
}

const ppm = (share: number) => Math.max(LEAST, share * 1e6);

/** Names nearer than this share of the axis to the one before stand over it; one line of them, px. */
const NEAR = 0.12;
const LINE = 12;

/** How far the name of each point is lifted over the one beside it, px. */
function liftsOf(
  points: readonly { readonly area: number; readonly label: string }[],
  range: number,
): number[] {
  const lifts: number[] = [];
  let last = -Infinity;
  for (const { area, label } of points) {
    const isNear = label !== '' && area - last < NEAR * range;
    lifts.push(isNear ? (lifts.at(-1) ?? 0) + LINE : 0);
    if (label !== '') last = area;
  }
  return lifts;
}

interface NameProps {
  label: {
    readonly x?: number | string | undefined;
    readonly y?: number | string | undefined;
    readonly value?: unknown;
  };
  lift: number;
}

/** The name of a point, over it. */
function Name({ label: { x = 0, y = 0, value }, lift }: NameProps) {
  return (
    <text x={Number(x)} y={Number(y) - 8 - lift} fontSize={12} fill="var(--ink)" textAnchor="middle">
      {String(value)}
    </text>
  );
}

/** Share of bad joints against what a land takes: the front as a line, named lands as points with their confidence. */
export function FrontChart({ group, chosen, onChoose }: Props) {
  const front = group.front.map(({ area, bad }) => ({ area, share: ppm(bad.share) }));
  const own = group.points.find(({ id }) => id === 'own');
  const pointOf = ({ id, area, bad }: LandPoint) => ({
    id,
    area,
    share: ppm(bad.share),
    label: labelOf(id),
    range: [ppm(bad.share) - ppm(bad.low), ppm(bad.high) - ppm(bad.share)],
  });
  // the land as it is may be that of a level: one label says both
  const isOwn = ({ area, bad }: LandPoint) =>
    own !== undefined && Math.abs(own.area - area) < 1e-6 && ppm(own.bad.share) === ppm(bad.share);
  const labelOf = (id: string) => {
    const point = group.points.find((one) => one.id === id);
    if (id === 'own') return group.points.some((one) => one.id !== 'own' && isOwn(one)) ? '' : 'own';
    const short = SHORT[id] ?? id.replace(/^alone-(\d+)$/, 'source $1');
    return point && isOwn(point) ? `${short}, own` : short;
  };
  const points = group.points
    .filter(({ id }) => id !== 'as-large')
    .map(pointOf)
    .sort((a, b) => a.area - b.area);
  const seen = group.points.filter(({ id }) => id === chosen).map(pointOf);
  const areas = [...front, ...points].map(({ area }) => area);
  const [low, high] = [Math.min(...areas), Math.max(...areas)];
  const lifts = liftsOf(points, high - low);
  return (
    <ComposedChart width={WIDTH} height={204} margin={{ top: 26, right: 14, bottom: 14, left: 0 }}>
      <CartesianGrid stroke="var(--hairline)" strokeWidth={0.5} />
      <XAxis
        dataKey="area"
        type="number"
        domain={[low * 0.95, high * 1.05]}
        tickFormatter={(value: number) => formatNumber(value, 1, 2)}
        tick={{ fontSize: 11, fill: 'var(--color-secondary)' }}
        stroke="var(--hairline)"
        height={32}
        label={{
          value: 'one land, mm²',
          position: 'insideBottom',
          fontSize: 11,
          fill: 'var(--color-secondary)',
        }}
      />
      <YAxis
        dataKey="share"
        type="number"
        scale="log"
        domain={[LEAST / 2, 1e6]}
        allowDataOverflow
        ticks={[0.01, 1, 100, 1e4, 1e6]}
        tickFormatter={(value: number) =>
          value < 0.1 ? '≤ 0.01 ppm' : value >= 1e4 ? `${value / 1e4} %` : `${value} ppm`
        }
        tick={{ fontSize: 11, fill: 'var(--color-secondary)' }}
        stroke="var(--hairline)"
        width={62}
      />
      <Line
        data={front}
        dataKey="share"
        stroke="var(--color-primary)"
        strokeWidth={1.5}
        dot={false}
        isAnimationActive={false}
      />
      <Scatter
        data={points}
        dataKey="share"
        fill="var(--ink)"
        cursor="pointer"
        isAnimationActive={false}
        onClick={({ payload }: { payload?: { id?: string } }) => payload?.id && onChoose(payload.id)}
      >
        <ErrorBar dataKey="range" width={4} stroke="var(--ink)" direction="y" />
        <LabelList
          dataKey="label"
          content={(label) => <Name label={label} lift={lifts[label.index ?? 0] ?? 0} />}
        />
      </Scatter>
      <Scatter data={seen} dataKey="share" fill="var(--copper)" isAnimationActive={false} />
    </ComposedChart>
  );
}

interface CausesProps {
  contributors: readonly Contribution[];
  onSee: (cause: Contribution) => void;
}

/** What spreads a margin, longest first; a bar that is pressed is seen where it can be changed. */
export function CausesChart({ contributors, onSee }: CausesProps) {
  const bars = contributors.map((cause) => ({
    name: cause.name,
    cause,
    share: cause.share * 100,
    says: `${formatNumber(cause.share * 100, 0, 0)} %`,
  }));
  return (
    <BarChart
      width={WIDTH}
      height={20 * bars.length + 6}
      data={bars}
      layout="vertical"
      margin={{ top: 2, right: 34, bottom: 0, left: 0 }}
      barCategoryGap={3}
    >
      <XAxis type="number" domain={[0, 100]} hide />
      <YAxis
        dataKey="name"
        type="category"
        width={150}
        tick={{ fontSize: 11, fill: 'var(--ink)' }}
        stroke="var(--hairline)"
        interval={0}
      />
      <Bar
        dataKey="share"
        fill="var(--copper)"
        cursor="pointer"
        isAnimationActive={false}
        onClick={({ payload }: { payload?: { cause?: Contribution } }) =>
          payload?.cause && onSee(payload.cause)
        }
      >
        <LabelList dataKey="says" position="right" fontSize={11} fill="var(--ink)" />
      </Bar>
    </BarChart>
  );
}
