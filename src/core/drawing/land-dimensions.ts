import type { Footprint, Land } from '../footprint/footprint';
import { narrowOf } from '../geometry/figure';
import { putPlaced, putPoint, turned, within, type Placement } from '../geometry/placement';
import type { SolvedGroup, SpanSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import { line, turnLine, type DimensionLine } from '../package/lines';

/** A dimension line of the land pattern: which size it shows of which group, and its value in mm. */
export interface LandDimension extends DimensionLine {
  readonly size: string;
  readonly group: string;
  readonly value: number;
}

/** A land as it lies in orientation A, which the lines are laid out for. */
type DrawnLand = Pick<Land, 'at' | 'copper' | 'end' | 'hole'>;

/**
 * Where a draughtsman dimensions a land pattern: spans of the rows at left and right above and
 * below, their width beside the last land of the low side; spans of the rows at bottom and top
 * at the right; diameters and holes at a land of a group without a span. A turned footprint has
 * the same lines, turned with it; groups at other than right angles have none.
 */
export function landDimensions({ lands, groups, orientation }: Footprint): LandDimension[] {
  const quarters = orientation === 'B' ? 1 : 0;
  const back = turned(-90 * quarters);
  return groups.flatMap((group): LandDimension[] => {
    // land 1 of a row of pins may have a shape of its own; the sizes are those of the others
    const own = lands.filter((land) => land.group === group.terminals.id);
    const alike =
      group.kind === 'pin' ? own.filter((land) => land.copper.figure.kind === group.figure.kind) : own;
    const drawn = (alike.length > 0 ? alike : own).map((land): DrawnLand => ({
      at: putPoint(back, land.at),
      copper: putPlaced(back, land.copper),
      end: land.end,
      hole: land.hole,
    }));
    return linesOf(drawn, group, within(back, group.terminals.frame)).map((drawnLine) => ({
      ...drawnLine,
      ...turnLine(drawnLine, quarters),
    }));
  });
}

function linesOf(own: readonly DrawnLand[], group: SolvedGroup, frame: Placement): LandDimension[] {
  const [first] = own;
  const { id } = group.terminals;
  if (!first) return [];
  if (group.kind !== 'span') return atLand(first, own.at(-1) as DrawnLand, group, id);
  // the low end of the frame lies at the right or at the top where it is turned round
  const low = frame.angle < 180 ? -1 : 1;
  const [lower, upper] = [own.filter(({ end }) => end === low).at(-1), own.find(({ end }) => end === -low)];
  if (!lower || !upper) return frame.angle % 180 === 0 ? oneSide(first, frame, id) : [];
  switch (frame.angle % 180) {
    case 0:
      return besideRows(group.land, lower, upper, first, frame.at.x, id);
    case 90:
      return overRows(group.land, upper, frame.at.y, id);
    default:
      return [];
  }
}

function besideRows(
  { Z, G, C, X, Y }: LandSize,
  low: DrawnLand,
  high: DrawnLand,
  first: DrawnLand,
  mid: number,
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
    of('G', G, line('G', 'plan', 'top', [mid - G / 2, head], [mid + G / 2, head])),
    of('Z', Z, line('Z', 'plan', 'top', [mid - Z / 2, head], [mid + Z / 2, head], 1)),
    of('Y', Y, line('Y', 'plan', 'bottom', [high.copper.minX, foot], [high.copper.maxX, foot])),
    of('C', C, line('C', 'plan', 'bottom', [middle(low), low.at.y], [middle(high), high.at.y], 1)),
    of('X', X, line('X', 'plan', 'left', [minX, minY], [minX, maxY])),
  ];
}

function overRows({ Z, G }: LandSize, high: DrawnLand, mid: number, group: string): LandDimension[] {
  const edge = high.copper.maxX;
  const of = (size: 'G' | 'Z', value: number, tier: number): LandDimension => ({
    ...line(`${size} ${group}`, 'plan', 'right', [edge, mid - value / 2], [edge, mid + value / 2], tier),
    size,
    value,
    group,
  });
  return [of('G', G, 0), of('Z', Z, 1)];
}

/** A group at one end of its span only, such as a tab: its length and width. */
function oneSide(
  { copper: { minX, minY, maxX, maxY }, end }: DrawnLand,
  frame: Placement,
  group: string,
): LandDimension[] {
  const right = (end === 1) === frame.angle < 180;
  const [edge, at] = right ? [maxX, 'right' as const] : [minX, 'left' as const];
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
  { figure }: Exclude<SolvedGroup, SpanSolution>,
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
