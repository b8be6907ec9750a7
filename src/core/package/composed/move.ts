import type { TapisDocument } from '../../document/document';
import { pieceUnitOf } from '../../document/own-family';
import { pointerKey, type Edit } from '../../document/edit';
import { boxRound, type Box } from '../../geometry/box';
import type { Point } from '../../geometry/point';
import { formatNumber, fromMm, quantise, toMm, type LengthUnit } from '../../units/length';
import type { Toleranced } from '../../units/toleranced';
import { drawComposed } from './draw';
import { boxOfItem, calledOf, type PlacedPiece } from './place';

type Axis = 'x' | 'y';

/** A piece that is taken hold of: where it lies, what it can be laid against, and what moving it writes. mm */
export interface Grip {
  readonly id: string;
  /** The move that is nearest to one: a whole number of steps, or against another piece within reach. */
  readonly settle: (by: Point, step: number, reach: number) => Point;
  /** The edits that move it: only its two lengths change. */
  readonly edits: (by: Point) => Edit[];
  /** How far its nearest neighbours are once it is moved, by the side that they lie on. */
  readonly neighbours: (by: Point) => readonly Neighbour[];
}

export interface Neighbour {
  readonly side: 'left' | 'right' | 'below' | 'above';
  readonly name: string;
  readonly gap: number;
}

/** The piece at a point of the part; one that is opened already goes before others, and blocks of the body come last. */
export function pieceAtPoint(document: TapisDocument, { x, y }: Point, opened: string | null): string | null {
  const hit = drawComposed(document).pieces.flatMap(({ piece, items }) =>
    items.flatMap((item) => {
      const { minX, minY, maxX, maxY } = boxOfItem(item);
      const isIn = x >= minX && x <= maxX && y >= minY && y <= maxY;
      const isBody = piece.what === 'body' || piece.what === 'keep-out';
      return isIn && (!isBody || piece.id === opened)
        ? [{ id: piece.id, size: (maxX - minX) * (maxY - minY) }]
        : [];
    }),
  );
  const own = hit.find(({ id }) => id === opened);
  return (own ?? hit.sort((a, b) => a.size - b.size)[0])?.id ?? null;
}

/** Takes hold of a piece; `null` where there is none, or it follows another one. */
export function gripOf(document: TapisDocument, id: string): Grip | null {
  const { pieces } = drawComposed(document);
  const own = pieces.find(({ piece }) => piece.id === id);
  if (!own) return null;
  const others = pieces.filter((other) => other !== own && !hangsOn(other, own, pieces));
  const around = boxOf(own);
  const lines = { x: linesOf(others, 'x'), y: linesOf(others, 'y') };
  const mine = { x: linesOf([own], 'x'), y: linesOf([own], 'y') };
  return {
    id,
    settle(by, step, reach) {
      const along = (axis: Axis) => {
        const against = nearestMove(mine[axis], lines[axis], by[axis]);
        if (against !== null && Math.abs(against - by[axis]) <= reach) return quantise(against);
        return quantise(Math.round(by[axis] / step) * step);
      };
      return { x: along('x'), y: along('y') };
    },
    edits: (by) => (['x', 'y'] as const).flatMap((axis) => shiftOf(document, own, axis, by[axis])),
    neighbours: (by) => neighboursOf(moved(around, by), others),
  };
}

const boxOf = ({ items }: PlacedPiece): Box => boxRound(items.map(boxOfItem)) as Box;

const moved = ({ minX, minY, maxX, maxY }: Box, { x, y }: Point): Box => ({
  minX: minX + x,
  minY: minY + y,
  maxX: maxX + x,
  maxY: maxY + y,
});

/** Whether a piece moves along with another. */
function hangsOn(
  { piece }: PlacedPiece,
  on: PlacedPiece,
  all: readonly PlacedPiece[],
  seen = new Set<string>(),
): boolean {
  if (seen.has(piece.id)) return false;
  seen.add(piece.id);
  const from = [piece.xFrom.of, piece.yFrom.of, piece.as === 'mirror' ? piece.of : null];
  return from.some((id) => {
    if (id === on.piece.id) return true;
    const next = all.find((one) => one.piece.id === id);
    return next !== undefined && hangsOn(next, on, all, seen);
  });
}

