import { pointerKey } from '../../document/edit';
import type { PieceIntent } from '../../document/pieces';
import { isQuarter, type Point } from '../../geometry/point';
import type { Toleranced } from '../../units/toleranced';
import type { DimensionLine } from '../lines';
import { boxOfItem, type Item, type PlacedPiece } from './place';

// Dimension lines of a composed package: where its pieces lie, how high its blocks are, and what its named
// dimensions measure where a piece's field is one of them and nothing else.

/** A dimension line that has no tier yet. */
type Measured = Omit<DimensionLine, 'tier'>;

/** A composed package's dimension lines. Lines on one side that do not meet share a tier, short ones nearest. */
export function composedLines(
  pieces: readonly PlacedPiece[],
  given: readonly PieceIntent[],
  symbols: ReadonlySet<string>,
): DimensionLine[] {
  const named = new Set<string>();
  /** The dimension that a field is; each is drawn once. */
  const dimensionOf = (id: string, field: keyof PieceIntent): string | null => {
    const text = given.find((piece) => piece.id === id)?.[field];
    const symbol = typeof text === 'string' ? text.trim() : '';
    if (!symbols.has(symbol) || named.has(symbol)) return null;
    named.add(symbol);
    return symbol;
  };
  const lines = pieces.flatMap((piece) => [
    ...placements(piece),
    ...heights(piece, dimensionOf),
    ...sizes(piece, dimensionOf),
    ...steps(piece, dimensionOf),
  ]);
  return tiered(lines);
}

type DimensionOf = (id: string, field: keyof PieceIntent) => string | null;

const fieldAt = (id: string, field: string): string => `/package/pieces/${pointerKey(id)}/${field}`;

/** Where a piece lies: x over the plan, y beside it. */
function placements({ piece, ways }: PlacedPiece): Measured[] {
  return (['x', 'y'] as const).flatMap((axis): Measured[] => {
    const way = ways[axis];
    if (!way || Math.abs(way.to[axis] - way.from[axis]) <= 1e-6) return [];
    const { from, to, length } = way;
    return [
      {
        symbol: fieldAt(piece.id, axis),
        view: 'plan',
        side: axis === 'x' ? 'top' : 'left',
        from,
        to,
        // what is measured to the left or downwards is written without its sign
        states: length.nom < 0 ? negated(length) : length,
      },
    ];
  });
}

const negated = ({ min, nom, max, given }: Toleranced): Toleranced => ({
  min: -max,
  nom: -nom,
  max: -min,
  given,
});

/** From the seating plane to the underside and the top of each block, in the front view. */
function heights({ piece, items }: PlacedPiece, dimensionOf: DimensionOf): Measured[] {
  const [first] = items;
  if (!first || first.element.what !== 'body' || first.element.shape === 'turned') return [];
  const { minX, maxX } = boxOfItem(first);
  return (['bottom', 'top'] as const).flatMap((field): Measured[] => {
    const states = first.element[field];
    if (!states || Math.abs(states.nom) <= 1e-6) return [];
    const symbol = dimensionOf(piece.id, field);
    const x = field === 'top' ? maxX : minX;
    const line = {
      view: 'front',
      side: field === 'top' ? 'right' : 'left',
      from: { x, y: 0 },
      to: { x, y: states.nom },
    } as const;
    return [symbol ? { ...line, symbol } : { ...line, symbol: fieldAt(piece.id, field), states }];
  });
}

/** Lengths, widths and diameters of a piece's elements, at its first place. */
function sizes({ piece, items }: PlacedPiece, dimensionOf: DimensionOf): Measured[] {
  const [first] = items;
  if (!first || !isQuarter(first.rotation)) return [];
  const upright = first.rotation % 180 !== 0;
  return (['length', 'width', 'diameter', 'slot'] as const).flatMap((field): Measured[] => {
    if (!first.element[field]) return [];
    const symbol = dimensionOf(piece.id, field);
    if (!symbol) return [];
    const alongX = (field === 'width') === upright;
    return [{ symbol, ...across(first, alongX) }];
  });
}

