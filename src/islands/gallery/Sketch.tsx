import { memo, useMemo } from 'react';
import { heightOf, widthOf } from '../../core/drawing/drawing';
import { packageViews, tellingView } from '../../core/drawing/package-views';
import type { PackageKind } from '../../core/package/catalogue';
import { Strokes } from '../sheet/Strokes';
import { exampleOf } from './families';

const WIDTH = 190;
const HEIGHT = 124;
const GAP = 10;

/** A package from above and from the front, at one scale. */
export const Sketch = memo(function Sketch({ family }: { family: PackageKind }) {
  const views = useMemo(() => {
    const footprint = exampleOf(family);
    return footprint && { plan: tellingView(footprint), front: packageViews(footprint).front };
  }, [family]);
  if (!views) return null;
  const { plan, front } = views;
  const tall = heightOf(plan) + heightOf(front);
  const scale = Math.min((WIDTH - 8) / widthOf(plan), (HEIGHT - GAP - 4) / tall);
  const middle = WIDTH / 2 - ((plan.extent.minX + plan.extent.maxX) / 2) * scale;
  const used = tall * scale + GAP;
  const top = (HEIGHT - used) / 2;
  const low = top + heightOf(plan) * scale + GAP;
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
      <g
        className="drawing elevation"
        transform={`translate(${middle} ${top + plan.extent.maxY * scale}) scale(${scale})`}
      >
        <Strokes strokes={plan.strokes} />
      </g>
      <g
        className="drawing elevation"
        transform={`translate(${middle} ${low + front.extent.maxY * scale}) scale(${scale})`}
      >
        <Strokes strokes={front.strokes} />
      </g>
    </svg>
  );
});
