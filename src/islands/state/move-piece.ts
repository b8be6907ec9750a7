import type { StoreApi } from 'zustand/vanilla';
import { turn, type Point } from '../../core/geometry/point';
import { gripOf, pieceAtPoint, type Grip } from '../../core/package/composed/move';
import { formatLength } from '../../core/units/length';
import type { BenchState } from './bench';

type Store = Pick<StoreApi<BenchState>, 'getState'>;

let moves = 0;

/** How the part is turned on the board, which its pieces know nothing of. */
const turnOf = ({ derived }: BenchState): number =>
  derived.compiled.footprint?.orientation === 'B' ? 90 : 0;

/** Takes hold of the piece at a point of the plan; `null` where there is none. */
export function holdPiece(store: Store, point: Point): ((by: Point, reach: number) => void) | null {
  const state = store.getState();
  const angle = turnOf(state);
  const id = pieceAtPoint(state.document, turn(point, -angle), state.piece);
  const grip = id === null ? null : gripOf(state.document, id);
  if (!grip) return null;
  moves += 1;
  const gesture = `piece drag ${moves}`;
  return (by, reach) => {
    if (store.getState().piece !== id) store.getState().set({ piece: id });
    const settled = grip.settle(turn(by, -angle), store.getState().pieceStep, reach);
    write(store, grip, settled, gesture);
  };
}

/** Moves the opened piece by one step; says whether there was one. */
export function nudgePiece(store: Store, way: Point): void {
  const state = store.getState();
  if (state.piece === null) return;
  const grip = gripOf(state.document, state.piece);
  if (!grip) return;
  const { x, y } = turn(way, -turnOf(state));
  moves += 1;
  write(store, grip, { x: x * state.pieceStep, y: y * state.pieceStep }, `piece step ${moves}`);
}

function write(store: Store, grip: Grip, by: Point, gesture: string): void {
  const { edit, set, unit } = store.getState();
  const edits = grip.edits(by);
  if (edits.length > 0) edit(edits, gesture);
  const near = grip
    .neighbours(by)
    .map(({ side, name, gap }) => `${formatLength(gap, unit)} ${side} to ${name}`);
  set({ moving: near.length > 0 ? `${near.join(' · ')}, ${unit}` : null });
}
