import type { TapisDocument } from '../document/document';
import { entryEdit } from '../document/entries';
import { applyEdits } from '../document/edit';
import { familyById } from '../package/families';
import { resolvePackage } from '../package/resolve';

/** A document completed with its family's example values, and the symbols that were filled in. */
export interface ExampleDocument {
  readonly document: TapisDocument;
  readonly filled: readonly string[];
}

/**
 * Fills what is missing or unreadable with the family's example, so that there is something
 * to look at while a datasheet is typed in. Never to be saved or handed over.
 * @returns `null` for a family that is not known
 */
export function withExamples(document: TapisDocument): ExampleDocument | null {
  const family = familyById(document.package.family);
  if (!family) return null;
  const lacking = resolvePackage(family, document.package)
    .dimensions.filter(({ value, error }) => !value || error)
    .map(({ definition }) => definition.symbol)
    .filter((symbol) => Object.hasOwn(family.example, symbol));
  const edits = lacking.map((symbol) => {
    // examples are printed in mm, whatever unit the datasheet has
    const text = family.example[symbol] as string;
    return entryEdit(document, symbol, { text, unit: 'mm' });
  });
  return { document: applyEdits(document, edits), filled: lacking };
}
