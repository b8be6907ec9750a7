import { askHelp } from '../common/help';
import { keepLook } from '../common/look';
import { navigate } from 'wouter/use-browser-location';
import { LEVELS } from '../../core/document/document';
import type { Format } from '../../core/format/format';
import { COMPOSED } from '../../core/document/own-family';
import { PROCESSES } from '../../core/process';
import { download } from '../common/download';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { aboutOf } from '../common/about';
import { keepRevision } from '../state/keep-revision';
import { STAGE_NAMES } from '../state/stages';
import { REVISION_STATES } from '../state/useRevisions';
import type { BenchState } from '../state/bench';
import { focusControl, STAGE_CONTROLS } from './stage-controls';

/** Something a person can do on the Bench, by name or by key. */
export interface Command {
  readonly name: string;
  /**
   * Keys outside of fields, in tinykeys' notation: by the letter that a keyboard produces, and digits by
   * their place, as some keyboards have other signs there. None needs Shift or AltGr.
   */
  readonly keys?: readonly string[];
  /** The key as the person sees it. */
  readonly shown?: string;
  /** What the help says of this and like commands, in one line. */
  readonly inHelp?: string;
  /** Whether the keys work while typing in a field too. */
  readonly inFields?: boolean;
  /** When the keys do anything; always where it is missing. */
  readonly when?: (state: BenchState) => boolean;
  readonly run: (state: BenchState) => void;
}

