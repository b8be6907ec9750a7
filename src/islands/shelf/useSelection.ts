import { useCallback, useEffect, useRef, useState } from 'react';
import type { Shelved } from './useLibrary';

/** Footprints that are selected; with Shift all from the last one to this. */
export function useSelection(found: readonly Shelved[]) {
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const last = useRef<string | null>(null);
  const order = useRef(found);
  useEffect(() => {
    order.current = found;
  });
  const select = useCallback((id: string, isOn: boolean, isRange: boolean) => {
    const ids = order.current.map(({ entry }) => entry.id);
    const [from, to] = [ids.indexOf(last.current ?? ''), ids.indexOf(id)];
    const range = isRange && from >= 0 ? ids.slice(Math.min(from, to), Math.max(from, to) + 1) : [id];
    last.current = id;
    setSelected((before) => {
      const next = new Set(before);
      for (const one of range)
        if (isOn) next.add(one);
        else next.delete(one);
      return next;
    });
  }, []);
  return { selected, select, setSelected };
}
