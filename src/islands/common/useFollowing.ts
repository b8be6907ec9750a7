import { startTransition, useEffect, useState } from 'react';

/** A value that follows what is drawn at once: as it was until the browser has painted, then as it is. */
export function useFollowing<T>(value: T): T {
  const [shown, setShown] = useState(() => value);
  useEffect(() => {
    let task: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      task = setTimeout(() => startTransition(() => setShown(() => value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(task);
    };
  }, [value]);
  return shown;
}
