import type { SheetUnit } from '../../core/document/document';
import { useFieldHost, useFieldState } from '../state/fields';
import { keptEntry, shownEntry } from './units';

/** The units of the field of a choice. */
export interface FieldUnits {
  /** In which the field reads plain numbers. */
  readonly reads: SheetUnit;
  readonly shown: (text: string) => string;
  readonly kept: (typed: string) => string;
}

const same = (text: string) => text;

/**
 * In which unit the field of a length reads plain numbers: that of the display, but what is shown as it
 * stands in that of its table.
 * @param at JSON pointer of the choice
 */
export function useUnits(at: string): FieldUnits {
  const { readsAt } = useFieldHost();
  const display = useFieldState((s) => s.unit);
  const reads = useFieldState(() => readsAt(at).unit);
  if (readsAt(at).asTyped) return { reads, shown: same, kept: same };
  return {
    reads: display,
    shown: (text) => shownEntry(text, display, reads),
    kept: (typed) => keptEntry(typed, display, reads),
  };
}
