import { useEffect, useState } from 'react';
import type { CardDrawing } from '../../core/library/facts';
import { facts } from '../common/shelf-store';

/** Ids that are asked for in one go: a row of cards reads the store once. */
let asked: { readonly ids: Set<string>; readonly answer: Promise<Map<string, CardDrawing | null>> } | null =
  null;

function load(id: string): Promise<Map<string, CardDrawing | null>> {
  if (!asked) {
    const ids = new Set<string>();
    const answer = Promise.resolve().then(() => {
      asked = null;
      return facts.drawings([...ids]);
    });
    asked = { ids, answer };
  }
  asked.ids.add(id);
  return asked.answer;
}

/**
 * The drawing of a footprint, read from the store when it is first shown.
 * @param isMade whether one of this revision is kept already
 * @returns `undefined` until it is there, `null` where it cannot be drawn
 */
export function useDrawing(id: string, revision: number, isMade: boolean): CardDrawing | null | undefined {
  const key = `${id} ${revision}`;
  const [shown, show] = useState<{ readonly key: string; readonly drawing: CardDrawing | null } | null>(null);
  useEffect(() => {
    if (!isMade) return;
    let left = false;
    void load(id).then((drawings) => {
      if (!left) show({ key, drawing: drawings.get(id) ?? null });
    });
    return () => {
      left = true;
    };
  }, [id, key, isMade]);
  // the last drawing stays up until the new one is there
  return shown?.key === key || shown?.key.startsWith(`${id} `) ? shown.drawing : undefined;
}
