import { costsOf, type ProcessCost } from '../../core/best/costs';
import type { TapisDocument } from '../../core/document/document';
import { compile } from '../../core/footprint/compile';
import { isDrawable } from '../../core/footprint/footprint';

/** What the numbers of their processes cost over some footprints; those that cannot be drawn have no joints. */
export function costs({ documents }: { readonly documents: readonly TapisDocument[] }): ProcessCost[] {
  return costsOf(documents.map((document) => compile(document)).filter(isDrawable));
}
