import { memo } from 'react';
import type { CardDrawing } from '../../core/library/facts';
import { Hatches } from './Hatches';

interface Props {
  drawing: CardDrawing;
  /** What it is the plan of. */
  of: string;
  /** px; as large as it was drawn where it is missing. */
  height?: number;
}

/** The plan of a footprint, as it was drawn for the Shelf. */
export const Drawing = memo(function Drawing({ drawing, of, height = drawing.height }: Props) {
  const share = height / drawing.height;
  return (
    <svg
      width={drawing.width * share}
      height={height}
      viewBox={drawing.viewBox}
      role="img"
      aria-label={`Plan of ${of}`}
    >
      <Hatches scale={(drawing.magnified * 96 * share) / 25.4} />
      <g className="drawing">
        {drawing.paths.map(({ layer, d, closed, width }, i) => (
          <path
            key={i}
            className={`layer-${layer}${closed ? '' : ' open'}`}
            d={d}
            {...(width === undefined ? {} : { strokeWidth: width })}
          />
        ))}
      </g>
    </svg>
  );
});
