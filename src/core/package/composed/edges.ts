import type { PieceRead } from '../../document/pieces';
import { quantise } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import type { Toleranced } from '../../units/toleranced';

/** What is an area, and so has edges. */
const AREAS: readonly PieceRead['what'][] = ['land', 'keep-out', 'mask-window', 'cut-out', 'body'];

/** A size and where its middle is. */
interface Extent {
  readonly size: Toleranced;
  readonly middle: Toleranced;
}

/**
 * A piece that is given by its edges as one that is given by its size and its middle.
 * @returns or what is wrong with its edges
 */
export function byEdges(
  piece: PieceRead,
): Result<PieceRead, { readonly field: string; readonly error: string }> {
  const { edgesX, edgesY, what } = piece;
  // terminals, pins and holes have sizes of their own kind
  if (!AREAS.includes(what)) return ok(piece);
  const across = edgesX && extentOf(edgesX);
  const upright = edgesY && extentOf(edgesY);
  if (across && !across.ok) return fail({ field: 'edgesX', error: across.error });
  if (upright && !upright.ok) return fail({ field: 'edgesY', error: upright.error });
  if (!across && !upright) return ok(piece);
  return ok({
    ...piece,
    ...(across ? { length: across.value.size, x: across.value.middle } : {}),
    ...(upright ? { width: upright.value.size, y: upright.value.middle } : {}),
  });
}

function extentOf(edges: readonly Toleranced[]): Result<Extent, string> {
  const [a, b] = edges;
  if (!a || !b || edges.length !== 2) return fail('Two edges are expected, such as 1.2 3.4.');
  const [low, high] = a.nom <= b.nom ? [a, b] : [b, a];
  if (high.nom - low.nom < 0.01) return fail('Its edges are less than 0.01 mm apart.');
  const of = (pick: (limit: 'min' | 'nom' | 'max') => number): Toleranced => ({
    min: quantise(pick('min')),
    nom: quantise(pick('nom')),
    max: quantise(pick('max')),
    given: 'computed',
  });
  const other = { min: 'max', nom: 'nom', max: 'min' } as const;
  return ok({
    size: of((limit) => high[limit] - low[other[limit]]),
    middle: of((limit) => (high[limit] + low[limit]) / 2),
  });
}
