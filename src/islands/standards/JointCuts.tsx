import type { LevelWords } from '../../core/standard/levels';
import { goalSizeTitle, type GoalRow, type Goals, type GoalSize } from '../../core/standard/published';
import { fieldIn } from '../../core/standard/resolve';
import { wantedAt, type Standard } from '../../core/standard/standard';
import { ClauseInput } from './ClauseInput';
import { cutOf, HALF_WIDTH, shapeOf, type CutDimension } from './joint-cut';
import type { Put } from './state';

/** One scale for all cuts, px/mm. */
const SCALE = 46;
const WIDTH = 188;
const HEIGHT = 246;
/** Where the land's top lies, and where the contact begins. px */
const TOP = 104;
const LEFT = 50;
/** Dimension lines below the land, and that of the courtyard above it. px */
const BELOW = 138;
const ABOVE = 44;
const SIDE_TOP = 200;
/** Width of a field under its dimension line. px */
const FIELD = 54;

const x = (mm: number) => LEFT + mm * SCALE;
const y = (mm: number) => TOP - mm * SCALE;
const points = (corners: readonly (readonly [number, number])[]) =>
  corners.map(([px, py]) => `${x(px)},${y(py)}`).join(' ');

interface Props {
  row: GoalRow;
  standard: Standard;
  put: Put | null;
  /** The place that is looked at. */
  chosen: string | null;
  onChoose: (at: string) => void;
}

/** A joint cut through at every level, at one scale: toe, heel, side and courtyard are dimension lines with their fields. */
export function JointCuts({ row, standard, put, chosen, onChoose }: Props) {
  return (
    <div className="flex flex-wrap gap-x-2 gap-y-3">
      {standard.levels.map((level) => (
        <Cut
          key={level.id}
          level={level}
          row={row}
          standard={standard}
          put={put}
          chosen={chosen}
          onChoose={onChoose}
        />
      ))}
    </div>
  );
}

function Cut({ level, row, standard, put, chosen, onChoose }: Props & { level: LevelWords }) {
  const { foot, terminal, body } = shapeOf(row.id);
  const wanted = (size: GoalSize) =>
    wantedAt(standard, `goals/${row.id}/${size}`, level.id, bySize(row, size));
  const goals: Goals = {
    outer: wanted('outer').value,
    inner: wanted('inner').value,
    side: wanted('side').value,
    courtyard: wanted('courtyard').value,
  };
  const { land, edge, dimensions } = cutOf(foot, goals);
  const half = HALF_WIDTH;
  const heelLeft = Math.max(0, Math.min(x(land[0] / 2) - FIELD / 2, 40));
  const sideMiddle = LEFT + 30;
  return (
    <figure className="m-0">
      <figcaption className="text-[12px]">
        <b className="font-semibold">
          {level.id} {level.title}
        </b>{' '}
        <span className="text-secondary">{level.purpose}</span>
      </figcaption>
      <div className="relative" style={{ width: WIDTH, height: HEIGHT }}>
        <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
          <rect x={0} y={TOP + 8} width={WIDTH} height={9} fill="var(--laminate)" />
          <polygon points={points(body)} fill="var(--moulding)" stroke="var(--body)" />
          <rect
            x={x(land[0])}
            y={TOP + 1}
            width={Math.max(0, (land[1] - land[0]) * SCALE)}
            height={7}
            fill="var(--copper)"
            stroke="var(--copper-edge)"
          />
          <polygon
            points={points([
              [land[0], 0],
              [Math.min(0, land[0]), 0],
              [0, Math.min(0.16, Math.max(0, goals.inner))],
            ])}
            fill="var(--solder)"
          />
          <polygon
            points={points([
              [land[1], 0],
              [foot, 0],
              [foot, Math.min(0.3, Math.max(0, goals.outer))],
            ])}
            fill="var(--solder)"
          />
          <polygon
            points={points(terminal)}
            fill="var(--contact)"
            fillOpacity="0.35"
            stroke="var(--contact)"
          />
          <line
            x1={x(edge)}
            x2={x(edge)}
            y1={ABOVE - 8}
            y2={TOP + 17}
            stroke="var(--courtyard)"
            strokeDasharray="9 3 2 3"
          />
          {dimensions.map((dimension) => (
            <Dimension
              key={dimension.size}
              dimension={dimension}
              isChosen={chosen === placeOf(row, dimension.size, level)}
            />
          ))}
          {/* seen from its end: the terminal on its land */}
          <rect x={0} y={SIDE_TOP + 8} width={120} height={7} fill="var(--laminate)" />
          <rect
            x={sideMiddle - (half + goals.side) * SCALE}
            y={SIDE_TOP + 1}
            width={Math.max(1, 2 * (half + goals.side) * SCALE)}
            height={7}
            fill="var(--copper)"
            stroke="var(--copper-edge)"
          />
          <rect
            x={sideMiddle - half * SCALE}
            y={SIDE_TOP - 12}
            width={2 * half * SCALE}
            height={12}
            fill="var(--contact)"
            fillOpacity="0.35"
            stroke="var(--contact)"
          />
          <line
            x1={sideMiddle + half * SCALE}
            x2={sideMiddle + half * SCALE}
            y1={SIDE_TOP - 16}
            y2={SIDE_TOP + 26}
            stroke="var(--ink-soft)"
            strokeWidth="0.7"
          />
          <line
            x1={sideMiddle + (half + goals.side) * SCALE}
            x2={sideMiddle + (half + goals.side) * SCALE}
            y1={SIDE_TOP + 9}
            y2={SIDE_TOP + 26}
            stroke="var(--ink-soft)"
            strokeWidth="0.7"
          />
        </svg>
        <Place
          left={heelLeft}
          top={BELOW}
          row={row}
          size="inner"
          level={level}
          standard={standard}
          put={put}
          onChoose={onChoose}
        />
        <Place
          left={Math.max(heelLeft + FIELD + 2, Math.min(x((foot + land[1]) / 2) - FIELD / 2, WIDTH - FIELD))}
          top={BELOW}
          row={row}
          size="outer"
          level={level}
          standard={standard}
          put={put}
          onChoose={onChoose}
        />
        <Place
          left={Math.min(x((Math.max(land[1], foot) + edge) / 2) - FIELD / 2, WIDTH - FIELD)}
          top={0}
          row={row}
          size="courtyard"
          level={level}
          standard={standard}
          put={put}
          onChoose={onChoose}
        />
        <Place
          left={sideMiddle + half * SCALE + 12}
          top={SIDE_TOP + 12}
          row={row}
          size="side"
          level={level}
          standard={standard}
          put={put}
          onChoose={onChoose}
        />
      </div>
    </figure>
  );
}

