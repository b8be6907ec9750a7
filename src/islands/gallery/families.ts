import { newDocument } from '../../core/document/document';
import { compile } from '../../core/footprint/compile';
import type { Footprint } from '../../core/footprint/footprint';
import { searchKinds, type Search } from '../../core/library/gallery';
import { CATALOGUE, type PackageKind } from '../../core/package/catalogue';
import type { OwnFamily } from '../../core/document/own-family';
import { kindOf } from '../../core/package/composed/own';
import { withExamples } from '../../core/package/draw';
import { ALL_MAKERS } from '../../core/package/makers';
import { COMPOSED_KINDS } from '../../core/package/composed/starts';

/** The footprint of a kind's example. Examples are complete; a fault of one shows as no drawing. */
export function exampleOf(kind: PackageKind): Footprint | null {
  const { id, example } = kind;
  const document = newDocument(id, id, example as Record<string, string>);
  const shown = kind.package
    ? withExamples({ ...document, package: kind.package }, ALL_MAKERS)?.document
    : document;
  return shown ? compile(shown).footprint : null;
}

/**
 * The kinds that fit a search.
 * @param own the person's own families, which come before others that fit as well
 */
export function familiesFor(query: string, own: readonly OwnFamily[] = []): Search {
  return searchKinds([...own.map(kindOf), ...CATALOGUE, ...COMPOSED_KINDS], query);
}
