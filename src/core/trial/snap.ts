import type { Box } from '../geometry/box';
import type { Point } from '../geometry/point';
import { quantise } from '../units/length';
import type { CompiledTrial, PlacedPart } from './trial';

/** A line that a moved part keeps to, and what it is a line of. */
export interface Guide {
  readonly axis: 'x' | 'y';
  readonly at: number;
  readonly words: string;
}

/** Where a moved part comes to lie, and what it keeps to there. */
export interface Snapped {
  readonly at: Point;
  readonly guides: readonly Guide[];
}

interface Candidate extends Guide {
  /** Where the part's origin lies then, along the axis. */
  readonly origin: number;
  /** What is met goes before what is only in line. */
  readonly rank: number;
}

/**
 * Where a part that is moved comes to lie: with its courtyard against that of a neighbour or against the board's
 * edge, in line with another part or with the middle of the board; where nothing is near, on the step.
 * @param wish where the pointer has it
 * @param reach within which it snaps, mm
 * @param step that it moves by where it snaps to nothing, mm
 */
export function snapPart(
  { parts, board }: Pick<CompiledTrial, 'parts' | 'board'>,
  id: string,
  wish: Point,
  { reach, step }: { readonly reach: number; readonly step: number },
): Snapped {
  const own = parts.find((one) => one.part === id);
  if (!own) return { at: wish, guides: [] };
  const { at } = own.placement;
  const { box } = own.footprint.courtyard;
  const rel: Box = {
    minX: box.minX - at.x,
    maxX: box.maxX - at.x,
    minY: box.minY - at.y,
    maxY: box.maxY - at.y,
  };
  const others = parts.filter((one) => one.part !== id);
  const found = {
    x: onAxis('x', rel, wish, others, board.box),
    y: onAxis('y', rel, wish, others, board.box),
  };
  const nearest = (axis: 'x' | 'y'): Candidate | undefined =>
    found[axis]
      .filter(({ origin }) => Math.abs(origin - wish[axis]) <= reach)
      .sort(
        (a, b) => Math.abs(a.origin - wish[axis]) - Math.abs(b.origin - wish[axis]) || a.rank - b.rank,
      )[0];
  const [x, y] = [nearest('x'), nearest('y')];
  const stepped = (value: number) => quantise(Math.round(value / step) * step);
  return {
    at: { x: quantise(x?.origin ?? stepped(wish.x)), y: quantise(y?.origin ?? stepped(wish.y)) },
    guides: [x, y].flatMap((one) => (one ? [{ axis: one.axis, at: one.at, words: one.words }] : [])),
  };
}

const ENDS = { x: ['minX', 'maxX'], y: ['minY', 'maxY'] } as const;

function onAxis(
  axis: 'x' | 'y',
  rel: Box,
  wish: Point,
  others: readonly PlacedPart[],
  board: Box,
): Candidate[] {
  const [low, high] = ENDS[axis];
  const across = axis === 'x' ? 'y' : 'x';
  const [from, to] = ENDS[across];
  const put = (edge: typeof low | typeof high, line: number, words: string, rank: number): Candidate => ({
    axis,
    at: line,
    origin: line - rel[edge],
    words,
    rank,
  });
  const middle = (board[low] + board[high]) / 2;
  const found: Candidate[] = [
    put(low, board[low], 'at the edge', 0),
    put(high, board[high], 'at the edge', 0),
    { axis, at: middle, origin: middle, words: 'in the middle of the board', rank: 1 },
  ];
  for (const { reference, placement, footprint } of others) {
    const { box } = footprint.courtyard;
    const isBeside = box[from] < wish[across] + rel[to] - 1e-6 && box[to] > wish[across] + rel[from] + 1e-6;
    if (isBeside)
      found.push(
        put(low, box[high], `against ${reference}`, 0),
        put(high, box[low], `against ${reference}`, 0),
      );
    const origin = placement.at[axis];
    found.push(
      { axis, at: origin, origin, words: `in line with ${reference}`, rank: 1 },
      put(low, box[low], `edge in line with ${reference}`, 2),
      put(high, box[high], `edge in line with ${reference}`, 2),
    );
  }
  return found;
}

/** How far a part's courtyard is from what comes next in a direction. */
export interface Room {
  readonly to: string;
  /** mm; less than nothing where they overlap. */
  readonly by: number;
  readonly from: Point;
  readonly until: Point;
}

/** What comes next to the left, to the right, below and above a part's courtyard: a part, or the board's edge. */
export function roomAbout({ parts, board }: Pick<CompiledTrial, 'parts' | 'board'>, id: string): Room[] {
  const own = parts.find((one) => one.id === id || one.part === id);
  if (!own) return [];
  const { box } = own.footprint.courtyard;
  const beside = parts.filter(
    ({ part, footprint }) => part !== own.part && footprint.far === own.footprint.far,
  );
  return (['x', 'y'] as const).flatMap((axis) => {
    const [low, high] = ENDS[axis];
    const [from, to] = ENDS[axis === 'x' ? 'y' : 'x'];
    const inWay = beside
      .map(({ reference, footprint }) => ({ reference, other: footprint.courtyard.box }))
      .filter(({ other }) => {
        const across = Math.min(other[to], box[to]) - Math.max(other[from], box[from]);
        // of two that overlap it is told along the shorter way out
        return across > 1e-6 && across >= Math.min(other[high], box[high]) - Math.max(other[low], box[low]);
      });
    return ([-1, 1] as const).map((way): Room => {
      const end = way < 0 ? box[low] : box[high];
      const middle = (box[low] + box[high]) / 2;
      let [next, name] = [way < 0 ? board.box[low] : board.box[high], 'edge'];
      for (const { reference, other } of inWay) {
        if (Math.sign((other[low] + other[high]) / 2 - middle) !== way) continue;
        const face = way < 0 ? other[high] : other[low];
        if ((face - next) * way < 0) [next, name] = [face, reference];
      }
      const [lowest, highest] = [box[from], box[to]];
      const half = (lowest + highest) / 2;
      const point = (value: number): Point => (axis === 'x' ? { x: value, y: half } : { x: half, y: value });
      return { to: name, by: quantise((next - end) * way), from: point(end), until: point(next) };
    });
  });
}
