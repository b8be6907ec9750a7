import { useMemo, type ReactNode } from 'react';
import type { Layer } from '../../core/drawing/drawing';
import { drawPlan } from '../../core/drawing/plan';
import type { Footprint, Land } from '../../core/footprint/footprint';
import { boxRound, centreOf, type Box } from '../../core/geometry/box';
import { useSize } from '../common/useSize';
import { LaidPlans, Outline, Ring } from '../sheet/Laid';
import { Strokes } from '../sheet/Strokes';
import type { OverView } from '../sheet/view';

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
  /** What is drawn over it, such as a ruler, and what stands beside it. */
  overlay: ((view: OverView) => ReactNode) | null;
  panel: ReactNode;
}

/** What of the package is drawn over the pattern: its terminals, and the lands that it would have. */
const OF_PACKAGE: ReadonlySet<Layer> = new Set(['contact', 'contact-limit', 'body']);
/** Numbers are written where there are no more lands than this. */
const MOST_NUMBERED = 600;

/** Somebody else's lands in copper, over them the terminals of the package and its own lands in outline. */
export function Drawing(props: Props) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  return (
    <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden">
      {props.panel}
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
  overlay,
  width,
  height,
}: Props & { width: number; height: number }) {
  const drawn = useMemo(() => {
    const theirs = drawPlan(laid);
    const ours = own && drawPlan(own);
    const boxes = [theirs.extent, ...(ours ? [ours.extent] : []), ...laid.lands.map(({ copper }) => copper)];
    return {
      extent: boxRound(boxes) as Box,
      theirs: theirs.strokes.filter(
        ({ layer }) =>
          !layer.startsWith('contact') &&
          (layer !== 'body' || (!own && hasBody)) &&
          // what the file does not give is not shown as its own
          (layer !== 'courtyard' || hasCourtyard),
      ),
      terminals: ours?.strokes.filter(({ layer }) => OF_PACKAGE.has(layer)) ?? [],
      computed: ours?.strokes.filter(({ layer }) => layer === 'copper') ?? [],
    };
  }, [laid, own, hasBody, hasCourtyard]);
  return (
    <LaidPlans
      extent={drawn.extent}
      margin={0.6}
      width={width}
      height={height}
      label={own ? 'The pattern with the terminals of the package on it' : 'The pattern'}
      overlay={overlay}
    >
      {({ scale }) => (
        <>
          <g className="drawing">
            <Strokes strokes={drawn.theirs} />
            <Strokes strokes={drawn.terminals} />
          </g>
          <Outline strokes={drawn.computed} scale={scale} dashed />
          {laid.lands.length <= MOST_NUMBERED && (
            <Numbers lands={laid.lands} wrong={wrongNumbers} scale={scale} />
          )}
          {own?.lands.map(
            ({ id, copper }) => lit.lands.has(id) && <Ring key={id} box={copper} scale={scale} />,
          )}
          {laid.lands.map(({ copper }, i) => lit.given.has(i) && <Ring key={i} box={copper} scale={scale} />)}
        </>
      )}
    </LaidPlans>
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
