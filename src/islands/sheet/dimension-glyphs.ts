import type { Labelled } from '../../core/drawing/dimension-lines';
import type { Point } from '../../core/geometry/point';
import type { DimensionLine, View } from '../../core/package/lines';
import { textPlace, type DimensionGlyph } from './Dimension';
import { TIER, type Area } from './layout';

type Side = DimensionLine['side'];

/** The side elevation lies turned a quarter to the left on the Sheet. */
const TURNED: Readonly<Record<Side, Side>> = { right: 'top', top: 'left', left: 'bottom', bottom: 'right' };

/** Distance of the first dimension line from the drawing, px. */
const FIRST = {
  plan: { top: 34, bottom: 34, left: 40, right: 36 },
  // beside the elevations the values stand level, half of them on the drawing's side of the line
  elevation: { top: 20, bottom: 20, left: 32, right: 32 },
};

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
  return besideOthers(
    labelled
      .filter(({ line }) => line.view === view)
      // outer tiers first: their extension lines pass under the values of inner ones
      .sort((a, b) => b.line.tier - a.line.tier)
      .map(({ line, text }): DimensionGlyph => {
        const side = view === 'side' ? TURNED[line.side] : line.side;
        const first = FIRST[view === 'plan' ? 'plan' : 'elevation'][side];
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
          room: view !== 'plan' ? away + 14 : line.tier === 0 ? away - 20 : 0,
          // what lies below the laminate has its room below
          tail: view === 'plan' || Math.max(line.from.y, line.to.y) <= 0 ? 'down' : 'up',
          // the board lies at the quadrant's right edge
          leftward: view === 'side',
          text,
        };
      }),
  );
}

/** Values that stand beyond an arrow go to the end where no other dimension on the same line is in their way. */
function besideOthers(glyphs: readonly DimensionGlyph[]): DimensionGlyph[] {
  return glyphs.map((glyph) => {
    const others = glyphs.filter(
      (other) => other !== glyph && other.direction === glyph.direction && Math.abs(other.at - glyph.at) < 8,
    );
    if (!isInTheWay(glyph, others)) return glyph;
    const turned: DimensionGlyph =
      glyph.direction === 'horizontal'
        ? { ...glyph, leftward: !glyph.leftward }
        : { ...glyph, tail: glyph.tail === 'up' ? 'down' : 'up' };
    return isInTheWay(turned, others) ? glyph : turned;
  });
}

/** Whether a value beyond an arrow lies on another dimension. */
function isInTheWay(glyph: DimensionGlyph, others: readonly DimensionGlyph[]): boolean {
  const { x, y, width, run } = textPlace(glyph);
  if (run[0] === 0 && run[1] === 0) return false;
  const axis = glyph.direction === 'horizontal' ? 'x' : 'y';
  const [middle, half] = axis === 'x' ? [x, width / 2] : [y, 8];
  return others.some(({ from, to }) => {
    const [low, high] = [Math.min(from[axis], to[axis]), Math.max(from[axis], to[axis])];
    return middle + half > low && middle - half < high;
  });
}
