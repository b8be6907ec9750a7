import type { Footprint, Land } from '../footprint/footprint';
import type { Box } from '../geometry/box';
import { narrowOf, type Placed } from '../geometry/figure';
import { turn, type Point } from '../geometry/point';
import type { LandSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import { line } from '../package/declare';
import type { DimensionLine } from '../package/family';
import { orientLine } from '../package/orient';

/** A dimension line of the land pattern: which size it shows of which group, and its value in mm. */
export interface LandDimension extends DimensionLine {
  readonly size: string;
  readonly group: string;
  readonly value: number;
}

/** A land as it lies in orientation A, which the lines are laid out for. */
interface DrawnLand {
  readonly at: Point;
  readonly copper: Box;
  readonly side: Land['side'];
  readonly hole: Placed | null;
}

/**
 * Where a draughtsman dimensions a land pattern: spans of the rows at left and right above and
 * below, their width beside the last land of the low side; spans of the rows at bottom and top
 * at the right; diameters and holes at a land of a group without a span. A turned footprint has
 * the same lines, turned with it.
 */
export function landDimensions(footprint: Footprint): LandDimension[] {
  const { lands, groups, solutions, orientation } = footprint;
  const turned = orientation === 'B';
  return groups.flatMap((group, i): LandDimension[] => {
    const solution = solutions[i];
    // land 1 of a row of pins may have a shape of its own; the sizes are those of the others
    const own = lands.filter((land) => land.group === group.id);
    const alike =
      solution?.kind === 'pin' ? own.filter((land) => land.copper.figure.kind === solution.figure.kind) : own;
    const axis = group.kind === 'span' ? group.axis : null;
    const drawn = (alike.length > 0 ? alike : own).map((land) => (turned ? turnedBack(land, axis) : land));
    const [first] = drawn;
    if (!solution || !first) return [];
    const lines = linesOf(
      drawn,
      first,
      solution,
      turned && axis ? (axis === 'x' ? 'y' : 'x') : axis,
      group.id,
    );
    return lines.map((drawnLine) => ({ ...drawnLine, ...orientLine(drawnLine, orientation) }));
  });
}

function linesOf(
  own: readonly DrawnLand[],
  first: DrawnLand,
  solution: LandSolution,
  axis: 'x' | 'y' | null,
  group: string,
): LandDimension[] {
  if (solution.kind !== 'span') return atLand(first, own.at(-1) as DrawnLand, solution, group);
  const low = own.filter(({ side }) => side === -1).at(-1);
  const high = own.find(({ side }) => side === 1);
  const span = low && high ? { low, high } : null;
  if (axis === 'y') return span ? overRows(solution.land, span.high, group) : [];
  return span ? besideRows(solution.land, span.low, span.high, first, group) : oneSide(first, group);
}

/** A land of orientation B as it lies in A. */
function turnedBack({ at, copper, side, hole }: Land, axis: 'x' | 'y' | null): DrawnLand {
  const { minX, minY, maxX, maxY } = copper;
  return {
    at: turn(at, 270),
    copper: { minX: minY, maxX: maxY, minY: -maxX, maxY: -minX },
    // what ran along y in A runs along x in B, with its ends exchanged
    side: axis === 'x' && side !== null ? (side === 1 ? -1 : 1) : side,
    hole,
  };
}

function besideRows(
  { Z, G, C, X, Y }: LandSize,
  low: DrawnLand,
  high: DrawnLand,
  first: DrawnLand,
  group: string,
): LandDimension[] {
  const [head, foot] = [first.copper.maxY, high.copper.minY];
  const middle = ({ copper }: DrawnLand) => (copper.minX + copper.maxX) / 2;
  const { minX, minY, maxY } = low.copper;
  const of = (size: string, value: number, drawn: DimensionLine): LandDimension => ({
    ...drawn,
    size,
    value,
    group,
  });
  return [
    of('G', G, line('G', 'plan', 'top', [-G / 2, head], [G / 2, head])),
    of('Z', Z, line('Z', 'plan', 'top', [-Z / 2, head], [Z / 2, head], 1)),
    of('Y', Y, line('Y', 'plan', 'bottom', [high.copper.minX, foot], [high.copper.maxX, foot])),
    of('C', C, line('C', 'plan', 'bottom', [middle(low), low.at.y], [middle(high), high.at.y], 1)),
    of('X', X, line('X', 'plan', 'left', [minX, minY], [minX, maxY])),
  ];
}

function overRows({ Z, G }: LandSize, high: DrawnLand, group: string): LandDimension[] {
  const edge = high.copper.maxX;
  return [
    { ...line(`G ${group}`, 'plan', 'right', [edge, -G / 2], [edge, G / 2]), size: 'G', value: G, group },
    { ...line(`Z ${group}`, 'plan', 'right', [edge, -Z / 2], [edge, Z / 2], 1), size: 'Z', value: Z, group },
  ];
}

/** A group at one end of its span only, such as a tab: its length and width. */
function oneSide({ copper: { minX, minY, maxX, maxY }, side }: DrawnLand, group: string): LandDimension[] {
  const [edge, at] = side === 1 ? [maxX, 'right' as const] : [minX, 'left' as const];
  return [
    {
      ...line(`Y ${group}`, 'plan', 'bottom', [minX, minY], [maxX, minY]),
      size: 'Y',
      value: maxX - minX,
      group,
    },
    { ...line(`X ${group}`, 'plan', at, [edge, minY], [edge, maxY]), size: 'X', value: maxY - minY, group },
  ];
}

/** Land and hole of a land without a span, and the distance to the last of its group. */
function atLand(
  { copper, hole, at }: DrawnLand,
  last: DrawnLand,
  { figure }: Exclude<LandSolution, { kind: 'span' }>,
  group: string,
): LandDimension[] {
  const { minX, maxX, minY, maxY } = copper;
  const of = (size: string, value: number, drawn: DimensionLine): LandDimension => ({
    ...drawn,
    size,
    value,
    group,
  });
  const round = figure.kind === 'round';
  return [
    of(round ? 'D' : 'Y', maxX - minX, line(`land ${group}`, 'plan', 'top', [minX, maxY], [maxX, maxY], 1)),
    ...(round
      ? []
      : [of('X', maxY - minY, line(`width ${group}`, 'plan', 'left', [minX, minY], [minX, maxY], 1))]),
    ...(hole === null
      ? []
      : [
          of(
            'H',
            narrowOf(hole.figure),
            line(
              `hole ${group}`,
              'plan',
              'left',
              [minX, at.y - narrowOf(hole.figure) / 2],
              [minX, at.y + narrowOf(hole.figure) / 2],
            ),
          ),
        ]),
    ...(last.at.x - at.x > 1e-6
      ? [
          of(
            'span',
            last.at.x - at.x,
            line(
              `span ${group}`,
              'plan',
              'bottom',
              [at.x, Math.min(at.y, last.at.y)],
              [last.at.x, last.at.y],
            ),
          ),
        ]
      : []),
  ];
}
