import type { PackageKind } from '../../core/package/catalogue';
import { useLoaded } from '../common/later';
import { families } from '../common/shelf-store';
import { usePicker } from '../common/usePicker';

interface Props {
  onChoose: (family: PackageKind) => void;
  onClose: () => void;
}

/** Tiles in a row; arrow keys up and down step by it. */
const COLUMNS = 4;

const none = (): readonly PackageKind[] => [];
/** The families and their drawings, which are not needed before. */
const loadList = async () => {
  const [own, { familiesFor }, { Sketch }] = await Promise.all([
    families.list(),
    import('./families'),
    import('./Sketch'),
  ]);
  return { find: (query: string) => familiesFor(query, own), Sketch };
};

/** All package families as small true drawings, to be searched by name, shape, lead form or count. */
export function Gallery({ onChoose, onClose }: Props) {
  // what is typed before the drawings are there is kept
  const { value: list, trouble } = useLoaded('The gallery', loadList);
  const { dialog, query, search, found, at, point, onKeyDown } = usePicker(
    list?.find ?? none,
    onChoose,
    COLUMNS,
  );
  return (
    <dialog ref={dialog} className="modal" onClose={onClose} aria-label="Package families">
      <div className="modal-box border-base-300 flex max-h-[92vh] max-w-4xl flex-col overflow-hidden border p-4">
        <input
          className="input input-sm w-full shrink-0"
          placeholder="Search by name, shape, lead form or number of leads"
          aria-label="Search package families"
          value={query}
          onChange={(event) => search(event.target.value)}
          onKeyDown={onKeyDown}
        />
        <ul
          className="mt-3 grid min-h-0 grid-cols-4 gap-2 overflow-y-auto"
          role="listbox"
          tabIndex={0}
          aria-label="Package families"
        >
          {found.map((family, i) => (
            <li
              key={family.id}
              role="option"
              aria-selected={i === at}
              className={`bg-base-100 cursor-pointer border p-2 ${i === at ? 'border-primary outline-primary outline' : 'border-base-300'}`}
              onClick={() => onChoose(family)}
              onPointerMove={() => point(i)}
            >
              {list && <list.Sketch family={family} />}
              <span className="mt-1 block font-semibold">{family.title}</span>
              <span className="text-secondary block text-[12px]">{family.summary}</span>
            </li>
          ))}
        </ul>
        {trouble}
        {list && found.length === 0 && <p className="text-secondary p-4">No family is called that.</p>}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button>Close</button>
      </form>
    </dialog>
  );
}
