import type { TapisDocument } from '../../../core/document/document';
import { pointerKey, type Edit } from '../../../core/document/edit';
import type { PieceIntent } from '../../../core/document/pieces';

/** Where a piece stands in its document. */
export const pieceAt = (id: string): string => `/package/pieces/${pointerKey(id)}`;

const piecesOf = (document: TapisDocument): readonly PieceIntent[] => document.package.pieces ?? [];

/** The first number that no piece has as its id. */
export function freshPieceId(document: TapisDocument): string {
  const taken = new Set(piecesOf(document).map(({ id }) => id));
  for (let i = 1; ; i += 1) if (!taken.has(`p${i}`)) return `p${i}`;
}

/** Edits that put a piece behind another, or at the end. */
export function addPiece(document: TapisDocument, piece: PieceIntent, behind: string | null): Edit[] {
  const pieces = piecesOf(document);
  const at = pieces.findIndex(({ id }) => id === behind) + 1 || pieces.length;
  return [{ at: '/package/pieces', value: [...pieces.slice(0, at), piece, ...pieces.slice(at)] }];
}

/** Edits that move a piece up or down in the list; its numbers may go with it. */
export function movePiece(document: TapisDocument, id: string, by: -1 | 1): Edit[] {
  const pieces = [...piecesOf(document)];
  const i = pieces.findIndex((piece) => piece.id === id);
  const [a, b] = [pieces[i], pieces[i + by]];
  if (!a || !b) return [];
  [pieces[i], pieces[i + by]] = [b, a];
  return [{ at: '/package/pieces', value: pieces }];
}

/** Edits that say from which piece and point both of a piece's lengths are measured. */
export function fromEdits(
  { id, xFrom, yFrom }: PieceIntent,
  change: { readonly of?: string; readonly at?: string },
): Edit[] {
  return (['xFrom', 'yFrom'] as const).map((side) => {
    const next = { ...(side === 'xFrom' ? xFrom : yFrom), ...change };
    // a point of the origin is nothing
    return { at: `${pieceAt(id)}/${side}`, value: next.of ? next : undefined };
  });
}

/** Edits that say which point of a piece is placed. */
export function mineEdits({ id }: PieceIntent, at: string): Edit[] {
  return ['xMine', 'yMine'].map((side) => ({
    at: `${pieceAt(id)}/${side}`,
    value: at === 'centre' ? undefined : { at },
  }));
}
