import { useMemo } from 'react';
import { pinNamePlaces, type NamePlace, type PinNames } from '../../core/drawing/pin-names';
import type { Footprint } from '../../core/footprint/footprint';
import type { Point } from '../../core/geometry/point';

interface Props {
  footprint: Footprint;
  place: (p: Point) => Point;
  scale: number;
  where: PinNames;
}

/** Letters beside the part, and the smallest on a land, px; how far beyond the numbers names begin. */
const SIZE = { usual: 11, least: 6.5, clear: 22 };

/** The names of pins on their lands, or beside the part beyond the numbers; left out where they would collide. */
export function PinLabels({ footprint, place, scale, where }: Props) {
  const places = useMemo(
    () =>
      pinNamePlaces(footprint, where, {
        usual: SIZE.usual / scale,
        least: SIZE.least / scale,
        clear: SIZE.clear / scale,
      }),
    [footprint, where, scale],
  );
  const shown: (Point & Pick<NamePlace, 'upright' | 'anchor'>)[] = [];
  return places.map(({ id, text, low, upright, inside, anchor, size, ...at }) => {
    const { x, y } = place(at);
    const isNear = (other: (typeof shown)[number]) =>
      other.upright === upright &&
      other.anchor === anchor &&
      Math.abs(upright ? other.y - y : other.x - x) < SIZE.usual &&
      Math.abs(upright ? other.x - x : other.y - y) < SIZE.usual;
    if (!inside && shown.some(isNear)) return null;
    if (!inside) shown.push({ x, y, upright, anchor });
    const height = size * scale;
    return (
      <g key={id} transform={`translate(${x} ${y})${upright ? ' rotate(-90)' : ''}`}>
        <text
          className={`pin-label ${inside ? 'inside' : ''}`}
          fontSize={height}
          dy={height * 0.35}
          textAnchor={anchor}
          textDecoration={low ? 'overline' : undefined}
        >
          {text}
        </text>
      </g>
    );
  });
}
