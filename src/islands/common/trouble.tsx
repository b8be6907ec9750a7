import { useEffect } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { whyRefused } from '../../store/storage';
import { keptInPageOnly, shelf, wakeStorage } from './shelf-store';
import { download } from './download';

/** What storage refused last, in words; `null` once something was written. */
const trouble = createStore<{ readonly words: string | null }>(() => ({ words: null }));

/**
 * Writes to storage; a refusal is told in the bar of the page and changes nothing.
 * @param doing what was wished, as “Adding the demo”
 * @returns whether it was done
 */
export async function attempt(doing: string, act: () => Promise<unknown>): Promise<boolean> {
  try {
    await wakeStorage();
    await act();
    trouble.setState({ words: null });
    return true;
  } catch (error) {
    trouble.setState({ words: `${doing} was not possible: ${whyRefused(error)}. Nothing was changed.` });
    return false;
  }
}

/** Saves all footprints of the Shelf as one file. */
export async function exportAll(): Promise<void> {
  const day = new Date().toISOString().slice(0, 10);
  const { text, left } = await shelf.exportAll();
  download({ name: `shelf-${day}.tapis.json`, mediaType: 'application/json', content: text });
  const words = `Exported without the models ${left.join(', ')}: too large for one file, or not here. Keep their files too.`;
  trouble.setState({ words: left.length > 0 ? words : null });
}

/** Tells what storage refuses, for as long as it does. */
export function TroubleBar() {
  const words = useStore(trouble, (state) => state.words);
  useEffect(() => {
    if (keptInPageOnly === null) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', warn);
    return () => removeEventListener('beforeunload', warn);
  }, []);
  return (
    <>
      {keptInPageOnly !== null && (
        <p role="alert" className="bg-warning text-warning-content flex items-center gap-3 px-4 py-1.5">
          <span>
            Nothing is kept when this page is closed: {keptInPageOnly}. Everything works; export what you want
            to keep.
          </span>
          <button type="button" className="btn btn-xs" onClick={() => void exportAll()}>
            Export all
          </button>
        </p>
      )}
      {words !== null && (
        <p role="alert" className="bg-error text-error-content flex items-center gap-3 px-4 py-1.5">
          <span>{words}</span>
          <button
            type="button"
            className="btn btn-xs ml-auto"
            onClick={() => trouble.setState({ words: null })}
          >
            Put away
          </button>
        </p>
      )}
    </>
  );
}
