import { landDimensions } from '../../core/drawing/land-dimensions';
import type { Stage } from '../../core/document/finding';
import { bodyAt } from '../../core/package/drawn';
import { line } from '../../core/package/lines';
import type { DimensionLine, View } from '../../core/package/lines';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import { describeLimits } from '../../core/units/toleranced';
import type { Drawable } from '../../core/footprint/footprint';
import type { DimensionGlyph } from './Dimension';
import { TIER, type Area } from './layout';
import { riseOf } from './useCamera';
import type { Point } from '../../core/geometry/point';

/** A dimension line with the text it carries. */
export interface Labelled {
  readonly line: DimensionLine;
  readonly text: string;
}

/** The dimension lines of a stage: the datasheet's at Measure, the lands' at Land, heights at Rise. */
export function linesFor(
  stage: Stage,
  drawable: Drawable,
  unit: DisplayUnit,
  selectedGroup: string | null = null,
): Labelled[] {
  const { footprint, resolved } = drawable;
  if (!resolved) return [];
  const { seating } = footprint.body.heights;
  if (stage === 'measure') {
    return footprint.package.lines.map((drawn) => {
      const value = drawn.states ?? resolved.values?.[drawn.symbol];
      // the family measures heights from its seating plane, the views from the laminate
      const lift = drawn.view === 'plan' ? 0 : seating;
      const raise = (p: Point): Point => ({ x: p.x, y: p.y + lift });
      return {
        line: { ...drawn, from: raise(drawn.from), to: raise(drawn.to) },
        text: drawn.states
          ? describeLimits(drawn.states, unit)
          : value
            ? `${drawn.symbol} ${describeLimits(value, unit)}`
            : drawn.symbol,
      };
    });
  }
  if (stage === 'land') {
    // pads under a body would crowd its rows; they show theirs once selected
    const rows = footprint.groups.some(({ kind }) => kind === 'span');
    const shown = landDimensions(footprint).filter(({ group }) => {
      const kindOf = (id: string | null) =>
        footprint.groups.find(({ terminals }) => terminals.id === id)?.kind;
      const spot = kindOf(group) !== 'span';
      if (!rows) return true;
      const selected = selectedGroup !== null && kindOf(selectedGroup) !== 'span';
      return spot ? group === selectedGroup : !selected;
    });
    return shown.map((drawn) => ({
      line: drawn,
      text:
        drawn.size === 'span'
          ? formatLength(drawn.value, unit)
          : `${drawn.size} ${formatLength(drawn.value, unit)}`,
    }));
  }
  if (stage === 'mark') return courtyardLines(drawable, unit);
  if (stage !== 'rise') return [];
  return heightLines(drawable, unit);
}

/** Heights in the front elevation, the board and what stands out of it in both. */
function heightLines({ footprint, process }: Drawable, unit: DisplayUnit): Labelled[] {
  const { extent, heights, protrusion, imported } = footprint.body;
  const { box } = footprint.courtyard;
  const { seating, top, underside, landTop, lift } = heights;
  const body = bodyAt(extent, 'nom');
  const height = (
    symbol: string,
    view: 'front' | 'side',
    side: 'left' | 'right',
    at: number,
    [from, to]: readonly [number, number],
    value = Math.abs(to - from),
  ): Labelled => ({
    line: line(symbol, view, side, [at, from], [at, to]),
    text: `${symbol} ${formatLength(value, unit)}`,
  });
  // a board that is broken off keeps its true thickness in its dimension
  const board = Math.max(-process.boardThickness, riseOf(footprint, process).low);
  const far = -process.boardThickness - process.copperThickness;
  const lands = footprint.lands.some(({ hole }) => hole === null);
  return [
    height('top', 'front', 'right', body.maxX, [0, imported?.seen?.box.max.z ?? top.max]),
    // a body that stands on the board has no room below it to dimension
    ...(underside.nom > 0.02 ? [height('underside', 'front', 'left', body.minX, [0, underside.nom])] : []),
    height('board', 'front', 'right', box.maxX, [board, 0], process.boardThickness),
    ...(protrusion !== null && protrusion > 0.02
      ? [height('leads', 'front', 'left', box.minX, [far - protrusion, far])]
      : []),
    ...(lands && extent.mount !== 'through' && extent.collapsing === undefined
      ? [height('solder', 'side', 'right', box.maxY, [landTop, seating - lift])]
      : []),
  ];
}

function courtyardLines({ footprint }: Drawable, unit: DisplayUnit): Labelled[] {
  const { minX, minY, maxX, maxY } = footprint.courtyard.box;
  return [
    {
      line: line('courtyard width', 'plan', 'bottom', [minX, minY], [maxX, minY]),
      text: formatLength(maxX - minX, unit),
    },
    {
      line: line('courtyard height', 'plan', 'right', [maxX, minY], [maxX, maxY]),
      text: formatLength(maxY - minY, unit),
    },
  ];
}

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
  return (
    labelled
      .filter(({ line }) => line.view === view)
      // outer tiers first: their extension lines pass under the values of inner ones
      .sort((a, b) => b.line.tier - a.line.tier)
      .map(({ line, text }) => {
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
      })
  );
}
