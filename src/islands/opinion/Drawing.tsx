import { useMemo } from 'react';
import { merged, pathData, type Layer } from '../../core/drawing/drawing';
import { drawPlan } from '../../core/drawing/plan';
import type { Footprint, Land } from '../../core/footprint/footprint';
import { boxRound, centreOf, grow, type Box } from '../../core/geometry/box';
import { useSize } from '../common/useSize';
import { Hatches } from '../sheet/Hatches';

interface Props {
  /** The pattern where the package is drawn. */
  laid: Footprint;
  /** The package itself; `null` where it is not said yet. */
  own: Footprint | null;
  /** Lands of the package, by what they are known by, and of the pattern, by index, that are lit up. */
  lit: { readonly lands: ReadonlySet<string>; readonly given: ReadonlySet<number> };
  /** Numbers of the pattern's lands that are not the package's, by index. */
  wrongNumbers: ReadonlySet<number>;
  /** Whether the courtyard is the pattern's own. */
  hasCourtyard: boolean;
  /** Whether the file gives a body. */
  hasBody: boolean;
}

/** What of the package is drawn over the pattern: its terminals, and the lands that it would have. */
const OF_PACKAGE: ReadonlySet<Layer> = new Set(['contact', 'contact-limit', 'body']);
/** Numbers are written where there are no more lands than this. */
const MOST_NUMBERED = 600;

/** Somebody else's lands in copper, over them the terminals of the package and its own lands in outline. */
export function Drawing(props: Props) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  return (
    <div ref={ref} className="min-h-0 flex-1 overflow-hidden">
      {width > 0 && height > 0 && <Plan {...props} width={width} height={height} />}
    </div>
  );
}

function Plan({
  laid,
  own,
  lit,
  wrongNumbers,
  hasCourtyard,
  hasBody,
  width,
  height,
}: Props & { width: number; height: number }) {
  const [theirs, ours] = useMemo(() => [drawPlan(laid), own && drawPlan(own)], [laid, own]);
  const extent = boxRound([
    theirs.extent,
    ...(ours ? [ours.extent] : []),
    ...laid.lands.map(({ copper }) => copper),
  ]) as Box;
  const { minX, minY, maxX, maxY } = grow(extent, 0.6);
  const scale = Math.min(width / (maxX - minX), height / (maxY - minY));
  const [w, h] = [width / scale, height / scale];
  const [left, top] = [(minX + maxX) / 2 - w / 2, -(minY + maxY) / 2 - h / 2];
  const shown = (layers: typeof theirs.strokes) =>
    merged(layers).map((stroke, i) => (
      <path
        key={i}
        className={`layer-${stroke.layer}${stroke.closed ? '' : ' open'}`}
        d={pathData(stroke)}
        {...(stroke.width === undefined ? {} : { strokeWidth: stroke.width })}
      />
    ));
  const ring = ({ copper: { minX: x, minY: y, maxX: x2, maxY: y2 } }: Land, key: string) => (
    <rect
      key={key}
      x={x - 0.08}
      y={-y2 - 0.08}
      width={x2 - x + 0.16}
      height={y2 - y + 0.16}
      fill="none"
      stroke="var(--color-primary)"
      strokeWidth={2.5 / scale}
    />
  );
  return (
    <svg
      width={width}
      height={height}
      viewBox={`${left} ${top} ${w} ${h}`}
      role="img"
      aria-label={own ? 'The pattern with the terminals of the package on it' : 'The pattern'}
    >
      <Hatches scale={scale} />
      <g className="drawing">
        {shown(
          theirs.strokes.filter(
            ({ layer }) =>
              !layer.startsWith('contact') &&
              (layer !== 'body' || (!own && hasBody)) &&
              // what the file does not give is not shown as its own
              (layer !== 'courtyard' || hasCourtyard),
          ),
        )}
        {ours && shown(ours.strokes.filter(({ layer }) => OF_PACKAGE.has(layer)))}
      </g>
      {ours && (
        <g
          fill="none"
          stroke="var(--color-primary)"
          strokeWidth={1.4 / scale}
          strokeDasharray={`${5 / scale} ${3 / scale}`}
        >
          {merged(ours.strokes.filter(({ layer }) => layer === 'copper')).map((stroke, i) => (
            <path key={i} d={pathData(stroke)} />
          ))}
        </g>
      )}
      {laid.lands.length <= MOST_NUMBERED && (
        <Numbers lands={laid.lands} wrong={wrongNumbers} scale={scale} />
      )}
      {own?.lands.filter(({ id }) => lit.lands.has(id)).map((land) => ring(land, land.id))}
      {laid.lands.map((land, i) => (lit.given.has(i) ? ring(land, `given ${i}`) : null))}
    </svg>
  );
}

/** Largest letters of numbers on lands, in pixels, and how wide one is as a share of its height. */
const LARGEST = 13;
const WIDE = 0.56;

function Numbers({
  lands,
  wrong,
  scale,
}: {
  lands: readonly Land[];
  wrong: ReadonlySet<number>;
  scale: number;
}) {
  return (
    <g textAnchor="middle" className="tabular-nums" pointerEvents="none">
      {lands.map(({ number, copper }, i) => {
        const [w, h] = [copper.maxX - copper.minX, copper.maxY - copper.minY];
        const size = Math.min(h * 0.8, (w * 0.92) / Math.max(1, number.length * WIDE), LARGEST / scale);
        if (number === '' || size * scale < 5) return null;
        const { x, y } = centreOf(copper);
        return (
          <text
            key={i}
            x={x}
            y={-y + size * 0.35}
            fontSize={size}
            fill={wrong.has(i) ? 'var(--color-error)' : 'var(--color-base-content)'}
            stroke="var(--color-base-100)"
            strokeWidth={size * 0.2}
            paintOrder="stroke"
            fontWeight={600}
          >
            {number}
          </text>
        );
      })}
    </g>
  );
}
