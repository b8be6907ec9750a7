import { useEffect, useState } from 'react';

/** A value once it has stayed the same for some time; at once where there was none before. @param after ms */
export function useSettled<T>(value: T, after: number): T {
  const [settled, settle] = useState(value);
  useEffect(() => {
    if (Object.is(value, settled)) return;
    const waiting = setTimeout(() => settle(value), settled === null ? 0 : after);
    return () => clearTimeout(waiting);
  }, [value, settled, after]);
  return settled;
}