const placeOf = (row: GoalRow, size: GoalSize, { id }: LevelWords) => `goals/${row.id}/${size}/${id}`;

const bySize = ({ levels }: GoalRow, size: GoalSize) => ({
  A: levels.A[size],
  B: levels.B[size],
  C: levels.C[size],
});

/** A dimension line as a draughtsman draws it, with its extension lines. */
function Dimension({
  dimension: { from, to, size },
  isChosen,
}: {
  dimension: CutDimension;
  isChosen: boolean;
}) {
  const isAbove = size === 'courtyard';
  const at = isAbove ? ABOVE : BELOW;
  const stroke = isChosen ? 'var(--color-primary)' : 'var(--ink-soft)';
  const [a, b] = [x(from), x(to)];
  const narrow = Math.abs(b - a) < 16;
  const [first, last] = narrow ? [Math.min(a, b) - 10, Math.max(a, b) + 10] : [a, b];
  return (
    <g stroke={stroke} strokeWidth={isChosen ? 1.4 : 0.8} fill={stroke}>
      <line x1={a} x2={a} y1={isAbove ? TOP - 2 : TOP + 10} y2={isAbove ? at - 4 : at + 4} />
      <line x1={b} x2={b} y1={isAbove ? at + 4 : TOP + 10} y2={isAbove ? at - 4 : at + 4} />
      <line x1={first} x2={last} y1={at} y2={at} />
      <Arrow at={[a, at]} direction={narrow ? (a <= b ? 1 : -1) : a <= b ? -1 : 1} />
      <Arrow at={[b, at]} direction={narrow ? (a <= b ? -1 : 1) : a <= b ? 1 : -1} />
    </g>
  );
}

function Arrow({ at: [px, py], direction }: { at: readonly [number, number]; direction: 1 | -1 }) {
  return (
    <polygon
      points={`${px},${py} ${px - direction * 6},${py - 2} ${px - direction * 6},${py + 2}`}
      stroke="none"
    />
  );
}

interface PlaceProps extends Pick<Props, 'row' | 'standard' | 'put' | 'onChoose'> {
  left: number;
  top: number;
  size: GoalSize;
  level: LevelWords;
}

/** The field of a dimension line, under it. */
function Place({ left, top, row, size, level, standard, put, onChoose }: PlaceProps) {
  const at = placeOf(row, size, level);
  const field = fieldIn(standard, at);
  if (!field) return null;
  const { value } = wantedAt(standard, `goals/${row.id}/${size}`, level.id, bySize(row, size));
  const stated = standard.stated(at);
  return (
    <label
      className="absolute w-[54px] text-center text-[12px] leading-[13px]"
      style={{ left, top: top + 5 }}
    >
      <ClauseInput
        key={`${at} ${String(stated?.value)}`}
        field={field}
        stated={stated}
        usual={value}
        disabled={!put}
        className="w-[54px]"
        onFocus={() => onChoose(at)}
        onChange={(next) => put?.clause(at, next)}
      />
      <span className="text-secondary block">
        {size === 'courtyard' ? 'courtyard' : goalSizeTitle(row, size)}
      </span>
    </label>
  );
}
