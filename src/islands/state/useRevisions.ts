import { useLiveQuery } from 'dexie-react-hooks';
import { isSameDocument } from '../../core/document/difference';
import type { RevisionState, StoredRevision } from '../../store/database';
import { revisions } from '../common/shelf-store';
import { useBench } from './context';

/** The sign and the words of how a revision stands. */
export const REVISION_STATES: Readonly<
  Record<RevisionState, { readonly sign: string; readonly words: string }>
> = {
  draft: { sign: '○', words: 'draft' },
  review: { sign: '◐', words: 'for review' },
  approved: { sign: '●', words: 'approved' },
  withdrawn: { sign: '×', words: 'withdrawn' },
};

/** The kept revisions of what stands on the Bench, the first first. */
export function useRevisions(): readonly StoredRevision[] {
  const id = useBench((s) => s.id);
  return useLiveQuery(() => revisions.list(id), [id]) ?? NONE;
}

const NONE: readonly StoredRevision[] = [];

/** Which revision a document is, or after which it comes, in words. */
export function useRevisionWords(): string {
  const document = useBench((s) => s.document);
  const last = useRevisions().at(-1);
  if (!last) return 'none kept yet';
  const { words } = REVISION_STATES[last.state];
  return isSameDocument(last.document, document) ? `${last.number}, ${words}` : `after ${last.number}`;
}
