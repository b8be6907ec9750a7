import { navigate } from 'wouter/use-browser-location';
import { LEVELS } from '../../core/document/document';
import { STAGE_NAMES } from '../state/stages';
import type { BenchState } from '../state/bench';

/** Something a person can do on the Bench, by name or by key. */
export interface Command {
  readonly name: string;
  /** Key outside of fields, in tinykeys' notation; shown to the person as `shown`. */
  readonly key?: string;
  readonly shown?: string;
  /** Whether the key works while typing in a field too. */
  readonly inFields?: boolean;
  readonly run: (state: BenchState) => void;
}

/** All commands of the Bench. To add one, list it here. */
export const COMMANDS: readonly Command[] = [
  ...STAGE_NAMES.map(([stage, name], i): Command => ({
    name: `Go to ${name}`,
    key: String(i + 1),
    shown: String(i + 1),
    run: (s) => s.set({ stage }),
  })),
  { name: 'Undo', key: '$mod+KeyZ', shown: 'Ctrl Z', inFields: true, run: (s) => s.undo() },
  { name: 'Redo', key: '$mod+Shift+KeyZ', shown: 'Ctrl Shift Z', inFields: true, run: (s) => s.redo() },
  ...LEVELS.map((level): Command => ({
    name: `Density level ${level}`,
    key: `Shift+Key${level}`,
    shown: `Shift ${level}`,
    run: (s) => s.edit([{ at: '/level', value: level }]),
  })),
  {
    name: 'Show mm or mil',
    key: 'KeyU',
    shown: 'U',
    run: (s) => s.set({ unit: s.unit === 'mm' ? 'mil' : 'mm' }),
  },
  {
    name: 'Fit the drawing',
    key: 'KeyF',
    shown: 'F',
    run: (s) => s.set({ fits: s.fits + 1 }),
  },
  {
    name: 'Show all views or the plan alone',
    key: 'KeyP',
    shown: 'P',
    run: (s) => s.set({ whole: s.whole ? null : 'plan' }),
  },
  {
    name: 'Turn the body in 3D or show the title block',
    key: 'KeyT',
    shown: 'T',
    run: (s) => s.set({ fourth: s.fourth === 'title' ? 'turn' : 'title', whole: null }),
  },
  { name: 'Next land', key: 'KeyN', shown: 'N', run: (s) => stepLand(s, 1) },
  { name: 'Previous land', key: 'Shift+KeyN', shown: 'Shift N', run: (s) => stepLand(s, -1) },
  {
    name: 'Next finding',
    key: 'KeyX',
    shown: 'X',
    run: (s) => {
      const count = s.derived.report.findings.length;
      if (count > 0) s.openFinding(((s.selectedFinding ?? -1) + 1) % count);
    },
  },
  {
    name: 'Paper or lamp theme',
    key: 'KeyL',
    shown: 'L',
    run: () => {
      const root = document.documentElement;
      const next = root.dataset['theme'] === 'lamp' ? 'paper' : 'lamp';
      root.dataset['theme'] = next;
      localStorage.setItem('tapis-theme', next);
    },
  },
  { name: 'Go to the Shelf', run: () => navigate('/') },
];

function stepLand(state: BenchState, by: 1 | -1): void {
  const count = state.derived.shown?.drawable.footprint.lands.length ?? 0;
  if (count === 0) return;
  const from = state.selectedLand ?? (by === 1 ? -1 : 0);
  state.set({ selectedLand: (from + by + count) % count });
}
