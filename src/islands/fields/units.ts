import type { SheetUnit } from '../../core/document/document';
import { isBare, sayingUnit } from '../../core/units/saying-unit';
import type { DisplayUnit } from '../../core/units/length';

// Documents read plain numbers in the unit of their datasheet; fields of choices show lengths in the
// unit of the display, and so read plain numbers in it. What is typed is kept as it was typed, with
// its unit where the document would read another.

/** An entry of a document as a field shows it, whose plain numbers are in the unit of the display. */
export function shownEntry(text: string, display: DisplayUnit, reads: SheetUnit): string {
  if (display === reads || text.trim() === '') return text;
  const said = sayingUnit(text, reads) ?? (isBare(text) ? `${text}${reads}` : text);
  if (said !== text) return said === `${text}${reads}` ? `${text} ${reads}` : said;
  const own = text.replace(new RegExp(`\\s*${display}$`), '');
  return own !== text && isBare(own) ? own : text;
}

/** What was typed into such a field as the document keeps it. */
export function keptEntry(typed: string, display: DisplayUnit, reads: SheetUnit): string {
  if (display === reads) return typed;
  // what cannot be read yet is still being typed
  return sayingUnit(typed, display) ?? (isBare(typed) ? `${typed}${display}` : typed);
}
