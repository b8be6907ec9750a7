import { createContext, useContext } from 'react';
import { createStore, useStore } from 'zustand';
import type { Report } from '../../core/check/check';
import type { LoadedModel } from '../../core/body/loaded';
import { applyEdits, type Edit } from '../../core/document/edit';
import type { Remedy } from '../../core/document/finding';
import { keptHistory, openHistory, type HistoryStep, type KeptHistory } from '../../core/document/history';
import type { TrialDocument } from '../../core/document/trial';
import { checkTrial } from '../../core/trial/check';
import { compileTrial } from '../../core/trial/compile';
import type { Guide } from '../../core/trial/snap';
import type { CompiledTrial } from '../../core/trial/trial';
import type { DisplayUnit } from '../../core/units/length';
import { Autosave, isUnsaved, type SaveState } from '../../store/autosave';
import type { StoredTrial } from '../../store/database';
import { trials } from '../common/shelf-store';
import type { Quadrant } from '../sheet/layout';
import { keepUnit, keptUnit } from '../state/display-unit';
import { keptEntry, shownEntry } from '../fields/units';
import { dropDraft, keepDraft, keptDraft } from '../state/draft';
import type { Look } from '../turn/looks';

/** A state that can be gone back to. */
interface Step extends HistoryStep<TrialDocument> {
  /** Edits of one gesture, such as a drag, are one step. */
  readonly gesture: string | null;
}

/** What a change would come to. */
export interface TrialPreview {
  readonly remedy: Remedy;
  readonly compiled: CompiledTrial;
  readonly report: Report;
}

/** Everything that a trial is worked on with. */
export interface TrialState {
  readonly id: string;
  readonly trial: TrialDocument;
  readonly compiled: CompiledTrial;
  readonly report: Report;
  /** The report is still that of a moment ago. */
  readonly checking: boolean;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly save: SaveState<StoredTrial>;
  readonly unit: DisplayUnit;
  /** Id of the selected part in the document. */
  readonly selected: string | null;
  readonly finding: number | null;
  readonly preview: TrialPreview | null;
  /** Whether the board is looked at from below. */
  readonly below: boolean;
  readonly whole: Quadrant | null;
  readonly fourth: 'title' | 'turn';
  readonly look: Look;
  /** Wishes so far to see the whole board. */
  readonly fits: number;
  /** How far an arrow key moves a part, and what a dragged one keeps to, as typed. */
  readonly step: string;
  /** What a dragged part keeps to. */
  readonly guides: readonly Guide[];
  readonly ledgerOpen: boolean;
  /** Why what was wished was not done. */
  readonly refusal: string | null;
  readonly models: ReadonlyMap<string, LoadedModel | null>;
  set: (part: Partial<TrialState>) => void;
  edit: (edits: readonly Edit[], words: string, gesture?: string) => void;
  undo: () => void;
  redo: () => void;
  abandon: (gesture: string) => boolean;
  flush: () => Promise<void>;
  setPreview: (remedy: Remedy | null) => void;
  giveModel: (key: string, model: LoadedModel | null) => void;
  /** Takes the other tab's state, or writes this one over it. */
  resolve: (keep: 'mine' | 'theirs') => void;
}

/** Steps of undo that are held. */
const DEPTH = 300;
/** Checking follows a change by this, ms: what is dragged is drawn first. */
const CHECK_AFTER = 90;