/** Lines that a piece can be laid along: edges with edges, middles with middles. */
interface Lines {
  readonly edges: readonly number[];
  readonly middles: readonly number[];
}

function linesOf(pieces: readonly PlacedPiece[], axis: Axis): Lines {
  const [low, high] = axis === 'x' ? (['minX', 'maxX'] as const) : (['minY', 'maxY'] as const);
  return {
    edges: pieces.flatMap((piece) => {
      const box = boxOf(piece);
      return [box[low], box[high]];
    }),
    middles: pieces.flatMap(({ items, middle }) => [middle[axis], ...items.map(({ at }) => at[axis])]),
  };
}

function nearestMove(mine: Lines, others: Lines, by: number): number | null {
  let best: number | null = null;
  const look = (own: readonly number[], theirs: readonly number[]) => {
    for (const a of own)
      for (const b of theirs) if (best === null || Math.abs(b - a - by) < Math.abs(best - by)) best = b - a;
  };
  look(mine.edges, others.edges);
  look(mine.middles, others.middles);
  return best;
}

function neighboursOf(box: Box, others: readonly PlacedPiece[]): Neighbour[] {
  const nearest = new Map<Neighbour['side'], Neighbour>();
  const tell = (side: Neighbour['side'], gap: number, piece: PlacedPiece['piece']) => {
    if (gap < 0 || gap >= (nearest.get(side)?.gap ?? Infinity)) return;
    nearest.set(side, { side, name: calledOf(piece), gap: quantise(gap) });
  };
  for (const { piece, items } of others) {
    if (piece.what === 'body') continue;
    for (const item of items) {
      const { minX, minY, maxX, maxY } = boxOfItem(item);
      if (minY < box.maxY && maxY > box.minY) {
        tell('left', box.minX - maxX, piece);
        tell('right', minX - box.maxX, piece);
      }
      if (minX < box.maxX && maxX > box.minX) {
        tell('below', box.minY - maxY, piece);
        tell('above', minY - box.maxY, piece);
      }
    }
  }
  return [...nearest.values()];
}

/** A number, and the tolerance or unit behind it. */
const NUMBERED = /^\s*([-+−]?\d*[.,]?\d+)\s*((?:±|\+\/-)[^a-z"]*)?\s*(mm|mil|in|")?\s*$/i;

/** The edit of one length; its tolerance and its unit stay, a formula becomes a number. */
function shiftOf(document: TapisDocument, { piece, ways }: PlacedPiece, axis: Axis, by: number): Edit[] {
  if (Math.abs(by) < 1e-9) return [];
  const at = `/package/pieces/${pointerKey(piece.id)}/${axis}`;
  const written = document.package.pieces?.find(({ id }) => id === piece.id)?.[axis] ?? '';
  return [{ at, value: shiftedText(written, ways[axis]?.length ?? null, by, pieceUnitOf(document.package)) }];
}

/** An entry that lies farther by a length. @param by mm */
export function shiftedText(text: string, value: Toleranced | null, by: number, unit: LengthUnit): string {
  const [, number, tolerance = '', own] = NUMBERED.exec(text) ?? [];
  if (number !== undefined) {
    const said = own === undefined ? unit : own === '"' ? 'in' : (own.toLowerCase() as LengthUnit);
    const before = toMm(Number(number.replace('−', '-').replace(',', '.')), said);
    const after = formatNumber(fromMm(quantise(before + by), said), 0, 6);
    return `${after}${tolerance}${own === undefined ? '' : ` ${own}`}`;
  }
  const nominal = quantise((value?.nom ?? 0) + by);
  const half = value ? quantise((value.max - value.min) / 2) : 0;
  return `${formatNumber(nominal, 0, 6)}${half > 0 ? `±${formatNumber(half, 0, 6)}` : ''}${unit === 'mm' ? '' : ' mm'}`;
}
