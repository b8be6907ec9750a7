import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { navigate } from 'wouter/use-browser-location';
import { duplicatePart, moveTo, removePart, toOtherSide, turnBy } from '../../core/trial/edits';
import { inText, walks } from '../common/typing';
import { useTrialStore, type TrialState } from './state';
import { stepOf } from './step';

/** A key of Trial: as tinykeys writes it, as a person sees it, and what it does. */
interface Key {
  readonly keys: readonly string[];
  readonly shown: string;
  readonly words: string;
  readonly inFields?: true;
  readonly run: (state: TrialState) => void;
}

let nudges = 0;
let nudged = { id: '', at: 0 };

/** Arrow keys that follow one another move a part in one step of undo. */
function nudge(state: TrialState, dx: number, dy: number): void {
  const { compiled, selected, step, unit, edit } = state;
  const by = stepOf(step, unit);
  const part = compiled.parts.find((one) => one.part === selected);
  if (!part || selected === null || by === null) return;
  const now = Date.now();
  if (nudged.id !== selected || now - nudged.at > 1500) nudges += 1;
  nudged = { id: selected, at: now };
  const { x, y } = part.placement.at;
  const mirrored = state.below ? -1 : 1;
  edit(
    moveTo(compiled, selected, { x: x + mirrored * dx * by, y: y + dy * by }),
    `nudge ${nudges}`,
    `move ${part.reference}`,
  );
}

const ofSelected = (act: (state: TrialState, id: string) => void) => (state: TrialState) => {
  if (state.selected !== null) act(state, state.selected);
};

function stepPart(state: TrialState, by: 1 | -1): void {
  const { read } = state.compiled;
  if (read.length === 0) return;
  const from = read.findIndex(({ id }) => id === state.selected);
  const next = read[(Math.max(from, by === 1 ? -1 : 0) + by + read.length) % read.length];
  state.set({ selected: next?.id ?? null });
}

/** By the letter that a keyboard produces; none needs Shift or AltGr. */
export const KEYS: readonly Key[] = [
  {
    keys: ['a'],
    shown: 'A',
    words: 'place a footprint',
    run: () => document.getElementById('add-part')?.focus(),
  },
  { keys: ['ArrowLeft'], shown: '←', words: 'move by the step', run: (s) => nudge(s, -1, 0) },
  { keys: ['ArrowRight'], shown: '→', words: 'the same', run: (s) => nudge(s, 1, 0) },
  { keys: ['ArrowUp'], shown: '↑', words: 'the same', run: (s) => nudge(s, 0, 1) },
  { keys: ['ArrowDown'], shown: '↓', words: 'the same', run: (s) => nudge(s, 0, -1) },
  {
    keys: ['r'],
    shown: 'R',
    words: 'turn by 90°',
    run: ofSelected((s, id) => s.edit(turnBy(s.compiled, id, 90), undefined, 'turn')),
  },
  {
    keys: ['o'],
    shown: 'O',
    words: 'to the other side',
    run: ofSelected((s, id) => s.edit(toOtherSide(s.compiled, id), undefined, 'to the other side')),
  },
  {
    keys: ['d'],
    shown: 'D',
    words: 'duplicate',
    run: ofSelected((s, id) => {
      const copy = duplicatePart(s.compiled, id);
      if (!copy) return;
      s.edit(copy.edits, undefined, 'duplicate');
      s.set({ selected: copy.id });
    }),
  },
  {
    keys: ['Delete'],
    shown: 'Delete',
    words: 'remove',
    run: ofSelected((s, id) => s.edit(removePart(s.document, id), undefined, 'remove')),
  },
  {
    keys: ['e'],
    shown: 'E',
    words: 'clear all texts',
    // the button says what was moved, and what is no longer printed
    run: () => document.getElementById('clear-texts')?.click(),
  },
  { keys: ['n'], shown: 'N', words: 'next part', run: (s) => stepPart(s, 1) },
  { keys: ['v'], shown: 'V', words: 'part before', run: (s) => stepPart(s, -1) },
  {
    keys: ['x'],
    shown: 'X',
    words: 'next finding',
    run(s) {
      const count = s.report.findings.length;
      if (count > 0) s.set({ finding: ((s.finding ?? -1) + 1) % count, ledgerOpen: true });
    },
  },
  {
    keys: ['b'],
    shown: 'B',
    words: 'look from below or from above',
    run: (s) =>
      s.set({ below: !s.below, look: { from: s.below ? 'above' : 'below', count: s.look.count + 1 } }),
  },
  {
    keys: ['m'],
    shown: 'M',
    words: 'lay the ruler, or put it away',
    run: (s) => s.set({ ruler: s.ruler ? null : { from: null, to: null } }),
  },
  { keys: ['f'], shown: 'F', words: 'fit the drawing', run: (s) => s.set({ fits: s.fits + 1 }) },
  {
    keys: ['p'],
    shown: 'P',
    words: 'the plan alone, or all views',
    run: (s) => s.set({ whole: s.whole ? null : 'plan' }),
  },
  {
    keys: ['t'],
    shown: 'T',
    words: '3D or the title block',
    run: (s) => s.set({ fourth: s.fourth === 'title' ? 'turn' : 'title', whole: null }),
  },
  {
    keys: ['u'],
    shown: 'U',
    words: 'mm or mil',
    run: (s) => s.set({ unit: s.unit === 'mm' ? 'mil' : 'mm' }),
  },
  { keys: ['$mod+z'], shown: 'Ctrl Z', words: 'undo', inFields: true, run: (s) => s.undo() },
  {
    keys: ['$mod+y', '$mod+Shift+z'],
    shown: 'Ctrl Y',
    words: 'do again',
    inFields: true,
    run: (s) => s.redo(),
  },
  { keys: ['s'], shown: 'S', words: 'go to the Shelf', run: () => navigate('/') },
];

/** Binds the keys of Trial while it is open. */
export function useTrialKeys(): void {
  const store = useTrialStore();
  useEffect(
    () =>
      tinykeys(
        window,
        Object.fromEntries(
          KEYS.flatMap(({ keys, inFields, run }) => {
            const act = (event: KeyboardEvent) => {
              if (document.querySelector('dialog[open]') || event.defaultPrevented) return;
              if (!inFields && (inText(event) || walks(event))) return;
              event.preventDefault();
              run(store.getState());
            };
            return keys.map((key) => [key, act]);
          }),
        ),
      ),
    [store],
  );
}
