import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { placeFootprint } from '../../core/trial/edits';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { footprintFromShelf, matching } from './library';
import { useTrialStore } from './state';

/** Footprints that are offered at once. */
const OFFERED = 8;

/** Placing a footprint of the Shelf: some letters of its name, and Enter or a press. */
export function AddPart() {
  const store = useTrialStore();
  const [query, setQuery] = useState('');
  const [isOpen, setOpen] = useState(false);
  const entries = useLiveQuery(() => shelf.entries(), []) ?? [];
  const found = matching(entries, query);
  const place = (id: string) =>
    void attempt('Placing a footprint', async () => {
      const footprint = await footprintFromShelf(id);
      if (!footprint) return;
      const { compiled, edit, set } = store.getState();
      const placed = placeFootprint(compiled, footprint);
      edit(placed.edits, undefined, `place ${footprint.document.name}`);
      set({ selected: placed.id });
      setQuery('');
      setOpen(false);
    });
  return (
    <div
      className="relative py-1"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
    >
      <input
        type="search"
        id="add-part"
        className="input input-sm w-full"
        placeholder="Place a footprint of the Shelf"
        aria-label="Place a footprint of the Shelf"
        role="combobox"
        aria-expanded={isOpen}
        aria-controls="add-part-list"
        value={query}
        onFocus={() => setOpen(true)}
        onChange={({ target }) => {
          setQuery(target.value);
          setOpen(true);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && found[0]) place(found[0].id);
          if (event.key === 'Escape') {
            setOpen(false);
            event.currentTarget.blur();
          }
        }}
      />
      {isOpen && (
        <ul
          id="add-part-list"
          className="border-base-300 bg-base-100 absolute inset-x-0 z-10 border shadow-lg"
          aria-label="Footprints of the Shelf"
        >
          {found.slice(0, OFFERED).map(({ id, name }) => (
            <li key={id}>
              <button
                type="button"
                className="hover:bg-base-200 w-full truncate px-2 py-0.5 text-left"
                onClick={() => place(id)}
              >
                {name}
              </button>
            </li>
          ))}
          <li className="text-secondary px-2 py-0.5 text-[12px]">
            {entries.length === 0
              ? 'The Shelf is empty: make a footprint or take the demo first.'
              : found.length === 0
                ? `No footprint is called “${query}”.`
                : found.length > OFFERED
                  ? `${found.length - OFFERED} more: type on`
                  : 'Enter places the first'}
          </li>
        </ul>
      )}
    </div>
  );
}
