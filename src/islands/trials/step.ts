import { readLength } from '../../core/units/entry';
import type { DisplayUnit } from '../../core/units/length';

/** The step that arrow keys move a part by, mm; `null` where it cannot be used. */
export function stepOf(text: string, unit: DisplayUnit): number | null {
  const read = readLength(text, unit);
  return read.ok && read.value >= 0.001 && read.value <= 100 ? read.value : null;
}
