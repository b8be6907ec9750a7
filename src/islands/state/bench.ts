import { createStore } from 'zustand/vanilla';
import type { PinNames } from '../../core/drawing/pin-names';
import type { Hideable } from '../../core/drawing/showing';
import type { LoadedModel } from '../../core/body/loaded';
import { displayUnitOf, type TapisDocument } from '../../core/document/document';
import { applyEdits, pointerKey, type Edit } from '../../core/document/edit';
import { placesWords } from '../../core/document/edit-words';
import { keptHistory, openHistory, type HistoryStep, type KeptHistory } from '../../core/document/history';
import type { Finding, Remedy, Stage } from '../../core/document/finding';
import { noModels, type ModelSource } from '../../core/footprint/imported';
import type { DocumentProblem } from '../../core/document/read';
import { carriedProcess } from '../../core/document/process-file';
import type { Process } from '../../core/process/process';
import type { Point } from '../../core/geometry/point';
import type { DisplayUnit } from '../../core/units/length';
import type { Result } from '../../core/units/result';
import { Autosave, isUnsaved, type SaveState } from '../../store/autosave';
import type { StoredFootprint } from '../../store/database';
import { keepUnit, keptUnit } from './display-unit';
import { keepLetters, keptLetters } from './letters';
import { dropDraft, keepDraft, keptDraft } from './draft';
import { revisions, shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import type { ProcessChange } from '../ledger/view';
import type { Quadrant } from '../sheet/layout';
import type { Standpoint } from '../turn/looks';
import { checked, derive, deriveAtOnce, loadRules, rulesAreThere, type Derived } from './derive';
import { isMakerThere, loadMakerOf } from './makers';
import { watchOtherTabs, watchPage } from './tabs';

/** A remedy's effect, shown before it is taken. */
export interface Preview {
  readonly remedy: Remedy;
  readonly derived: Derived;
}

interface Step extends HistoryStep {
  /** Changes of one gesture, such as typing in one field, are undone together. */
  readonly gesture: string | null;
  /** The number that was next while numbers were given. */
  readonly counting: number | null;
}

/** Moves pieces of a composed package; there while its pieces are shown. */
export interface PieceMover {
  /** Takes hold of the piece at a point of the plan; told how far it is moved, mm, and within which reach it snaps. */
  readonly hold: (point: Point) => ((by: Point, reach: number) => void) | null;
  /** Moves the opened piece by a step. */
  readonly nudge: (way: Point) => void;
}

/** A datasheet that is to be read: pasted, brought as a file, or kept with the footprint. */
export type SourceWish =
  | { readonly kind: 'none' }
  | { readonly kind: 'pasted'; readonly text: string; readonly html: string }
  | { readonly kind: 'file'; readonly file: File }
  | {
      readonly kind: 'kept';
      /** Id of one of the document's sources. */
      readonly id: string;
      readonly page: number;
      /** Symbol of the dimension whose place is looked at. */
      readonly symbol: string | null;
    };

export interface BenchState {
  readonly id: string;
  readonly document: TapisDocument;
  readonly derived: Derived;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** Number of the approved revision that it is, which is not changed; `null` while it can be. */
  readonly locked: number | null;
  readonly save: SaveState;
  readonly stage: Stage;
  readonly unit: DisplayUnit;
  /** Whether dimensions are called as in the datasheet. */
  readonly letters: boolean;
  /** Symbol of the dimension that is being edited or pointed at. */
  readonly activeDimension: string | null;
  /** Index of the selected land. */
  readonly selectedLand: number | null;
  readonly selectedFinding: number | null;
  /** Id of the piece that is opened, and whether one is being added. */
  readonly piece: string | null;
  readonly addingPiece: boolean;
  /** Whether the pieces of a family of one's own are unfolded. */
  readonly piecesOpen: boolean;
  /** The step that a piece is moved by, mm, and what is said of it while it is moved. */
  readonly pieceStep: number;
  readonly moving: string | null;
  readonly mover: PieceMover | null;
  readonly whole: Quadrant | null;
  readonly fourth: 'title' | 'turn';
  readonly preview: Preview | null;
  /** Why the last change was not taken, in words. */
  readonly refusal: string | null;
  readonly commandsOpen: boolean;
  /** Whether the Ledger is drawn out, where it is a drawer. */
  readonly ledgerOpen: boolean;
  /** The number that the next pressed land gets; `null` while pressing only selects. */
  readonly counting: number | null;
  /** What the last change of the process changed in the footprint. */
  readonly change: ProcessChange | null;
  /** Imported models that are at hand by their key; `null` where this browser does not have the file. */
  readonly models: ReadonlyMap<string, LoadedModel | null>;
  readonly giveModel: (key: string, loaded: LoadedModel | null) => void;
  /** What is left out of elevations and the 3D view. */
  readonly hidden: ReadonlySet<Hideable>;
  /** Whether the pin table takes the column of Mark, which is wider then. */
  readonly pinsOpen: boolean;
  /** Where the names of pins stand at Mark. */
  readonly pinNames: PinNames;
  /** Wishes so far to see the whole drawing again. */
  readonly fits: number;
  /** A list of pins that was read from a datasheet and waits at the pin table. */
  readonly pinText: string | null;
  /** The datasheet beside the drawing; `null` while it is put away. */
  readonly source: SourceWish | null;
  /** A file that was dropped onto the Bench and waits to be opened. */
  readonly dropped: File | null;
  /** From where the 3D view looks; the count tells one wish from the next. */
  readonly standpoint: { readonly from: Standpoint; readonly count: number };
  readonly edit: (edits: readonly Edit[], gesture?: string) => void;
  /** Writes what is waiting now. */
  readonly flush: () => Promise<void>;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Takes back an unfinished gesture, as Escape does in a field; says whether there was one. */
  readonly abandon: (gesture: string) => boolean;
  /** Selects a land, and numbers it while numbers are being given. */
  readonly pressLand: (index: number | null) => void;
  readonly chooseProcess: (process: Process) => void;
  readonly setPreview: (remedy: Remedy | null) => void;
  readonly openFinding: (index: number) => void;
  /** Saves when the page is left and takes over what other tabs saved, until it is called back. */
  readonly watch: () => () => void;
  readonly resolveConflict: (keep: 'mine' | 'theirs' | 'both') => Promise<void>;
  /** Goes on from an approved revision. */
  readonly goOn: () => Promise<void>;
  /** Takes a footprint that another tab has deleted back onto the Shelf. */
  readonly takeBack: () => Promise<void>;
  readonly set: (
    part: Partial<
      Pick<
        BenchState,
        | 'stage'
        | 'unit'
        | 'letters'
        | 'activeDimension'
        | 'selectedLand'
        | 'selectedFinding'
        | 'piece'
        | 'addingPiece'
        | 'piecesOpen'
        | 'pieceStep'
        | 'moving'
        | 'mover'
        | 'whole'
        | 'fourth'
        | 'commandsOpen'
        | 'ledgerOpen'
        | 'counting'
        | 'change'
        | 'hidden'
        | 'pinsOpen'
        | 'pinNames'
        | 'standpoint'
        | 'fits'
        | 'dropped'
        | 'source'
        | 'pinText'
        | 'refusal'
        | 'locked'
      >
    >,
  ) => void;
}

/** Undo steps kept; older ones are forgotten. */
const DEPTH = 500;

/** A check that follows the drawing waits this long for the next key. ms */
const CHECK_AFTER = 120;

/** `null` until it is loaded: a change that comes before is not held to it. */
let openValue: ((value: unknown) => Result<TapisDocument, DocumentProblem[]>) | null = null;

/** Loads what tells whether a change could be read again from a file. */
export async function loadReader(): Promise<void> {
  ({ openValue } = await import('../../core/footprint/open'));
}

/** Who writes each footprint of this page; also after its Bench was left, until all is written. */
const writing = new Map<string, Autosave>();

/** The revision of what is stored no more. */
const REMOVED = -1;

/**
 * What this tab still holds of a footprint that was removed for good while its changes could not be written;
 * `null` where it holds nothing.
 */
export function removedFootprint(id: string): StoredFootprint | null {
  const draft = keptDraft(id);
  return (
    draft && { id, document: draft.document, revision: REMOVED, createdAt: 0, updatedAt: 0, binnedAt: 0 }
  );
}

/** Makes the state of a Bench for one stored footprint, once what draws it is loaded; `null` where that fails. */
export async function openBench(
  stored: StoredFootprint,
  kept: KeptHistory | null,
): Promise<BenchStore | null> {
  const isThere = await loadMakerOf(keptDraft(stored.id)?.document ?? stored.document).then(
    () => true,
    () => false,
  );
  return isThere ? createBench(stored, kept) : null;
}

/** Makes the state of a Bench for one stored footprint, whose family is loaded. */
export function createBench(stored: StoredFootprint, kept: KeptHistory | null = null) {
  const { id, revision, updatedAt } = stored;
  // changes of this tab that could not be written before it was reloaded
  const draft = keptDraft(id);
  const document = draft?.document ?? stored.document;
  const store = createStore<BenchState>((set, get) => {
    const autosave = new Autosave(
      revision,
      (doc, onto) => {
        const { document: shown, past, future } = get();
        // what can be undone is kept with the state that it leads from
        const history = doc === shown ? keptHistory(doc, { past, future }) : null;
        return shelf.save(id, doc, onto, history);
      },
      (save) => tell(save),
    );
    /** What is in this tab only is kept for it. */
    const tell = (save: SaveState) => {
      set({ save });
      if (isUnsaved(save)) keepDraft(id, { revision: autosave.current, document: get().document });
      else if (save.kind !== 'pending') dropDraft(id);
    };
    // one that was left while it could not write gives way: its draft is taken up here
    writing.get(id)?.retire();
    writing.set(id, autosave);
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
    const change = (next: TapisDocument) => {
      show(next);
      if (isUnsaved(get().save)) keepDraft(id, { revision: autosave.current, document: next });
      autosave.change(next);
    };
    /** A step takes the count along, while numbers are being given. */
    const nextOf = ({ counting }: Step) => (get().counting !== null && counting !== null ? { counting } : {});
    const takeOver = ({ document: theirs, revision: onto, locked }: StoredFootprint) => {
      show(theirs);
      set({ past: [], future: [], locked: locked ?? null });
      autosave.resume(onto, null);
    };
    let save: SaveState = { kind: 'saved', revision, at: updatedAt };
    if (draft && draft.revision === revision) queueMicrotask(() => autosave.change(document));
    else if (draft) {
      save = stored.revision === REMOVED ? { kind: 'gone' } : { kind: 'conflict', theirs: stored };
      autosave.halt(document);
    }
    /** What is approved is not changed; says so where it was wished. */
    const isLocked = () => {
      const { locked } = get();
      if (locked === null) return false;
      set({
        refusal: `revision ${locked} is approved and stays as it is. Go on with the next to change it.`,
      });
      return true;
    };
    const { past, future } =
      kept && document === stored.document ? openHistory(document, kept) : { past: [], future: [] };
    const asSteps = (steps: readonly HistoryStep[]) =>
      steps.map((step): Step => ({ ...step, gesture: null, counting: null }));
    return {
      id,
      document,
      derived: derive(document, null, noModels),
      past: asSteps(past),
      future: asSteps(future),
      locked: stored.locked ?? null,
      save,
      stage: 'measure',
      unit: keptUnit(id) ?? displayUnitOf(document),
      letters: keptLetters(id),
      activeDimension: null,
      piece: null,
      addingPiece: false,
      piecesOpen: false,
      pieceStep: 0.05,
      moving: null,
      mover: null,
      selectedLand: null,
      selectedFinding: null,
      whole: null,
      fourth: 'title',
      preview: null,
      refusal: null,
      commandsOpen: false,
      ledgerOpen: false,
      counting: null,
      change: null,
      models: new Map(),
      hidden: new Set(),
      pinsOpen: false,
      pinNames: 'on',
      standpoint: { from: 'corner', count: 0 },
      dropped: null,
      source: null,
      pinText: null,
      fits: 0,
      giveModel(key, loaded) {
        set({ models: new Map(get().models).set(key, loaded) });
        if (get().document.body?.model?.key === key) show(get().document);
      },
      set(part) {
        if (part.unit) keepUnit(id, part.unit);
        if (part.letters !== undefined) keepLetters(id, part.letters);
        set(part);
      },
      edit(edits, gesture) {
        const { document: before, past } = get();
        const next = applyEdits(before, edits);
        if (JSON.stringify(next) === JSON.stringify(before) || isLocked()) return;
        // what could not be read again from its own file is not taken in either
        const read = openValue?.(next);
        if (read?.ok === false && openValue?.(before).ok)
          return set({ refusal: read.error[0]?.message ?? 'This cannot be kept.' });
        set({ refusal: null });
        const goesOn = gesture !== undefined && past.at(-1)?.gesture === gesture;
        const words = placesWords(edits.map(({ at }) => at));
        const step = { document: before, words, gesture: gesture ?? null, counting: get().counting };
        set({ past: goesOn ? past : [...past, step].slice(-DEPTH), future: [] });
        change(next);
      },
      flush: () => autosave.flush(),
      undo() {
        const { past, future, document: current, counting } = get();
        const last = past.at(-1);
        if (!last || isLocked()) return;
        const step = { document: current, words: last.words, gesture: null, counting };
        set({ past: past.slice(0, -1), future: [step, ...future], change: null, ...nextOf(last) });
        change(last.document);
      },
      redo() {
        const { past, future, document: current, counting } = get();
        const [next, ...rest] = future;
        if (!next || isLocked()) return;
        const step = { document: current, words: next.words, gesture: null, counting };
        set({ past: [...past, step], future: rest, change: null, ...nextOf(next) });
        change(next.document);
      },
      abandon(gesture) {
        const last = get().past.at(-1);
        if (last?.gesture !== gesture) return false;
        set({ past: get().past.slice(0, -1) });
        change(last.document);
        return true;
      },
      pressLand(index) {
        const { counting, derived } = get();
        const land = index === null ? undefined : derived.shown?.drawable.footprint.lands[index];
        if (counting !== null && land) {
          get().edit([{ at: `/overrides/numbers/${pointerKey(land.id)}`, value: String(counting) }]);
          set({ counting: counting + 1 });
        }
        set({ selectedLand: index });
      },
      chooseProcess(process) {
        if (!rulesAreThere()) return void loadRules().then(() => get().chooseProcess(process));
        settle();
        const { derived: before, document: current } = get();
        const own = carriedProcess(process);
        get().edit([
          { at: '/process', value: process.id },
          { at: '/ownProcess', value: own },
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
      },
      setPreview(remedy) {
        const { document: current, derived } = get();
        if (!remedy) return set({ preview: null });
        const after = applyEdits(current, remedy.edits);
        if (isMakerThere(after)) set({ preview: { remedy, derived: derive(after, derived, modelAtHand) } });
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
      watch() {
        // the rules are loaded once the Sheet is drawn
        requestAnimationFrame(() => setTimeout(settle));
        const stop = new AbortController();
        watchPage(autosave, stop.signal);
        watchOtherTabs(id, autosave, stop.signal, (theirs) => {
          if (theirs === null) tell({ kind: 'gone' });
          else if (theirs.binnedAt > 0) tell({ kind: 'binned' });
          else if (theirs.revision > autosave.current) takeOver(theirs);
          else if (get().save.kind === 'binned') autosave.resume(theirs.revision, null);
          if (theirs && (theirs.locked ?? null) !== get().locked) set({ locked: theirs.locked ?? null });
        });
        return () => {
          stop.abort();
          void autosave.flush();
        };
      },
      async goOn() {
        await revisions.goOn(id);
        set({ locked: null, refusal: null });
        // a variant takes up what changed in its original meanwhile
        const stored = await shelf.get(id);
        if (stored && stored.revision > autosave.current) takeOver(stored);
      },
      async takeBack() {
        const { save, document: mine } = get();
        if (save.kind === 'gone') autosave.resume((await shelf.keepAgain(id, mine)).revision, null);
        if (save.kind !== 'binned') return;
        await shelf.restore(id);
        autosave.resume(autosave.current, null);
      },
      async resolveConflict(keep) {
        const { save, document: mine } = get();
        if (save.kind !== 'conflict') return;
        const { theirs } = save;
        if (keep === 'both') await shelf.add([{ ...mine, name: `${mine.name} (my tab)`.slice(0, 120) }]);
        if (keep === 'mine') return autosave.resume(theirs.revision, mine);
        takeOver(theirs);
      },
    };
  });
  return store;
}

export type BenchStore = ReturnType<typeof createBench>;

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
