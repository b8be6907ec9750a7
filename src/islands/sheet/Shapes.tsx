import { memo, type CSSProperties } from 'react';
import type { Rise } from '../../core/drawing/dimension-lines';
import { boxOfPoints, type Box } from '../../core/geometry/box';
import type { Drawable, Footprint } from '../../core/footprint/footprint';
import type { View } from '../../core/package/lines';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { ElevationView } from './ElevationView';
import { pointUnder, transformOf, type Area, type Camera } from './layout';
import { PlanView } from './PlanView';
import type { SheetView } from './view';

interface Props extends Pick<SheetView, 'stage' | 'selectedLand' | 'hidden' | 'legendTexts'> {
  view: View;
  area: Area;
  rise: Rise;
  drawable: Drawable;
  preview: Footprint | null;
  /** What they are drawn for. */
  camera: Camera;
  /** How they are moved until they are drawn again; `undefined` where they lie as they are drawn. */
  moved: string | undefined;
  /** What is drawn beyond the view on every side, px. */
  beyond: number;
}

/** What is made of matter in one view: all that is heavy to draw, under the dimension lines and numbers. */
export function Shapes({ moved, beyond, ...drawn }: Props) {
  const { x, y, width, height } = drawn.area;
  const style: CSSProperties = { left: -beyond, top: -beyond, transformOrigin: '0 0' };
  const [w, h] = [width + 2 * beyond, height + 2 * beyond];
  return (
    <div
      className="pointer-events-none absolute overflow-hidden"
      style={{ left: x, top: y, width, height }}
      aria-hidden
    >
      <svg
        width={w}
        height={h}
        viewBox={`${x - beyond} ${y - beyond} ${w} ${h}`}
        className={`absolute ${beyond > 0 ? 'will-change-transform' : ''}`}
        style={moved ? { ...style, transform: moved } : style}
      >
        <Drawn {...drawn} beyond={beyond} />
      </svg>
    </div>
  );
}

const Drawn = memo(function Drawn(props: Omit<Props, 'moved'>) {
  const { view, area, rise, drawable, camera, beyond, stage, selectedLand, hidden } = props;
  const { footprint, process } = drawable;
  const transform = transformOf(view, area, camera, rise);
  return (
    <ErrorBoundary part="This view" drawnAt={area} from={footprint}>
      {view === 'plan' ? (
        <PlanView
          footprint={footprint}
          transform={transform}
          scale={camera.scale}
          view={inView(area, camera, rise, beyond)}
          selected={selectedLand}
          preview={props.preview}
          recommended={stage === 'land' ? drawable.recommended : null}
          showTexts={stage === 'mark'}
          showLegendTexts={props.legendTexts}
        />
      ) : (
        <ElevationView
          footprint={footprint}
          process={process}
          view={view}
          transform={transform}
          cut={selectedLand}
          low={rise.low}
          hidden={hidden}
        />
      )}
    </ErrorBoundary>
  );
});

/** What of the plan its quadrant shows, mm, with what is drawn beyond it. */
function inView(area: Area, camera: Camera, rise: Rise, beyond: number): Box {
  const at = (x: number, y: number) =>
    pointUnder('plan', area, camera, rise, { x: area.x + x, y: area.y + y });
  return boxOfPoints([at(-beyond, -beyond), at(area.width + beyond, area.height + beyond)]) as Box;
}
