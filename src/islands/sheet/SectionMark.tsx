import type { Land } from '../../core/footprint/footprint';
import type { Point } from '../../core/geometry/point';
import type { View } from '../../core/package/lines';
import type { Area } from './layout';

interface Props {
  view: View;
  land: Land | undefined;
  area: Area;
  place: (p: Point) => Point;
}

/** Where the elevations are cut: K–K runs across for the front view, M–M down for the side view. */
export function SectionMark({ view, land, area, place }: Props) {
  if (!land) return null;
  const style = { fill: 'var(--color-primary)', fontSize: 13, fontWeight: 600 };
  if (view !== 'plan') {
    return (
      <text x={area.x + 10} y={area.y + 36} {...style}>
        {view === 'front' ? 'Cut K–K' : 'Cut M–M'}
      </text>
    );
  }
  const { x, y } = place(land.at);
  const [left, right] = [area.x + 12, area.x + area.width - 40];
  const [top, bottom] = [area.y + 34, area.y + area.height - 12];
  return (
    <g>
      <path
        d={`M${left + 14} ${y}H${right - 6}M${x} ${top + 4}V${bottom - 14}`}
        stroke="var(--color-primary)"
        strokeWidth={1}
        strokeDasharray="12 4 3 4"
        fill="none"
        opacity={0.8}
      />
      <text x={left} y={y + 4} {...style}>
        K
      </text>
      <text x={right} y={y + 4} {...style}>
        K
      </text>
      <text x={x - 5} y={top} {...style}>
        M
      </text>
      <text x={x - 5} y={bottom} {...style}>
        M
      </text>
    </g>
  );
}
