import { memo, useMemo } from 'react';
import { heightOf, widthOf } from '../../core/drawing/drawing';
import { packageViews, tellingView } from '../../core/drawing/package-views';
import type { PackageKind } from '../../core/package/catalogue';
import { usePicker } from '../common/usePicker';
import { Strokes } from '../sheet/Strokes';
import { exampleOf, familiesFor } from './families';

interface Props {
  onChoose: (family: PackageKind) => void;
  onClose: () => void;
}

/** Tiles in a row; arrow keys up and down step by it. */
const COLUMNS = 4;

/** All package families as small true drawings, to be searched by name, shape, lead form or count. */
export function Gallery({ onChoose, onClose }: Props) {
  const { dialog, query, search, found, at, point, onKeyDown } = usePicker(familiesFor, onChoose, COLUMNS);
  return (
    <dialog ref={dialog} className="modal" onClose={onClose} aria-label="Package families">
      <div className="modal-box border-base-300 flex max-h-[92vh] max-w-4xl flex-col overflow-hidden border p-4">
        <input
          className="input input-sm w-full shrink-0"
          placeholder="Search by name, shape, lead form or number of leads"
          aria-label="Search package families"
          value={query}
          onChange={(event) => search(event.target.value)}
          onKeyDown={onKeyDown}
        />
        <ul
          className="mt-3 grid min-h-0 grid-cols-4 gap-2 overflow-y-auto"
          role="listbox"
          tabIndex={0}
          aria-label="Package families"
        >
          {found.map((family, i) => (
            <li
              key={family.id}
              role="option"
              aria-selected={i === at}
              className={`bg-base-100 cursor-pointer border p-2 ${i === at ? 'border-primary outline-primary outline' : 'border-base-300'}`}
              onClick={() => onChoose(family)}
              onPointerMove={() => point(i)}
            >
              <Sketch family={family} />
              <span className="mt-1 block font-semibold">{family.title}</span>
              <span className="text-secondary block text-[12px]">{family.summary}</span>
            </li>
          ))}
        </ul>
        {found.length === 0 && <p className="text-secondary p-4">No family is called that.</p>}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button>Close</button>
      </form>
    </dialog>
  );
}

const WIDTH = 190;
const HEIGHT = 124;
const GAP = 10;

/** A package from above and from the front, at one scale. */
const Sketch = memo(function Sketch({ family }: { family: PackageKind }) {
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
