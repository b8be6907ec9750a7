import type { Autosave } from '../../store/autosave';

/** Writes what is waiting when the page is hidden or left. */
export function watchPage(autosave: Pick<Autosave, 'flush'>, signal: AbortSignal): void {
  const flush = () => void autosave.flush();
  addEventListener('pagehide', flush, { signal });
  addEventListener('visibilitychange', flush, { signal });
}

/** Tells what another tab saved or deleted, unless this tab has changes of its own. */
export function watchOtherTabs<T>(
  read: () => Promise<T | null>,
  autosave: Pick<Autosave, 'pending'>,
  signal: AbortSignal,
  tell: (theirs: T | null) => void,
): void {
  const look = async () => {
    if (document.visibilityState !== 'visible' || autosave.pending) return;
    const theirs = await read();
    if (signal.aborted || autosave.pending) return;
    tell(theirs);
  };
  // a look that fails is made again with the next focus
  const tryToLook = () => void look().catch(() => {});
  addEventListener('focus', tryToLook, { signal });
  addEventListener('visibilitychange', tryToLook, { signal });
}
