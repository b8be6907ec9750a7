import { createContext, useContext } from 'react';
import { createStore, useStore, type StoreApi } from 'zustand';
import type { Report } from '../../core/check/check';
import type { LoadedModel } from '../../core/body/loaded';
import { applyEdits } from '../../core/document/edit';
import type { Remedy } from '../../core/document/finding';
import type { KeptHistory } from '../../core/document/history';
import { placesWords, tableWords } from '../../core/document/edit-words';
import { TRIAL, type TrialDocument } from '../../core/document/trial';
import { checkTrial } from '../../core/trial/check';
import { compileTrial } from '../../core/trial/compile';
import type { Guide } from '../../core/trial/snap';
import type { CompiledTrial } from '../../core/trial/trial';
import type { DisplayUnit } from '../../core/units/length';
import type { StoredTrial } from '../../store/database';
import { trials } from '../common/shelf-store';
import type { Quadrant } from '../sheet/layout';
import { keepUnit, keptUnit } from '../state/display-unit';
import type { FieldHost } from '../state/fields';
import { workplace, type DocumentKind, type Workplace } from '../state/workplace';
import { keptEntry, shownEntry } from '../fields/units';
import type { Look } from '../turn/looks';

/** What a change would come to. */
export interface TrialPreview {
  readonly remedy: Remedy;
  readonly compiled: CompiledTrial;
  readonly report: Report;
}

/** How a trial is looked at: nothing of it is in the document. */
interface TrialView {
  readonly unit: DisplayUnit;
  /** Id of the selected part in the document. */
  readonly selected: string | null;
  readonly finding: number | null;
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
  /** The ruler with what it is laid between; `null` while it is put away. */
  readonly ruler: { readonly from: string | null; readonly to: string | null } | null;
}

/** One trial that is worked on: its document, what follows from it, and how it is looked at. */
export interface TrialState extends Workplace<TrialDocument, StoredTrial>, TrialView {
  readonly compiled: CompiledTrial;
  readonly report: Report;
  /** The report is still that of a moment ago. */
  readonly checking: boolean;
  readonly preview: TrialPreview | null;
  readonly models: ReadonlyMap<string, LoadedModel | null>;
  readonly set: (part: Partial<TrialView> & Partial<Pick<TrialState, 'refusal'>>) => void;
  readonly setPreview: (remedy: Remedy | null) => void;
  readonly giveModel: (key: string, model: LoadedModel | null) => void;
}

export type TrialStore = StoreApi<TrialState>;

/** Checking follows a change by this, ms: what is dragged is drawn first. */
const CHECK_AFTER = 90;

/** `null` until it is loaded: a change that comes before is not held to it. */
let whyNotKept: ((trial: TrialDocument) => string | null) | null = null;

/** Loads what tells whether a change could be read again from a file. */
export async function loadTrialReader(): Promise<void> {
  ({ whyNotKept } = await import('../../core/document/read-trial'));
}

const TRIALS: DocumentKind<TrialDocument, StoredTrial> = {
  keeper: trials,
  wordsOf: (places) => placesWords(places, 3, (at) => tableWords(TRIAL, at)),
  whyNotKept: (trial) => whyNotKept?.(trial) ?? null,
};

/** The state of one trial, saved as it changes. */
export function createTrial(stored: StoredTrial, kept: KeptHistory | null): TrialStore {
  return createStore<TrialState>((set, get) => {
    const models = (key: string): LoadedModel | null => get()?.models.get(key) ?? null;
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
      set({ document: next, compiled, checking: true, preview: null, selected: isThere ? selected : null });
      later = setTimeout(settle, CHECK_AFTER);
    };
    const work = workplace(TRIALS, stored, kept, { get, set, show });
    const compiled = compileTrial(work.document);
    return {
      ...work,
      ...openedView(work.document, stored.id),
      compiled,
      report: checkTrial(compiled),
      checking: false,
      preview: null,
      models: new Map(),
      set(part) {
        const { unit: before, step } = get();
        if (!part.unit || part.unit === before) return set(part);
        keepUnit(stored.id, part.unit);
        // the step stays what it was: it says its unit where that is not the one shown
        set({ ...part, step: shownEntry(keptEntry(step, before, 'mm'), part.unit, 'mm') });
      },
      setPreview(remedy) {
        if (!remedy) return set({ preview: null });
        const after = compileTrial(applyEdits(get().document, remedy.edits), models);
        set({ preview: { remedy, compiled: after, report: checkTrial(after) } });
      },
      giveModel(key, model) {
        set({ models: new Map(get().models).set(key, model) });
        show(get().document);
      },
    };
  });
}

function openedView({ unit = 'mm' }: TrialDocument, id: string): TrialView {
  return {
    unit: keptUnit(id) ?? unit,
    selected: null,
    finding: null,
    below: false,
    whole: null,
    fourth: 'title',
    look: { from: 'corner', count: 0 },
    fits: 0,
    ruler: null,
    step: '0.5',
    guides: [],
    ledgerOpen: false,
  };
}

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

/** What a trial tells its fields. */
export function trialFields(store: TrialStore): FieldHost {
  return {
    store,
    table: TRIAL,
    readsAt: () => ({ unit: store.getState().document.unit ?? 'mm', asTyped: false }),
    faultAt: (at) => store.getState().compiled.problems.find(({ place }) => place.field === at)?.message,
  };
}