/** The state of one trial, saved as it changes. */
export function createTrial(stored: StoredTrial, kept: KeptHistory | null) {
  const { id, revision, updatedAt } = stored;
  const draft = keptDraft<TrialDocument>(id);
  const trial = draft?.document ?? stored.trial;
  return createStore<TrialState>((set, get) => {
    const models = (key: string): LoadedModel | null => get()?.models.get(key) ?? null;
    const autosave: Autosave<TrialDocument, StoredTrial> = new Autosave<TrialDocument, StoredTrial>(
      revision,
      (next, onto) => {
        const { trial: shown, past, future } = get();
        return trials.save(id, next, onto, next === shown ? keptHistory(next, { past, future }) : null);
      },
      (save) => {
        set({ save });
        if (isUnsaved(save)) keepDraft(id, { revision: autosave.current, document: get().trial });
        else if (save.kind !== 'pending') dropDraft(id);
      },
    );
    let later: ReturnType<typeof setTimeout> | undefined;
    const settle = () => {
      const { compiled, checking } = get();
      if (checking) set({ report: checkTrial(compiled), checking: false });
    };
    const show = (next: TrialDocument) => {
      clearTimeout(later);
      const compiled = compileTrial(next, models);
      const { selected } = get();
      const isThere = compiled.read.some((part) => part.id === selected);
      set({ trial: next, compiled, checking: true, preview: null, selected: isThere ? selected : null });
      later = setTimeout(settle, CHECK_AFTER);
    };
    const change = (next: TrialDocument) => {
      show(next);
      if (isUnsaved(get().save)) keepDraft(id, { revision: autosave.current, document: next });
      autosave.change(next);
    };
    // what could not be read again from its own file is not taken in
    let whyNot: ((trial: TrialDocument) => string | null) | null = null;
    import('../../core/document/read-trial').then(
      ({ whyNotKept }) => (whyNot = whyNotKept),
      () => undefined,
    );
    const steps = (some: readonly HistoryStep<TrialDocument>[]) =>
      some.map((step): Step => ({ ...step, gesture: null }));
    const opened = kept && !draft ? openHistory(trial, kept) : { past: [], future: [] };
    const compiled = compileTrial(trial);
    let save: SaveState<StoredTrial> = { kind: 'saved', revision, at: updatedAt };
    if (draft?.revision === revision) queueMicrotask(() => autosave.change(trial));
    else if (draft) {
      // somebody else saved since: the person chooses
      save = { kind: 'conflict', theirs: stored };
      autosave.halt(trial);
    }
    return {
      id,
      trial,
      compiled,
      report: checkTrial(compiled),
      checking: false,
      past: steps(opened.past),
      future: steps(opened.future),
      save,
      unit: keptUnit(id) ?? trial.unit ?? 'mm',
      selected: null,
      finding: null,
      preview: null,
      below: false,
      whole: null,
      fourth: 'title',
      look: { from: 'corner', count: 0 },
      fits: 0,
      step: '0.5',
      guides: [],
      ledgerOpen: false,
      refusal: null,
      models: new Map(),
      set(part) {
        const { unit: before, step } = get();
        if (!part.unit || part.unit === before) return set(part);
        keepUnit(id, part.unit);
        // the step stays what it was: it says its unit where that is not the one shown
        set({ ...part, step: shownEntry(keptEntry(step, before, 'mm'), part.unit, 'mm') });
      },
      edit(edits, words, gesture) {
        const { trial: before, past } = get();
        const next = applyEdits(before, edits);
        if (JSON.stringify(next) === JSON.stringify(before)) return;
        const refusal = whyNot?.(next) ?? null;
        if (refusal !== null && whyNot?.(before) === null) return set({ refusal });
        set({ refusal: null });
        const goesOn = gesture !== undefined && past.at(-1)?.gesture === gesture;
        const step: Step = { document: before, words, gesture: gesture ?? null };
        set({ past: goesOn ? past : [...past, step].slice(-DEPTH), future: [] });
        change(next);
      },
      undo() {
        const { past, future, trial: current } = get();
        const last = past.at(-1);
        if (!last) return;
        const step: Step = { document: current, words: last.words, gesture: null };
        set({ past: past.slice(0, -1), future: [step, ...future] });
        change(last.document);
      },
      redo() {
        const { past, future, trial: current } = get();
        const [next, ...rest] = future;
        if (!next) return;
        const step: Step = { document: current, words: next.words, gesture: null };
        set({ past: [...past, step], future: rest });
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
      setPreview(remedy) {
        if (!remedy) return set({ preview: null });
        const compiled = compileTrial(applyEdits(get().trial, remedy.edits), models);
        set({ preview: { remedy, compiled, report: checkTrial(compiled) } });
      },
      giveModel(key, model) {
        set({ models: new Map(get().models).set(key, model) });
        show(get().trial);
      },
      resolve(keep) {
        const { save, trial: mine } = get();
        if (save.kind !== 'conflict') return;
        if (keep === 'mine') return autosave.resume(save.theirs.revision, mine);
        set({ past: [], future: [] });
        show(save.theirs.trial);
        autosave.resume(save.theirs.revision, null);
      },
    };
  });
}

export type TrialStore = ReturnType<typeof createTrial>;

/** The trial that a component belongs to. */
export const TrialContext = createContext<TrialStore | null>(null);

/** Reads a part of the trial's state; the component follows its changes. */
export function useTrial<T>(select: (state: TrialState) => T): T {
  return useStore(useTrialStore(), select);
}

export function useTrialStore(): TrialStore {
  const store = useContext(TrialContext);
  if (!store) throw new Error('a part of Trial stands outside of a trial');
  return store;
}
