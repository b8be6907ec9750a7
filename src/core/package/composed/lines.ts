import { pointerKey } from '../../document/edit';
import type { DimensionLine } from '../lines';
import type { PlacedPiece, Way } from './place';

/** Dimension lines of where pieces lie: x over the plan, y beside it. Lines that do not meet share a tier. */
export function placementLines(pieces: readonly PlacedPiece[]): DimensionLine[] {
  return [...tiers(pieces, 'x'), ...tiers(pieces, 'y')];
}

/** Room that a value takes beside its line, mm: lines of one tier keep it from each other. */
const ROOM = 0.5;

function tiers(pieces: readonly PlacedPiece[], axis: 'x' | 'y'): DimensionLine[] {
  const drawn = pieces
    .flatMap(({ piece, ways }) => {
      const way = ways[axis];
      return way && lengthOf(way, axis) > 1e-6 ? [{ id: piece.id, way }] : [];
    })
    // short ones stand nearest to the part
    .sort((a, b) => lengthOf(a.way, axis) - lengthOf(b.way, axis));
  const ends: (readonly [number, number])[][] = [];
  return drawn.map(({ id, way: { from, to, length } }): DimensionLine => {
    const [low, high] = [Math.min(from[axis], to[axis]), Math.max(from[axis], to[axis])];
    const free = ends.findIndex((taken) => taken.every(([a, b]) => high + ROOM < a || low - ROOM > b));
    const tier = free < 0 ? ends.push([]) - 1 : free;
    (ends[tier] as (readonly [number, number])[]).push([low, high]);
    return {
      symbol: `/package/pieces/${pointerKey(id)}/${axis}`,
      view: 'plan',
      side: axis === 'x' ? 'top' : 'left',
      from,
      to,
      tier,
      // what is measured to the left or downwards is written without its sign
      states: length.nom < 0 ? { ...length, min: -length.max, nom: -length.nom, max: -length.min } : length,
    };
  });
}

const lengthOf = ({ from, to }: Way, axis: 'x' | 'y'): number => Math.abs(to[axis] - from[axis]);
