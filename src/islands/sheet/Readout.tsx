import type { ReactNode } from 'react';
import type { Point } from '../../core/geometry/point';
import { outerSpan } from '../../core/geometry/box';
import { gapBetweenFigures } from '../../core/geometry/gaps';
import { distance } from '../../core/geometry/point';
import { formatLength } from '../../core/units/length';
import type { SheetView } from './view';

interface Props extends Pick<SheetView, 'unit' | 'drawable' | 'selectedLand' | 'moving' | 'whole'> {
  cursor: Point | null;
  /** Index of the land under the cursor. */
  over: number | null;
  scale: number;
  /** What zooms the drawing, at its end. */
  zoom: ReactNode;
}

/** The line under the Sheet: cursor, selected land, distances to the land under the cursor, scale. */
export function Readout({
  cursor,
  over,
  scale,
  unit,
  drawable,
  moving,
  whole,
  selectedLand: selected,
  zoom,
}: Props) {
  const lands = drawable?.footprint.lands ?? [];
  const origin = drawable?.footprint.origin ?? { x: 0, y: 0 };
  const land = selected === null ? undefined : lands[selected];
  const other = over === null || over === selected ? undefined : lands[over];
  const show = (mm: number) => formatLength(mm, unit);
  return (
    <div
      className="border-base-300 bg-base-100 flex h-7 shrink-0 items-center gap-6 overflow-hidden border-t px-3 text-[12px] whitespace-nowrap"
      aria-live="off"
    >
      <span className="w-32 shrink-0">
        {cursor ? `x ${show(cursor.x - origin.x)}  y ${show(cursor.y - origin.y)} ${unit}` : ''}
      </span>
      {moving !== null ? (
        <span className="font-medium">{moving}</span>
      ) : land ? (
        <span>
          land {land.number} · {land.padstack.name} · at {show(land.at.x - origin.x)},{' '}
          {show(land.at.y - origin.y)} {unit}
        </span>
      ) : (
        // with one view alone there is nothing to be cut
        whole === null && (
          <span className="text-secondary min-w-0 truncate">
            Press a land to cut the elevations through it
          </span>
        )
      )}
      {land && other && (
        <span>
          to land {other.number}: {show(gapBetweenFigures(land.copper, other.copper))} edge ·{' '}
          {show(distance(land.at, other.at))} centre · {show(outerSpan(land.copper, other.copper))} outer,{' '}
          {unit}
        </span>
      )}
      <span className="text-secondary ml-auto shrink-0">{scale.toFixed(0)} px = 1 mm</span>
      {zoom}
    </div>
  );
}
