import { useContext, useMemo } from 'react';
import type { SheetActions, SheetView } from '../sheet/view';
import { BenchContext, useBench } from '../state/context';
import type { Shown } from '../state/derive';
import { lettersOf } from '../state/letters';
import { standardTitle } from '../../core/standard/standard';
import { levelTitle } from '../state/levels';
import { useRevisionWords } from '../state/useRevisions';
import { sheetField } from './SheetField';
import { useRuler } from './useRuler';

/** What the Bench's Sheet shows, and what a person can do on it. */
export function useSheet(): { view: SheetView; actions: SheetActions } {
  const state = useBench((s) => s);
  const store = useContext(BenchContext);
  const revision = useRevisionWords();
  const { document, derived, stage, unit } = state;
  const { compiled, report, shown } = derived;
  const ruler = useRuler(shown?.drawable ?? null);
  const view: SheetView = {
    drawable: shown?.drawable ?? null,
    note: shown && noteOf(shown),
    stage,
    unit,
    letters: lettersOf(state),
    findings: report.findings,
    preview: state.preview?.derived.compiled.footprint ?? null,
    selectedLand: state.selectedLand,
    selectedFinding: state.selectedFinding,
    activeDimension: state.activeDimension,
    moving: state.moving,
    whole: state.whole,
    fourth: state.fourth,
    hidden: state.hidden,
    legendTexts: stage === 'mark' && !state.pinsOpen && state.pinNames !== 'beside',
    pinNames: stage === 'mark' ? state.pinNames : 'off',
    look: state.standpoint,
    fits: state.fits,
    overlay: ruler.overlay,
    panel: ruler.panel,
    ruler: {
      on: state.ruler !== null,
      toggle: () => state.set({ ruler: state.ruler ? null : { from: null, to: null } }),
    },
    title: [
      ['Footprint', document.name],
      ['Standard name', compiled.footprint?.standardName ?? 'not yet'],
      ['Level', levelTitle(compiled.standard, document.level)],
      ['Process', compiled.process.name],
      ...(compiled.standard.document ? ([['Standard', standardTitle(compiled.standard)]] as const) : []),
      ['Revision', revision],
    ],
  };
  const actions = useMemo(
    (): SheetActions => ({
      pressLand: (index) => store?.getState().pressLand(index),
      pointDimension: (symbol) => store?.getState().set({ activeDimension: symbol }),
      openFinding: (index) => store?.getState().openFinding(index),
      divide: (part) => store?.getState().set(part),
      drag: (edits, gesture) => store?.getState().edit(edits, gesture),
      hold: (point) => store?.getState().mover?.hold(point) ?? null,
      letGo: () => store?.getState().set({ moving: null }),
      field(symbol) {
        const now = store?.getState();
        return now?.derived.shown ? sheetField(now.stage, now.derived.shown.drawable, symbol) : null;
      },
    }),
    [store],
  );
  return { view, actions };
}

/** Why the drawing is not the footprint as it stands. */
function noteOf({ stand, filled }: Shown): string | null {
  if (stand === 'current') return null;
  return stand === 'last-good'
    ? 'This is the last good drawing; the Ledger says what cannot be used.'
    : `Drawn with example values for ${filled.join(', ')}.`;
}
