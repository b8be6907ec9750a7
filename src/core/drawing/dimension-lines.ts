import type { Stage } from '../document/stage';
import type { Drawable, Footprint } from '../footprint/footprint';
import { isOnOwnSide } from '../footprint/sides';
import { lowestOf } from '../geometry/faces';
import type { Point } from '../geometry/point';
import { bodyAt } from '../package/drawn';
import { letterOf, STANDARD_LETTERS, type Letters } from '../package/letters';
import { line, type DimensionLine } from '../package/lines';
import type { Process } from '../process/process';
import { formatLength, type DisplayUnit } from '../units/length';
import { describeLimits } from '../units/toleranced';
import { landDimensions } from './land-dimensions';

/** Lowest and highest height that the elevations show, mm above the laminate. */
export interface Rise {
  readonly low: number;
  readonly high: number;
}

/** Laminate drawn below the surface, as a share of what stands on it; the rest is broken off. */
const LAMINATE_SHARE = 0.7;

/** Heights that the elevations show for a footprint. */
export function riseOf(footprint: Footprint, process: Process): Rise {
  const { body, lands } = footprint;
  const model = body.imported?.seen?.box;
  const high = Math.max(body.heights.top.max, model?.max.z ?? 0, 0.2);
  const below = Math.min(lowestOf(body.assembly), model?.min.z ?? 0);
  // leads through the board and lands beneath it are shown whole, and the board with them
  const bottom = lands.every((land) => isOnOwnSide(footprint, land)) ? 0 : -process.boardThickness;
  if (Math.min(below, bottom) <= -process.boardThickness) return { low: Math.min(below, bottom) - 0.2, high };
  return { low: -Math.min(process.boardThickness, Math.max(0.25, high * LAMINATE_SHARE)), high };
}

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
  letters: Letters = STANDARD_LETTERS,
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
            ? `${letterOf(drawn.symbol, letters)} ${describeLimits(value, unit)}`
            : letterOf(drawn.symbol, letters),
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
