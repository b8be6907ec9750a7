import { landDimensions } from '../../core/drawing/land-dimensions';
import type { Stage } from '../../core/document/finding';
import type { DimensionLine, View } from '../../core/package/family';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import { describeLimits } from '../../core/units/toleranced';
import type { Drawable } from '../bench/derive';
import type { DimensionGlyph } from './Dimension';
import type { Area } from './layout';
import type { Point } from '../../core/geometry/point';

/** A dimension line with the text it carries. */
export interface Labelled {
  readonly line: DimensionLine;
  readonly text: string;
}

/** The dimension lines of a stage: the datasheet's at Measure, the lands' at Land, heights at Rise. */
export function linesFor(stage: Stage, drawable: Drawable, unit: DisplayUnit): Labelled[] {
  const { footprint, resolved } = drawable;
  if (!resolved) return [];
  const { seating, top, underside } = footprint.body.heights;
  if (stage === 'measure') {
    return resolved.family.dimensionLines(footprint.values).map((line) => {
      const value = footprint.values[line.symbol];
      // the family measures heights from its seating plane, the views from the laminate
      const lift = line.view === 'plan' ? 0 : seating;
      const raise = (p: Point): Point => ({ x: p.x, y: p.y + lift });
      return {
        line: { ...line, from: raise(line.from), to: raise(line.to) },
        text: value ? `${line.symbol} ${describeLimits(value, unit)}` : line.symbol,
      };
    });
  }
  if (stage === 'land') {
    return landDimensions(footprint).map((line) => ({
      line,
      text: `${line.symbol} ${formatLength(line.value, unit)}`,
    }));
  }
  if (stage === 'mark') return courtyardLines(drawable, unit);
  if (stage !== 'rise') return [];
  const x = footprint.body.extent.x.nom / 2;
  const height = (symbol: string, value: number, tier: number, side: 'left' | 'right'): Labelled => ({
    line: {
      symbol,
      view: 'front',
      from: { x: side === 'right' ? x : -x, y: 0 },
      to: { x: side === 'right' ? x : -x, y: value },
      side,
      tier,
    },
    text: `${symbol} ${formatLength(value, unit)}`,
  });
  return [height('top', top.max, 0, 'right'), height('underside', underside.nom, 0, 'left')];
}

function courtyardLines({ footprint }: Drawable, unit: DisplayUnit): Labelled[] {
  const { box } = footprint.courtyard;
  return [
    {
      line: {
        symbol: 'courtyard width',
        view: 'plan',
        from: { x: box.minX, y: box.minY },
        to: { x: box.maxX, y: box.minY },
        side: 'bottom',
        tier: 0,
      },
      text: formatLength(box.maxX - box.minX, unit),
    },
    {
      line: {
        symbol: 'courtyard height',
        view: 'plan',
        from: { x: box.maxX, y: box.minY },
        to: { x: box.maxX, y: box.maxY },
        side: 'right',
        tier: 0,
      },
      text: formatLength(box.maxY - box.minY, unit),
    },
  ];
}

type Side = DimensionLine['side'];

/** The side elevation lies turned a quarter to the left on the Sheet. */
const TURNED: Readonly<Record<Side, Side>> = { right: 'top', top: 'left', left: 'bottom', bottom: 'right' };

/** Distance of the first dimension line from the drawing, and of further ones from it, px. */
const FIRST = { plan: { top: 22, bottom: 22, left: 40, right: 36 }, elevation: 20 };
const TIER = 22;

/**
 * Lays out a view's dimension lines outside of what is drawn.
 * @param drawn the drawn part of the view in pixels
 */
export function glyphsFor(
  labelled: readonly Labelled[],
  view: View,
  place: (p: Point) => Point,
  drawn: Area,
): DimensionGlyph[] {
  return labelled
    .filter(({ line }) => line.view === view)
    .map(({ line, text }) => {
      const side = view === 'side' ? TURNED[line.side] : line.side;
      const first = view === 'plan' ? FIRST.plan[side] : FIRST.elevation;
      const away = first + line.tier * TIER;
      const at = {
        top: drawn.y - away,
        bottom: drawn.y + drawn.height + away,
        left: drawn.x - away,
        right: drawn.x + drawn.width + away,
      }[side];
      return {
        symbol: line.symbol,
        from: place(line.from),
        to: place(line.to),
        direction: side === 'top' || side === 'bottom' ? 'horizontal' : 'vertical',
        at,
        // land numbers stand between the plan and its dimension lines
        room: view === 'plan' ? away - 20 : away + 30,
        tail: view === 'plan' ? 'down' : 'up',
        text,
      };
    });
}
