import { useContext } from 'react';
import { BenchContext, useBench } from '../state/context';
import { usePicker } from '../common/usePicker';
import { COMMANDS, type Command } from './commands';

/** The searchable list of everything that can be done, with its keys. */
export function CommandList() {
  const open = useBench((s) => s.commandsOpen);
  return open ? <OpenList /> : null;
}

function OpenList() {
  const store = useContext(BenchContext);
  const set = useBench((s) => s.set);
  const close = () => set({ commandsOpen: false });
  const run = (command: Command) => {
    close();
    if (store) command.run(store.getState());
  };
  const { dialog, query, search, found, at, point, onKeyDown } = usePicker(commandsFor, run);
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
        <ul className="mt-2 max-h-[560px] overflow-y-auto" role="listbox" aria-label="Commands">
          {found.map((command, i) => (
            <li key={command.name} role="option" aria-selected={i === at}>
              <button
                type="button"
                tabIndex={-1}
                className={`flex w-full items-center px-2 py-1 text-left ${i === at ? 'bg-primary text-primary-content' : ''}`}
                onClick={() => run(command)}
                onPointerMove={() => point(i)}
              >
                <span>{command.name}</span>
                {command.shown && <span className="ml-auto opacity-80">{command.shown}</span>}
              </button>
            </li>
          ))}
          {found.length === 0 && <li className="text-secondary px-2 py-1">Nothing is called that.</li>}
        </ul>
      </div>
      <form method="dialog" className="modal-backdrop">
        <button>Close</button>
      </form>
    </dialog>
  );
}

/** Commands whose names hold every word of a search. */
function commandsFor(query: string): readonly Command[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return COMMANDS.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
}
