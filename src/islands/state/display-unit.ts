import type { DisplayUnit } from '../../core/units/length';
import { keepLook, keptLook } from '../common/look';

// The unit in which a footprint is looked at is nobody's intent: it stays in this browser, not in the document.

const keyOf = (id: string) => `tapis-unit-${id}`;

/** The unit in which a footprint was looked at last; `null` where it was never chosen. */
export function keptUnit(id: string): DisplayUnit | null {
  const unit = keptLook(keyOf(id));
  return unit === 'mm' || unit === 'mil' ? unit : null;
}

export function keepUnit(id: string, unit: DisplayUnit): void {
  keepLook(keyOf(id), unit);
}