/** All commands of the Bench that are always there. To add one, list it here. */
export const COMMANDS: readonly Command[] = [
  ...STAGE_NAMES.map(([stage, name], i): Command => ({
    name: `Go to ${name}`,
    keys: [`Digit${i + 1}`, `Numpad${i + 1}`],
    shown: String(i + 1),
    inHelp: 'to the stages, Measure to Release',
    run: (s) => s.set({ stage }),
  })),
  { name: 'Undo', keys: ['$mod+z'], shown: 'Ctrl Z', inFields: true, run: (s) => s.undo() },
  { name: 'Redo', keys: ['$mod+y', '$mod+Shift+z'], shown: 'Ctrl Y', inFields: true, run: (s) => s.redo() },
  ...LEVELS.map((level): Command => ({
    name: `Density level ${level}`,
    keys: [level.toLowerCase()],
    shown: level,
    inHelp: 'density level',
    run: (s) => s.edit([{ at: '/level', value: level }]),
  })),
  {
    name: 'Show mm or mil',
    keys: ['u'],
    shown: 'U',
    run: (s) => s.set({ unit: s.unit === 'mm' ? 'mil' : 'mm' }),
  },
  {
    name: 'Letters of the datasheet or the standard',
    run: (s) => s.set({ letters: !s.letters }),
  },
  {
    name: 'Lay the ruler, or put it away',
    keys: ['m'],
    shown: 'M',
    run: (s) => s.set({ ruler: s.ruler ? null : { from: null, to: null } }),
  },
  { name: 'Fit the drawing', keys: ['f'], shown: 'F', run: (s) => s.set({ fits: s.fits + 1 }) },
  {
    name: 'Show all views or the plan alone',
    keys: ['p'],
    shown: 'P',
    run: (s) => s.set({ whole: s.whole ? null : 'plan' }),
  },
  {
    name: 'Turn the body in 3D or show the title block',
    keys: ['t'],
    shown: 'T',
    run: (s) => s.set({ fourth: s.fourth === 'title' ? 'turn' : 'title', whole: null }),
  },
  {
    name: 'Add a piece to a composed package (in its fields Ctrl Enter)',
    keys: ['e'],
    shown: 'E',
    run: (s) => s.document.package.family === COMPOSED && s.set({ stage: 'measure', addingPiece: true }),
  },
  ...(
    [
      ['left', 'ArrowLeft', '←', { x: -1, y: 0 }],
      ['right', 'ArrowRight', '→', { x: 1, y: 0 }],
      ['up', 'ArrowUp', '↑', { x: 0, y: 1 }],
      ['down', 'ArrowDown', '↓', { x: 0, y: -1 }],
    ] as const
  ).map(([way, key, shown, by]): Command => ({
    name: `Move the opened piece ${way} by a step`,
    keys: [key],
    shown,
    inHelp: 'move the opened piece by a step',
    when: (s) => s.mover !== null && s.piece !== null,
    run: (s) => s.mover?.nudge(by),
  })),
  ...STAGE_CONTROLS.map(({ name, stage, control }): Command => ({
    name,
    run: (s) => {
      s.set({ stage, source: null, pinsOpen: false });
      focusControl(control);
    },
  })),
  {
    name: 'Read the datasheet',
    keys: ['o'],
    shown: 'O',
    run: (s) => s.set({ stage: 'measure', source: s.source ? null : { kind: 'none' } }),
  },
  { name: 'Next land', keys: ['n'], shown: 'N', run: (s) => stepLand(s, 1) },
  { name: 'Land before', keys: ['v'], shown: 'V', run: (s) => stepLand(s, -1) },
  {
    name: 'Next finding',
    keys: ['x'],
    shown: 'X',
    run: (s) => {
      const count = s.derived.report.findings.length;
      if (count > 0) s.openFinding(((s.selectedFinding ?? -1) + 1) % count);
    },
  },
  {
    name: 'Draw the Ledger out or in, where the window is narrow',
    keys: ['g'],
    shown: 'G',
    run: (s) => s.set({ ledgerOpen: !s.ledgerOpen }),
  },
  {
    name: 'Rename the footprint',
    keys: ['r'],
    shown: 'R',
    run: () => document.querySelector<HTMLInputElement>('header input')?.focus(),
  },
  {
    name: 'Make a variant for hand etching',
    run: (s) => void variantOf(s, 'FOR_HAND_ETCHING'),
  },
  {
    name: 'Make a variant',
    run: (s) => void variantOf(s, 'PLAIN_VARIANT'),
  },
  {
    name: 'Ask for a second opinion: hold it against the package that it is meant for',
    run: (s) => navigate(`/opinion/${s.id}`),
  },
  {
    name: 'Duplicate the footprint',
    run: (s) =>
      void attempt(`Duplicating ${s.document.name}`, async () => {
        const copy = await shelf.duplicate(s.id, s.document);
        if (copy) navigate(`/bench/${copy.id}`);
      }),
  },
  {
    name: 'Take apart into pieces (the original stays)',
    run: (s) =>
      void attempt(`Taking ${s.document.name} apart`, async () => {
        const { apartFrom } = await import('../../core/package/composed/take-apart');
        const apart = apartFrom(s.document);
        const [stored] = apart ? await shelf.add([{ ...apart, name: `${apart.name}, apart` }]) : [];
        if (stored) navigate(`/bench/${stored.id}`);
        else s.set({ refusal: 'Only a footprint of a family that is complete can be taken apart.' });
      }),
  },
  ...(['draft', 'review', 'approved'] as const).map((state): Command => ({
    name: `Keep a revision: ${REVISION_STATES[state].words}`,
    run: (s) => void keepRevision(s, state, ''),
  })),
  {
    name: 'Go on after the approved revision',
    run: (s) =>
      s.locked === null
        ? s.set({ refusal: 'No approved revision stands here: it can be changed as it is.' })
        : void attempt('Going on', s.goOn),
  },
  {
    name: 'Delete the footprint (into the bin)',
    run: (s) =>
      void attempt(`Deleting ${s.document.name}`, async () => {
        await shelf.bin(s.id);
        navigate('/');
      }),
  },
  ...PROCESSES.map((process): Command => ({
    name: `Process: ${process.name}`,
    run: (s) => s.chooseProcess(process),
  })),
  { name: 'Edit processes', run: (s) => navigate(`/processes#${s.derived.compiled.process.id}`) },
  {
    name: 'Edit house standards',
    run: (s) => navigate(`/standards?part=${s.id}#${s.document.standard?.id ?? 'published'}`),
  },
  {
    name: 'Paper or lamp theme',
    keys: ['l'],
    shown: 'L',
    run: () => {
      const root = document.documentElement;
      const next = root.dataset['theme'] === 'lamp' ? 'paper' : 'lamp';
      root.dataset['theme'] = next;
      keepLook('tapis-theme', next);
    },
  },
  { name: 'Print', run: () => print() },
  { name: 'Help: this stage and its keys', shown: '? or F1', run: () => askHelp(true) },
  { name: 'Go to the Shelf', keys: ['s'], shown: 'S', run: () => navigate('/') },
];

/** The commands that save a file of a format. */
export function saveCommands(formats: readonly Format[]): Command[] {
  return formats.map((format) => ({
    name: `Save ${format.title}`,
    run: async (s) => {
      const model = s.models.get(s.document.body?.model?.key ?? '')?.model ?? null;
      // what writes files is loaded with the first of them
      const [{ fileOf }, about] = await Promise.all([import('../common/write'), aboutOf(s.id, s.document)]);
      const written = await fileOf(format, s.derived.compiled, model, about, new AbortController().signal);
      if (written.ok) download(written.value);
      else s.set({ refusal: written.error });
    },
  }));
}

function stepLand(state: BenchState, by: 1 | -1): void {
  const count = state.derived.shown?.drawable.footprint.lands.length ?? 0;
  if (count === 0) return;
  const from = state.selectedLand ?? (by === 1 ? -1 : 0);
  state.set({ selectedLand: (from + by + count) % count });
}

/** Makes a variant of what stands on the Bench, once that is written. */
async function variantOf(state: BenchState, plan: 'FOR_HAND_ETCHING' | 'PLAIN_VARIANT'): Promise<void> {
  await state.flush();
  const [{ makeVariant }, plans] = await Promise.all([
    import('../common/kin'),
    import('../../core/library/variant'),
  ]);
  await makeVariant(state.id, plans[plan]);
}
