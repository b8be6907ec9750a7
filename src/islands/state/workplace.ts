import { lockWords } from './lock-words';
import { applyEdits, type Edit } from '../../core/document/edit';
import { keptHistory, openHistory, type HistoryStep, type KeptHistory } from '../../core/document/history';
import { Autosave, isUnsaved, type SaveState } from '../../store/autosave';
import type { Keeper, Kept } from '../../store/kept';
import { dropDraft, keepDraft, keptDraft } from './draft';
import { watchOtherTabs, watchPage } from './tabs';

// What every place has where one document is worked on: its history, its saving, what other tabs do with it,
// and what could not be written. A place adds what it derives from the document and how it is looked at.

/** A state of the document that can be gone to. */
export interface Step<D extends object> extends HistoryStep<D> {
  /** Changes of one gesture, such as typing in one field, are undone together. */
  readonly gesture: string | null;
  /** What the place wanted to have back with the document. */
  readonly aside: unknown;
}

/** One document that is worked on, and what can be done with it. */
export interface Workplace<D extends object, T extends Kept<D> = Kept<D>> {
  readonly id: string;
  readonly document: D;
  readonly past: readonly Step<D>[];
  readonly future: readonly Step<D>[];
  /** Number of the approved revision that it is, which is not changed; `null` while it can be. */
  readonly locked: number | null;
  readonly save: SaveState<T>;
  /** Why the last change was not taken, in words. */
  readonly refusal: string | null;
  /**
   * Changes the document.
   * @param gesture changes of one gesture are one step of undo
   * @param words what the step is called; by the places that it changes where it is missing
   */
  readonly edit: (edits: readonly Edit[], gesture?: string, words?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Takes back an unfinished gesture, as Escape does in a field; says whether there was one. */
  readonly abandon: (gesture: string) => boolean;
  /** Writes what is waiting now. */
  readonly flush: () => Promise<void>;
  /** Saves when the page is left and takes over what other tabs saved, until it is called back. */
  readonly watch: () => () => void;
  readonly resolveConflict: (keep: 'mine' | 'theirs' | 'both') => Promise<void>;
  /** Takes what another tab has deleted back, out of the bin or from what this tab holds. */
  readonly takeBack: () => Promise<void>;
  /** Takes over what is stored, where somebody else has saved since. */
  readonly takeOver: (stored: T) => void;
}

/** What the documents of a kind are. */
export interface DocumentKind<D extends object, T extends Kept<D> = Kept<D>> {
  readonly keeper: Keeper<D, T>;
  /** Number of the approved revision that a stored one is; it is changed no more. */
  readonly lockOf?: (stored: T) => number | null;
  /** What changes of these places are called. */
  readonly wordsOf: (places: readonly string[]) => string;
  /** Why a document could not be read again from its own file; `null` where it could, or nobody knows yet. */
  readonly whyNotKept: (document: D) => string | null;
}

/** What a place does for its document. */
interface Place<D extends object, T extends Kept<D>> {
  readonly get: () => Workplace<D, T>;
  readonly set: (part: Partial<Workplace<D, T>>) => void;
  /** Derives everything from a document and shows both. */
  readonly show: (document: D) => void;
  /** What is kept aside with a step, and what comes back with it. */
  readonly aside?: () => unknown;
  readonly recall?: (aside: unknown) => void;
}

/** Undo steps kept; older ones are forgotten. */
const DEPTH = 500;

/** The revision of what is stored no more. */
const REMOVED = -1;

/** Who writes each document of this page; also after its place was left, until all is written. */
const writing = new Map<string, Pick<Autosave, 'retire'>>();

/**
 * What this tab still holds of something that was removed for good while its changes could not be written;
 * `null` where it holds nothing.
 */
export function removedDocument<D extends object>(id: string): Kept<D> | null {
  const draft = keptDraft<D>(id);
  return (
    draft && { id, document: draft.document, revision: REMOVED, createdAt: 0, updatedAt: 0, binnedAt: 0 }
  );
}

/** The document that a place begins with: what this tab could not write before it was reloaded goes first. */
export function documentToOpen<D extends object>(stored: Kept<D>): D {
  return keptDraft<D>(stored.id)?.document ?? stored.document;
}

/** The part of a place's state that holds its document. */
export function workplace<D extends object, T extends Kept<D>>(
  kind: DocumentKind<D, T>,
  stored: T,
  kept: KeptHistory | null,
  place: Place<D, T>,
): Workplace<D, T> {
  const { id, revision, updatedAt } = stored;
  const { keeper, lockOf = () => null } = kind;
  const { get, set } = place;
  const draft = keptDraft<D>(id);
  const document = documentToOpen<D>(stored);
  const autosave = new Autosave<D, T>(
    revision,
    (next, onto) => {
      const { document: shown, past, future } = get();
      // what can be undone is kept with the state that it leads from
      return keeper.save(id, next, onto, next === shown ? keptHistory(next, { past, future }) : null);
    },
    (save) => tell(save),
  );
  /** What is in this tab only is kept for it. */
  const tell = (save: SaveState<T>) => {
    set({ save });
    if (isUnsaved(save)) keepDraft(id, { revision: autosave.current, document: get().document });
    else if (save.kind !== 'pending') dropDraft(id);
  };
  // one that was left while it could not write gives way: its draft is taken up here
  writing.get(id)?.retire();
  writing.set(id, autosave);

  const change = (next: D) => {
    place.show(next);
    if (isUnsaved(get().save)) keepDraft(id, { revision: autosave.current, document: next });
    autosave.change(next);
  };
  const stepFrom = (words: string, gesture: string | null): Step<D> => ({
    document: get().document,
    words,
    gesture,
    aside: place.aside?.(),
  });
  const takeOver = (theirs: T) => {
    place.show(theirs.document);
    set({ past: [], future: [], locked: lockOf(theirs) });
    autosave.resume(theirs.revision, null);
  };
  /** What is approved is not changed; says so where it was wished. */
  const isLocked = () => {
    const { locked } = get();
    if (locked === null) return false;
    set({ refusal: lockWords(locked) });
    return true;
  };

  let save: SaveState<T> = { kind: 'saved', revision, at: updatedAt };
  if (draft && draft.revision === revision) queueMicrotask(() => autosave.change(document));
  else if (draft) {
    save = revision === REMOVED ? { kind: 'gone' } : { kind: 'conflict', theirs: stored };
    autosave.halt(document);
  }
  const history =
    kept && document === stored.document ? openHistory(document, kept) : { past: [], future: [] };
  const asSteps = (steps: readonly HistoryStep<D>[]) =>
    steps.map((step): Step<D> => ({ ...step, gesture: null, aside: null }));

  return {
    id,
    document,
    past: asSteps(history.past),
    future: asSteps(history.future),
    locked: lockOf(stored),
    save,
    refusal: null,
    edit(edits, gesture, words = kind.wordsOf(edits.map(({ at }) => at))) {
      const { document: before, past } = get();
      const next = applyEdits(before, edits);
      if (JSON.stringify(next) === JSON.stringify(before) || isLocked()) return;
      // what could not be read again from its own file is not taken in either
      const refusal = kind.whyNotKept(next);
      if (refusal !== null && kind.whyNotKept(before) === null) return set({ refusal });
      const goesOn = gesture !== undefined && past.at(-1)?.gesture === gesture;
      set({
        refusal: null,
        past: goesOn ? past : [...past, stepFrom(words, gesture ?? null)].slice(-DEPTH),
        future: [],
      });
      change(next);
    },
    undo() {
      const { past, future } = get();
      const last = past.at(-1);
      if (!last || isLocked()) return;
      set({ past: past.slice(0, -1), future: [stepFrom(last.words, null), ...future] });
      place.recall?.(last.aside);
      change(last.document);
    },
    redo() {
      const { past, future } = get();
      const [next, ...rest] = future;
      if (!next || isLocked()) return;
      set({ past: [...past, stepFrom(next.words, null)], future: rest });
      place.recall?.(next.aside);
      change(next.document);
    },
    abandon(gesture) {
      const last = get().past.at(-1);
      if (last?.gesture !== gesture) return false;
      set({ past: get().past.slice(0, -1) });
      change(last.document);
      return true;
    },
    flush: () => autosave.flush(),
    watch() {
      const stop = new AbortController();
      watchPage(autosave, stop.signal);
      watchOtherTabs(
        () => keeper.get(id),
        autosave,
        stop.signal,
        (theirs) => {
          if (theirs === null) tell({ kind: 'gone' });
          else if (theirs.binnedAt > 0) tell({ kind: 'binned' });
          else if (theirs.revision > autosave.current) takeOver(theirs);
          else if (get().save.kind === 'binned') autosave.resume(theirs.revision, null);
          if (theirs && lockOf(theirs) !== get().locked) set({ locked: lockOf(theirs) });
        },
      );
      return () => {
        stop.abort();
        void autosave.flush();
      };
    },
    takeOver(theirs) {
      if (theirs.revision > autosave.current) takeOver(theirs);
    },
    async takeBack() {
      const { save: now, document: mine } = get();
      if (now.kind === 'gone') autosave.resume((await keeper.keepAgain(id, mine)).revision, null);
      if (now.kind !== 'binned') return;
      await keeper.restore(id);
      autosave.resume(autosave.current, null);
    },
    async resolveConflict(keep) {
      const { save: now, document: mine } = get();
      if (now.kind !== 'conflict') return;
      if (keep === 'both') await keeper.addCopy(mine);
      if (keep === 'mine') return autosave.resume(now.theirs.revision, mine);
      takeOver(now.theirs);
    },
  };
}
