import type { TapisDocument } from '../../core/document/document';

/** Changes of this tab that could not be written, with the revision that they rest on. */
export interface Draft<D = TapisDocument> {
  readonly revision: number;
  readonly document: D;
}

/** Drafts of this page by the footprint's id. */
const drafts = new Map<string, Draft<unknown>>();

/** A tab keeps its drafts over a reload, apart from those of other tabs, where the browser lets it. */
const PREFIX = 'tapis-draft-';

function inTab<T>(act: (storage: Storage) => T): T | null {
  try {
    return globalThis.sessionStorage ? act(sessionStorage) : null;
  } catch {
    return null;
  }
}

export function keepDraft(id: string, draft: Draft<unknown>): void {
  drafts.set(id, draft);
  inTab((storage) => storage.setItem(PREFIX + id, JSON.stringify(draft)));
}

export function dropDraft(id: string): void {
  drafts.delete(id);
  inTab((storage) => storage.removeItem(PREFIX + id));
}

export function keptDraft<D = TapisDocument>(id: string): Draft<D> | null {
  const text = inTab((storage) => storage.getItem(PREFIX + id));
  return (drafts.get(id) ?? (text ? (JSON.parse(text) as unknown) : null)) as Draft<D> | null;
}

/** Holds a page that is being left while something of it is not saved. */
export function holdWithDrafts(): () => void {
  const hold = (event: BeforeUnloadEvent) => {
    if (drafts.size > 0) event.preventDefault();
  };
  addEventListener('beforeunload', hold);
  return () => removeEventListener('beforeunload', hold);
}
