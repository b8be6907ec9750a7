import { useContext, useEffect, useMemo, useState } from 'react';
import { BenchContext, useBench } from '../state/context';
import { usePicker } from '../common/usePicker';
import { COMMANDS, saveCommands, type Command } from './commands';
import { commandUses, countUse } from './uses';

/** The searchable list of everything that can be done, with its keys. */
export function CommandList() {
  const store = useContext(BenchContext);
  const set = useBench((s) => s.set);
  const close = () => set({ commandsOpen: false });
  const run = (command: Command) => {
    close();
    countUse(command.name);
    if (store) command.run(store.getState());
  };
  const { dialog, query, search, found, at, point, onKeyDown } = usePicker(useCommands(), run);
  return (
    <dialog ref={dialog} className="modal" onClose={close} aria-label="Commands">
      <div className="modal-box border-base-300 max-w-md border p-3">
        <input
          className="input input-sm w-full"
          placeholder="Search what to do"
          aria-label="Search commands"
          value={query}
          onChange={(event) => search(event.target.value)}
          onKeyDown={onKeyDown}
        />
        <ul className="mt-2 max-h-[480px] overflow-y-auto" role="listbox" tabIndex={0} aria-label="Commands">
          {found.map((command, i) => (
            <li
              key={command.name}
              role="option"
              aria-selected={i === at}
              className={`flex w-full cursor-pointer items-center px-2 py-1 ${i === at ? 'bg-primary text-primary-content' : ''}`}
              onClick={() => run(command)}
              onPointerMove={() => point(i)}
            >
              <span>{command.name}</span>
              {command.shown && <span className="ml-auto opacity-80">{command.shown}</span>}
            </li>
          ))}
        </ul>
        {found.length === 0 && <p className="text-secondary px-2 py-1">Nothing is called that.</p>}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button>Close</button>
      </form>
    </dialog>
  );
}

/** All commands, with those for files once the formats are loaded. */
let known: readonly Command[] = COMMANDS;

/** Finds commands whose names hold every word of a search, those that are used most first. */
function useCommands(): (query: string) => readonly Command[] {
  const [all, setAll] = useState(known);
  // the formats are loaded with the first look at the list
  useEffect(() => {
    if (known !== COMMANDS) return;
    import('../../core/format').then(
      ({ FORMATS }) => setAll((known = [...COMMANDS, ...saveCommands(FORMATS)])),
      () => {},
    );
  }, []);
  return useMemo(() => {
    const uses = commandUses();
    const ranked = [...all].sort((a, b) => (uses[b.name] ?? 0) - (uses[a.name] ?? 0));
    return (query) => {
      const words = query.toLowerCase().split(/\s+/).filter(Boolean);
      return ranked.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
    };
  }, [all]);
}
