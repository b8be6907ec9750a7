import type { DisplayUnit } from '../../core/units/length';

// The unit in which a footprint is looked at is nobody's intent: it stays in this browser, not in the document.

const keyOf = (id: string) => `tapis-unit-${id}`;

/** The unit in which a footprint was looked at last; `null` where it was never chosen. */
export function keptUnit(id: string): DisplayUnit | null {
  const unit = storage()?.getItem(keyOf(id));
  return unit === 'mm' || unit === 'mil' ? unit : null;
}

export function keepUnit(id: string, unit: DisplayUnit): void {
  storage()?.setItem(keyOf(id), unit);
}

/** Browsers may refuse storage; the unit is then that of the datasheet. */
function storage(): Storage | null {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
}
