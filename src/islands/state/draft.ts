import type { TapisDocument } from '../../core/document/document';

/** Changes of this tab that could not be written, with the revision that they rest on. */
export interface Draft {
  readonly revision: number;
  readonly document: TapisDocument;
}

/** A tab keeps its drafts over a reload, apart from those of other tabs. */
const keyOf = (id: string) => `tapis-draft-${id}`;

export function keepDraft(id: string, draft: Draft): void {
  try {
    globalThis.sessionStorage?.setItem(keyOf(id), JSON.stringify(draft));
  } catch {
    // nothing can be kept here: leaving the page warns
  }
}

export function dropDraft(id: string): void {
  try {
    globalThis.sessionStorage?.removeItem(keyOf(id));
  } catch {
    // nothing was kept
  }
}

export function keptDraft(id: string): Draft | null {
  try {
    const text = globalThis.sessionStorage?.getItem(keyOf(id));
    return text ? (JSON.parse(text) as Draft) : null;
  } catch {
    return null;
  }
}
