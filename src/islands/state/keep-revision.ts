import type { RevisionState } from '../../store/database';
import { revisions } from '../common/shelf-store';
import { lockWords } from './lock-words';
import { attempt } from '../common/trouble';
import type { BenchState } from './bench';

/**
 * Keeps what stands on the Bench as its next revision; an approved one is locked.
 * @returns whether it was kept
 */
export async function keepRevision(
  { id, locked, flush, set }: Pick<BenchState, 'id' | 'locked' | 'flush' | 'set'>,
  state: RevisionState,
  note: string,
): Promise<boolean> {
  if (locked !== null) {
    set({ refusal: lockWords(locked, 'go on, then keep the next') });
    return false;
  }
  let wasKept = false;
  await attempt('Keeping a revision', async () => {
    await flush();
    const kept = await revisions.keep(id, state, note.trim());
    if (!kept) return;
    wasKept = true;
    set({ locked: kept.state === 'approved' ? kept.number : null, refusal: null });
  });
  return wasKept;
}
