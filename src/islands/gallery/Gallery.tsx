import type { Hit } from '../../core/library/gallery';
import type { PackageKind } from '../../core/package/catalogue';
import { useLoaded } from '../common/later';
import { families } from '../common/shelf-store';
import { usePicker } from '../common/usePicker';

interface Props {
  /** @param isEntered whether it comes with the numbers of one of its sizes */
  onChoose: (family: PackageKind, isEntered: boolean) => void;
  onClose: () => void;
  /** What is searched for at first. */
  begins?: string;
}

/** Tiles in a row; arrow keys up and down step by it. */
const COLUMNS = 4;

const none = (): readonly Hit[] => [];
/** The families and their drawings, which are not needed before. */
const loadList = async () => {
  const [own, { familiesFor }, { Sketch }] = await Promise.all([
    families.list(),
    import('./families'),
    import('./Sketch'),
  ]);
  return {
    find: (query: string) => familiesFor(query, own).hits,
    unknown: (query: string) => familiesFor(query, own).unknown,
    Sketch,
  };
};

/** All package families as small true drawings, to be searched by name, shape, lead form or count. */
export function Gallery({ onChoose, onClose, begins = '' }: Props) {
  // what is typed before the drawings are there is kept
  const { value: list, trouble } = useLoaded('The gallery', loadList);
  const choose = ({ kind, size }: Hit) => onChoose(kind, size !== undefined);
  const { dialog, query, search, found, at, point, onKeyDown } = usePicker(
    list?.find ?? none,
    choose,
    COLUMNS,
    begins,
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
          {found.map((hit, i) => {
            const { kind, outline, size } = hit;
            return (
              <li
                key={`${kind.id} ${size ?? ''}`}
                role="option"
                aria-selected={i === at}
                className={`bg-base-100 cursor-pointer border p-2 ${i === at ? 'border-primary outline-primary outline' : 'border-base-300'}`}
                onClick={() => choose(hit)}
                onPointerMove={() => point(i)}
              >
                {list && <list.Sketch family={kind} />}
                <span className="mt-1 block font-semibold">{kind.title}</span>
                <span className="text-secondary block text-[12px]">{kind.summary}</span>
                {outline !== null && <span className="text-primary block text-[12px]">{outline}</span>}
              </li>
            );
          })}
        </ul>
        {trouble}
        {list && found.length === 0 && <Nothing unknown={list.unknown(query)} onSearch={search} />}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button>Close</button>
      </form>
    </dialog>
  );
}

/** What could be tried where a search finds nothing. */
const TRIES = ['gull wing', 'quad no lead 40', 'sot-23', '0603', 'header 2x20', 'composed'] as const;

/** Says what of a search is not known, and how one can search. */
function Nothing({ unknown, onSearch }: { unknown: readonly string[]; onSearch: (query: string) => void }) {
  return (
    <div className="text-secondary p-4">
      <p>
        {unknown.length > 0
          ? `No family knows ${unknown.map((word) => `“${word}”`).join(' or ')}.`
          : 'No family is all of that at once; take a word out.'}{' '}
        Search by what it is called, what it looks like, how many leads it has, or rows × pins. What belongs
        to no family is composed of pieces.
      </p>
      <p className="mt-2 flex gap-2">
        {TRIES.map((words) => (
          <button key={words} type="button" className="btn btn-xs" onClick={() => onSearch(words)}>
            {words}
          </button>
        ))}
      </p>
    </div>
  );
}
