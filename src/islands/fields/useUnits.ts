import type { SheetUnit } from '../../core/document/document';
import { useBench } from '../state/context';
import { keptEntry, shownEntry } from './units';

/** The units of the field of a choice. */
export interface FieldUnits {
  /** In which the field reads plain numbers. */
  readonly reads: SheetUnit;
  readonly shown: (text: string) => string;
  readonly kept: (typed: string) => string;
}

/**
 * In which unit the field of a length reads plain numbers: that of the display, but the datasheet's
 * own pattern in that of its table.
 * @param at JSON pointer of the choice
 */
export function useUnits(at: string): FieldUnits {
  const display = useBench((s) => s.unit);
  const sheet = useBench((s) => s.document.package.unit ?? 'mm');
  const pattern = useBench((s) => s.document.recommended?.unit ?? null);
  if (at.startsWith('/recommended')) {
    const same = (text: string) => text;
    return { reads: pattern ?? sheet, shown: same, kept: same };
  }
  return {
    reads: display,
    shown: (text) => shownEntry(text, display, sheet),
    kept: (typed) => keptEntry(typed, display, sheet),
  };
}