/** Over an element, from edge to edge. */
function across(item: Item, alongX: boolean): Omit<Measured, 'symbol'> {
  const { minX, minY, maxX, maxY } = boxOfItem(item);
  return alongX
    ? { view: 'plan', side: 'bottom', from: { x: minX, y: minY }, to: { x: maxX, y: minY } }
    : { view: 'plan', side: 'right', from: { x: maxX, y: minY }, to: { x: maxX, y: maxY } };
}

/** Steps of rows and arrays, and the distance of facing rows. */
function steps({ piece, items }: PlacedPiece, dimensionOf: DimensionOf): Measured[] {
  const [first, second] = items;
  if (!first || !second) return [];
  const found: Measured[] = [];
  const add = (symbol: string | null, a: Point, b: Point) => {
    if (!symbol) return;
    if (Math.abs(a.y - b.y) < 1e-6) found.push({ symbol, view: 'plan', side: 'bottom', from: a, to: b });
    if (Math.abs(a.x - b.x) < 1e-6) found.push({ symbol, view: 'plan', side: 'right', from: a, to: b });
  };
  const isNext = second.slot.index === first.slot.index + 1 && second.slot.end === first.slot.end;
  if (piece.step && isNext) add(dimensionOf(piece.id, 'step'), first.at, second.at);
  const above = items.find(({ slot }) => slot.name.startsWith('2.'));
  if (piece.stepY && above) add(dimensionOf(piece.id, 'stepY'), first.at, above.at);
  const facing = items.find(({ slot }) => slot.end !== null && slot.end !== first.slot.end);
  if (piece.as === 'facing' && facing) {
    const symbol = dimensionOf(piece.id, 'apart');
    if (symbol) found.push({ symbol, ...apart(first, facing, piece.given ?? 'outer') });
  }
  return found;
}

/** Between facing elements, as their distance is given. */
function apart(a: Item, b: Item, given: 'outer' | 'centre' | 'gap'): Omit<Measured, 'symbol'> {
  const alongX = Math.abs(a.at.x - b.at.x) > Math.abs(a.at.y - b.at.y);
  const isFirst = alongX ? a.at.x < b.at.x : a.at.y < b.at.y;
  const [low, high] = isFirst ? [a, b] : [b, a];
  const [first, last] = [boxOfItem(low), boxOfItem(high)];
  const ends = (axis: 'x' | 'y'): readonly [number, number] => {
    const [min, max] = axis === 'x' ? (['minX', 'maxX'] as const) : (['minY', 'maxY'] as const);
    if (given === 'centre') return [low.at[axis], high.at[axis]];
    return given === 'gap' ? [first[max], last[min]] : [first[min], last[max]];
  };
  if (alongX) {
    const [from, to] = ends('x');
    const y = Math.min(first.minY, last.minY);
    return { view: 'plan', side: 'bottom', from: { x: from, y }, to: { x: to, y } };
  }
  const [from, to] = ends('y');
  const x = Math.max(first.maxX, last.maxX);
  return { view: 'plan', side: 'right', from: { x, y: from }, to: { x, y: to } };
}

/** Room that a value takes beside its line, mm: lines of one tier keep it from each other. */
const ROOM = 0.5;

function tiered(lines: readonly Measured[]): DimensionLine[] {
  const ends = new Map<string, (readonly [number, number])[][]>();
  return [...lines]
    .sort((a, b) => lengthOf(a) - lengthOf(b))
    .map((line): DimensionLine => {
      const { view, side } = line;
      const axis = axisOf(line);
      const tiers = ends.get(`${view} ${side}`) ?? [];
      ends.set(`${view} ${side}`, tiers);
      const low = Math.min(line.from[axis], line.to[axis]);
      const high = Math.max(line.from[axis], line.to[axis]);
      const free = tiers.findIndex((taken) => taken.every(([a, b]) => high + ROOM < a || low - ROOM > b));
      const tier = free < 0 ? tiers.push([]) - 1 : free;
      tiers[tier]?.push([low, high]);
      // beside an elevation the values stand level, and take the room of two lines
      return { ...line, tier: view === 'plan' ? tier : 2 * tier };
    });
}

const axisOf = ({ side }: Measured): 'x' | 'y' => (side === 'top' || side === 'bottom' ? 'x' : 'y');

function lengthOf(line: Measured): number {
  const axis = axisOf(line);
  return Math.abs(line.to[axis] - line.from[axis]);
}
