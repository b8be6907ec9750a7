import { useLiveQuery } from 'dexie-react-hooks';
import { processDifferences } from '../../core/document/process-file';
import { PROCESSES } from '../../core/process';
import { HelpButton } from '../common/HelpButton';
import { Choice, Pick, UnitChoice } from '../common/inputs';
import { SaveNote, UndoButtons } from '../common/saving';
import { processes } from '../common/shelf-store';
import { useField } from '../fields/useEntry';
import { useBench } from '../state/context';

/** Name, standard name, level, process, unit, undo and the state of saving. */
export function TopBar() {
  const document = useBench((s) => s.document);
  const compiled = useBench((s) => s.derived.compiled);
  const unit = useBench((s) => s.unit);
  const past = useBench((s) => s.past.at(-1) ?? null);
  const future = useBench((s) => s.future[0] ?? null);
  const edit = useBench((s) => s.edit);
  const undo = useBench((s) => s.undo);
  const redo = useBench((s) => s.redo);
  const set = useBench((s) => s.set);
  const save = useBench((s) => s.save);
  return (
    <header className="border-base-300 bg-base-100 flex h-11 shrink-0 items-center gap-3 border-b px-3.5">
      <a href="/" className="text-[20px] font-semibold">
        Tapis
      </a>
      <a href="/" className="text-secondary hover:text-base-content ml-1 whitespace-nowrap">
        Shelf ▸
      </a>
      <NameField />
      <span
        className="text-secondary min-w-0 truncate max-[1200px]:hidden"
        title="Standard name, computed from the geometry"
      >
        {compiled.footprint?.standardName ?? ''}
      </span>
      <div className="ml-auto flex shrink-0 items-center gap-3">
        <Choice
          label="Density level"
          options={compiled.standard.levels.map(({ id }) => [id, id])}
          value={document.level}
          onChoose={(level) => edit([{ at: '/level', value: level }])}
        />
        <ProcessChoice />
        <UnitChoice unit={unit} onChoose={(next) => set({ unit: next })} />
        <UndoButtons past={past} future={future} undo={undo} redo={redo} />
        <SaveNote save={save} />
        <button
          type="button"
          className="text-secondary hover:text-base-content"
          onClick={() => set({ commandsOpen: true })}
          aria-keyshortcuts="K"
          title="All commands and their keys"
        >
          <span className="max-[1150px]:hidden">Commands </span>
          <span className="sr-only min-[1151px]:hidden">Commands </span>
          <kbd className="kbd kbd-sm">K</kbd>
        </button>
        <HelpButton />
      </div>
    </header>
  );
}

/** The process: one that comes with Tapis, one of the person's own, or the one that the document brought. */
function ProcessChoice() {
  const current = useBench((s) => s.derived.compiled.process);
  const choose = useBench((s) => s.chooseProcess);
  const own = useLiveQuery(() => processes.list()) ?? [];
  const known = [...PROCESSES, ...own];
  const all = known.some(({ id }) => id === current.id) ? known : [...known, current];
  // a document keeps the process that it was made with until the person takes the newer one
  const newer = own.find(
    (process) => process.id === current.id && processDifferences(current, process).length > 0,
  );
  return (
    <>
      {newer && (
        <button
          type="button"
          className="text-primary underline"
          title={processDifferences(current, newer)
            .map(({ title, from, to }) => `${title}: ${from} → ${to}`)
            .join('\n')}
          onClick={() => choose(newer)}
        >
          Take its new numbers
        </button>
      )}
      <Pick
        className="w-[150px]"
        label="Process"
        value={current.id}
        options={all.map(({ id, name }) => [id, name] as const)}
        onChange={(chosen) => {
          const process = all.find(({ id }) => id === chosen);
          if (process) choose(process);
        }}
      />
    </>
  );
}

function NameField() {
  const name = useBench((s) => s.document.name);
  const edit = useBench((s) => s.edit);
  const field = useField(name, (text, gesture) =>
    edit([{ at: '/name', value: text.slice(0, 120) || 'Unnamed' }], gesture),
  );
  return (
    <input
      className="hover:border-base-300 focus:border-primary field-sizing-content max-w-64 min-w-16 rounded border border-transparent bg-transparent px-1 py-0.5 font-semibold"
      aria-label="Name of the footprint"
      value={field.text}
      onChange={(event) => field.onChange(event.target.value)}
      onFocus={field.onFocus}
      onKeyDown={field.onKeyDown}
      maxLength={120}
    />
  );
}
