import { createStore, type StoreApi } from 'zustand/vanilla';
import type { LoadedModel } from '../../core/body/loaded';
import type { TapisDocument } from '../../core/document/document';
import { applyEdits, pointerKey } from '../../core/document/edit';
import { placesWords } from '../../core/document/edit-words';
import type { Finding, Remedy } from '../../core/document/finding';
import type { KeptHistory } from '../../core/document/history';
import { carriedProcess } from '../../core/document/process-file';
import type { DocumentProblem } from '../../core/document/read';
import { noModels, type ModelSource } from '../../core/footprint/imported';
import type { Process } from '../../core/process/process';
import type { Result } from '../../core/units/result';
import type { StoredFootprint } from '../../store/database';
import { revisions, shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { openedView, type BenchView, type ModelsAtHand } from './bench-view';
import { checked, derive, deriveAtOnce, loadRules, rulesAreThere, type Derived } from './derive';
import { keepUnit } from './display-unit';
import { keepLetters } from './letters';
import { isMakerThere, loadMakerOf } from './makers';
import { documentToOpen, workplace, type DocumentKind, type Workplace } from './workplace';

/** A remedy's effect, shown before it is taken. */
export interface Preview {
  readonly remedy: Remedy;
  readonly derived: Derived;
}

/** One footprint that is worked on: its document, what follows from it, and how it is looked at. */
export interface BenchState extends Workplace<TapisDocument, StoredFootprint>, BenchView {
  readonly derived: Derived;
  readonly preview: Preview | null;
  readonly models: ModelsAtHand;
  readonly giveModel: (key: string, loaded: LoadedModel | null) => void;
  /** Selects a land, and numbers it while numbers are being given. */
  readonly pressLand: (index: number | null) => void;
  readonly chooseProcess: (process: Process) => void;
  readonly setPreview: (remedy: Remedy | null) => void;
  readonly openFinding: (index: number) => void;
  /** Goes on from an approved revision. */
  readonly goOn: () => Promise<void>;
  readonly set: (part: Partial<BenchView> & Partial<Pick<BenchState, 'refusal' | 'locked'>>) => void;
}

export type BenchStore = StoreApi<BenchState>;

/** A check that follows the drawing waits this long for the next key. ms */
const CHECK_AFTER = 120;

/** `null` until it is loaded: a change that comes before is not held to it. */
let openValue: ((value: unknown) => Result<TapisDocument, DocumentProblem[]>) | null = null;

/** Loads what tells whether a change could be read again from a file. */
export async function loadReader(): Promise<void> {
  ({ openValue } = await import('../../core/footprint/open'));
}

const FOOTPRINTS: DocumentKind<TapisDocument, StoredFootprint> = {
  keeper: shelf,
  lockOf: ({ locked }) => locked ?? null,
  wordsOf: (places) => placesWords(places),
  whyNotKept(document) {
    const read = openValue?.(document);
    return read?.ok === false ? (read.error[0]?.message ?? 'This cannot be kept.') : null;
  },
};

/** Makes the state of a Bench for one stored footprint, once what draws it is loaded; `null` where that fails. */
export async function openBench(
  stored: StoredFootprint,
  kept: KeptHistory | null,
): Promise<BenchStore | null> {
  const isThere = await loadMakerOf(documentToOpen(stored)).then(
    () => true,
    () => false,
  );
  return isThere ? createBench(stored, kept) : null;
}

/** Makes the state of a Bench for one stored footprint, whose family is loaded. */
export function createBench(stored: StoredFootprint, kept: KeptHistory | null = null): BenchStore {
  return createStore<BenchState>((set, get) => {
    const drawing = drawnIn(set, get);
    const work = workplace(FOOTPRINTS, stored, kept, {
      get,
      set,
      show: drawing.show,
      // a step takes the count along, while numbers are being given
      aside: () => get().counting,
      recall: (counting) =>
        set({
          change: null,
          ...(get().counting !== null && typeof counting === 'number' ? { counting } : {}),
        }),
    });
    return {
      ...work,
      ...openedView(stored.id, work.document),
      derived: derive(work.document, null, noModels),
      preview: null,
      models: new Map(),
      ...selecting(set, get),
      chooseProcess: (process) => chooseProcess(set, get, drawing.settle, process),
      giveModel(key, loaded) {
        set({ models: new Map(get().models).set(key, loaded) });
        if (get().document.body?.model?.key === key) drawing.show(get().document);
      },
      set(part) {
        if (part.unit) keepUnit(stored.id, part.unit);
        if (part.letters !== undefined) keepLetters(stored.id, part.letters);
        set(part);
      },
      setPreview(remedy) {
        const { document: current, derived } = get();
        if (!remedy) return set({ preview: null });
        const after = applyEdits(current, remedy.edits);
        if (isMakerThere(after))
          set({ preview: { remedy, derived: derive(after, derived, drawing.modelAtHand) } });
      },
      watch() {
        // the rules are loaded once the Sheet is drawn
        requestAnimationFrame(() => setTimeout(drawing.settle));
        return work.watch();
      },
      async goOn() {
        await revisions.goOn(stored.id);
        set({ locked: null, refusal: null });
        // a variant takes up what changed in its original meanwhile
        const now = await shelf.get(stored.id);
        if (now) work.takeOver(now);
      },
    };
  });
}

type Set = StoreApi<BenchState>['setState'];
type Get = StoreApi<BenchState>['getState'];

/** Draws and checks what is shown: at once where that is quick, a moment later where it is not. */
function drawnIn(set: Set, get: Get) {
  const modelAtHand: ModelSource = (key) => get()?.models.get(key) ?? null;
  let later: ReturnType<typeof setTimeout> | undefined;
  const show = (next: TapisDocument) => {
    clearTimeout(later);
    if (!isMakerThere(next)) return showLater(next);
    const derived = deriveAtOnce(next, get().derived, modelAtHand);
    set({ document: next, derived, preview: null, ...stillSelected(derived, get()) });
    if (derived.checking) later = setTimeout(settle, CHECK_AFTER);
  };
  /** What is drawn by a family that is not loaded yet is shown once that is there. */
  const showLater = (next: TapisDocument) => {
    set({ document: next, derived: { ...get().derived, checking: true }, preview: null });
    void attempt('Loading the package family', async () => {
      await loadMakerOf(next);
      if (get().document === next) show(next);
    });
  };
  /** Checks what was drawn and not checked yet. */
  const settle = () => {
    clearTimeout(later);
    if (!get().derived.checking || !isMakerThere(get().document)) return;
    if (!rulesAreThere()) return void loadRules().then(settle, () => {});
    const derived = checked(get().derived);
    set({ derived, ...stillSelected(derived, get()) });
  };
  return { show, settle, modelAtHand };
}

/** Lands and findings as they are pressed. */
function selecting(set: Set, get: Get): Pick<BenchState, 'pressLand' | 'openFinding'> {
  return {
    pressLand(index) {
      const { counting, derived } = get();
      const land = index === null ? undefined : derived.shown?.drawable.footprint.lands[index];
      if (counting !== null && land) {
        get().edit([{ at: `/overrides/numbers/${pointerKey(land.id)}`, value: String(counting) }]);
        set({ counting: counting + 1 });
      }
      set({ selectedLand: index });
    },
    openFinding(index) {
      const { derived } = get();
      const finding = derived.report.findings[index];
      if (!finding) return;
      set({
        selectedFinding: index,
        ledgerOpen: true,
        selectedLand: landOf(finding, derived) ?? get().selectedLand,
        activeDimension: finding.place.dimensions?.[0] ?? null,
      });
    },
  };
}

/** Takes another process, and says what that changed in the footprint. */
function chooseProcess(set: Set, get: Get, settle: () => void, process: Process): void {
  if (!rulesAreThere()) return void loadRules().then(() => get().chooseProcess(process));
  settle();
  const { derived: before, document: current } = get();
  get().edit([
    { at: '/process', value: process.id },
    { at: '/ownProcess', value: carriedProcess(process) },
  ]);
  if (get().document === current) return;
  settle();
  const { derived: after } = get();
  void import('../../core/compare/compare').then(({ compareCompiled }) =>
    set({
      ledgerOpen: true,
      change: {
        from: before.compiled.process.name,
        to: after.compiled.process.name,
        changes: compareCompiled(before, after),
      },
    }),
  );
}

/** What of a selection there still is. */
function stillSelected(
  { shown, report }: Derived,
  { selectedLand, selectedFinding }: Pick<BenchState, 'selectedLand' | 'selectedFinding'>,
) {
  const lands = shown?.drawable.footprint.lands.length ?? 0;
  return {
    selectedLand: selectedLand !== null && selectedLand < lands ? selectedLand : null,
    selectedFinding:
      selectedFinding !== null && selectedFinding < report.findings.length ? selectedFinding : null,
  };
}

function landOf({ place }: Finding, { shown }: Derived): number | null {
  const id = place.lands?.[0];
  const index = shown?.drawable.footprint.lands.findIndex((land) => land.id === id) ?? -1;
  return index >= 0 ? index : null;
}
