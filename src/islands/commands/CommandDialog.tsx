import { usePicker } from '../common/usePicker';

/** Something that can be done, with its key where it has one. */
export interface Listed {
  readonly name: string;
  readonly shown?: string | undefined;
}

interface Props<C extends Listed> {
  /** Finds by a search, in order; must be stable between renders. */
  find: (query: string) => readonly C[];
  onRun: (command: C) => void;
  onClose: () => void;
}

/** Whether a name holds every word of a search. */
export function holds(name: string, query: string): boolean {
  const plain = name.toLowerCase();
  return query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => plain.includes(word));
}

/** The searchable list of what can be done, worked from the keyboard. */
export function CommandDialog<C extends Listed>({ find, onRun, onClose }: Props<C>) {
  const { dialog, query, search, found, at, point, onKeyDown } = usePicker(find, onRun);
  return (
    <dialog ref={dialog} className="modal" onClose={onClose} aria-label="Commands">
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
              onClick={() => onRun(command)}
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
