import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { Progress } from '../../store/pace';

/** What is being done that takes a while; `null` while nothing is. */
const work = createStore<{ readonly words: string | null; readonly stop: () => void }>(() => ({
  words: null,
  stop: () => undefined,
}));

/**
 * Does something that takes a while: how far it is stands in the page, and it can be stopped.
 * @param doing what is done, as “Reading shelf.json”
 */
export async function working<T>(doing: string, act: (onDone: Progress) => Promise<T>): Promise<T> {
  let stopped = false;
  work.setState({ words: doing, stop: () => (stopped = true) });
  try {
    // is seen before it begins
    await new Promise((seen) => requestAnimationFrame(() => setTimeout(seen)));
    return await act((done, all) => {
      work.setState({ words: `${doing}: ${done} of ${all}` });
      return !stopped;
    });
  } finally {
    work.setState({ words: null });
  }
}

/** What is being done, for as long as it takes. */
export function WorkBar() {
  const { words, stop } = useStore(work);
  if (words === null) return null;
  return (
    <p
      role="status"
      aria-label="At work"
      className="border-base-300 bg-base-100 flex gap-3 border-b px-4 py-1.5"
    >
      {words}
      <button type="button" className="link" onClick={stop}>
        Stop
      </button>
    </p>
  );
}
