import { useContext, useEffect, useMemo, useRef, useState } from 'react';
import { BenchContext, useBench } from '../bench/context';
import { COMMANDS, type Command } from './commands';

/** The searchable list of everything that can be done, with its keys. */
export function CommandList() {
  const open = useBench((s) => s.commandsOpen);
  return open ? <OpenList /> : null;
}

function OpenList() {
  const store = useContext(BenchContext);
  const set = useBench((s) => s.set);
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const found = useMemo(() => {
    const words = query.toLowerCase().split(/\s+/).filter(Boolean);
    return COMMANDS.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
  }, [query]);
  const close = () => set({ commandsOpen: false });
  const run = (command: Command | undefined) => {
    close();
    if (command && store) command.run(store.getState());
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      setAt((i) => (i + step + found.length) % Math.max(1, found.length));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      run(found[at]);
    }
  };
  return (
    <dialog ref={dialog} className="modal" onClose={close} aria-label="Commands">
      <div className="modal-box border-base-300 max-w-md border p-3">
        <input
          className="input input-sm w-full"
          placeholder="Search what to do"
          aria-label="Search commands"
          value={query}
          onChange={(event) => {
            setQuery(event.target.value);
            setAt(0);
          }}
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
                onPointerMove={() => setAt(i)}
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
