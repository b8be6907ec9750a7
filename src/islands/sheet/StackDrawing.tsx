import { useMemo, type ReactNode } from 'react';
import { explodeStack, sectionStack } from '../../core/drawing/stack';
import { sizeOf, type Figure } from '../../core/geometry/figure';
import { sizesOfPlaced } from '../../core/padstack/naming';
import type { Padstack, StackPart } from '../../core/padstack/padstack';
import { coverageOf } from '../../core/padstack/windows';
import type { Process } from '../../core/process/process';
import { Hatches, ownPatterns } from './Hatches';
import { Over } from './Laid';
import type { OverView } from './view';
import { Strokes } from './Strokes';

interface Props {
  stack: Padstack;
  process: Process;
  /** What is drawn over it in pixels, such as a ruler. */
  overlay?: ((view: OverView) => ReactNode) | null;
}

/** The padstack cut through its middle. */
export function StackSection({ stack, process, overlay }: Props) {
  const { strokes, extent, exaggeration } = useMemo(() => sectionStack(stack, process), [stack, process]);
  const width = 274;
  const scale = width / (extent.maxX - extent.minX);
  const height = Math.min(120, (extent.maxY - extent.minY) * scale + 8);
  return (
    <figure className="relative mt-2">
      <svg
        width={width}
        height={height}
        className="block"
        style={ownPatterns('section-')}
        role="img"
        aria-label={`Padstack ${stack.name}, cut through its middle`}
      >
        <Hatches scale={scale} prefix="section-" />
        <g
          className="drawing"
          transform={`translate(${width / 2} ${extent.maxY * scale + 4}) scale(${scale})`}
        >
          <Strokes strokes={strokes} />
        </g>
      </svg>
      {overlay && (
        <Over
          view={{
            view: 'plan',
            area: { x: 0, y: 0, width, height },
            place: ({ x, y }) => ({ x: width / 2 + x * scale, y: extent.maxY * scale + 4 - y * scale }),
          }}
          overlay={overlay}
        />
      )}
      <figcaption className="text-secondary pr-14 text-[12px]">
        Cut through {stack.paste.length > 1 ? 'a row of windows' : 'the middle'}
        {exaggeration > 1 ? `, layers drawn ${exaggeration} × as thick` : ''}
      </figcaption>
    </figure>
  );
}

/** Size of a layer's picture, px. */
const PICTURE = { width: 92, height: 64 };

/** A layer as it is listed: its picture at the scale of all, its size and where that comes from. */
export interface DrawnLayer {
  readonly picture: ReactNode;
  readonly size: string;
  readonly from: string;
}

/** The layers of a padstack lifted apart, by part. */
export function useLayers(stack: Padstack, show: (mm: number) => string): ReadonlyMap<StackPart, DrawnLayer> {
  const { layers, extent } = useMemo(() => explodeStack(stack), [stack]);
  const [width, height] = [extent.maxX - extent.minX, extent.maxY - extent.minY];
  const scale = Math.min((PICTURE.width - 4) / width, (PICTURE.height - 4) / height);
  const tall = Math.max(24, height * scale + 4);
  const words = wordsFor(stack, show);
  return new Map(
    layers.map(({ part, strokes }) => [
      part,
      {
        ...words(part),
        picture: (
          <svg
            width={PICTURE.width}
            height={tall}
            className="layers block shrink-0"
            style={ownPatterns('layers-')}
            aria-hidden="true"
          >
            <Hatches scale={scale} prefix="layers-" />
            <g
              className="drawing"
              transform={`translate(${PICTURE.width / 2 - ((extent.minX + extent.maxX) / 2) * scale} ${tall / 2 + ((extent.minY + extent.maxY) / 2) * scale}) scale(${scale})`}
            >
              <Strokes strokes={strokes} />
            </g>
          </svg>
        ),
      },
    ]),
  );
}

function wordsFor(stack: Padstack, show: (mm: number) => string) {
  const size = (figure: Figure | null | undefined) => {
    if (!figure) return '';
    const { width, height } = sizeOf(figure);
    return figure.kind === 'round' ? `⌀ ${show(width)}` : `${show(width)} × ${show(height)}`;
  };
  const first = sizesOfPlaced(stack.paste)[0]?.figure;
  const percent = Math.round(coverageOf(stack.copper, stack.paste) * 100);
  const { hole, relief, vias, cover } = stack;
  const tolerance =
    hole && (hole.plus > 0 || hole.minus > 0) ? ` +${show(hole.plus)} −${show(hole.minus)}` : '';
  const words: Readonly<Record<StackPart, string>> = {
    paste: stack.paste.length > 1 ? `${stack.paste.length} windows, ${percent} %` : size(first),
    mask: stack.mask.length > 1 ? `${stack.mask.length} windows` : size(stack.mask[0]?.figure),
    maskOther:
      stack.maskOther.length > 1 ? `${stack.maskOther.length} openings` : size(stack.maskOther[0]?.figure),
    copper: size(stack.copper),
    inner: size(stack.inner),
    other: size(stack.other),
    hole: `${size(hole?.figure)}${tolerance}${hole?.plated === false ? ', bare' : ''}`,
    relief: relief ? `${size(relief.outer)}, ${relief.spokes} spokes of ${show(relief.width)}` : '',
    clearance: size(stack.clearance),
    vias: vias[0] ? `${vias.length} of ⌀ ${show(vias[0].hole)}, ${cover}` : '',
  };
  return (part: StackPart) => ({ size: words[part], from: stack.sources[part] ?? '' });
}
