import { newDocument } from '../../core/document/document';
import { compile } from '../../core/footprint/compile';
import type { Footprint } from '../../core/footprint/footprint';
import { CATALOGUE, type PackageKind } from '../../core/package/catalogue';
import type { OwnFamily } from '../../core/document/own-family';
import { kindOf } from '../../core/package/composed/own';
import { withExamples } from '../../core/package/draw';
import { COMPOSED_KINDS } from '../../core/package/composed/starts';

/** Whether every word of a search fits a kind of package: in its names, or as a lead count it can have. */
export function familyMatches(kind: PackageKind, query: string): boolean {
  const text = [kind.title, kind.summary, ...kind.keywords].join(' ').toLowerCase();
  return wordsOf(query).every(
    (word) => text.includes(word) || (/^\d+$/.test(word) && canHave(kind, Number(word))),
  );
}

function canHave({ dimensions }: PackageKind, terminals: number): boolean {
  if (dimensions.length === 0) return false;
  const n = dimensions.find(({ symbol }) => symbol === 'n');
  if (!n) return terminals === 2;
  const [least, most] = n.limits;
  if (n.oneOf) return n.oneOf.includes(terminals);
  return least <= terminals && terminals <= most && terminals % (n.multipleOf ?? 1) === 0;
}

/** The footprint of a kind's example. Examples are complete; a fault of one shows as no drawing. */
export function exampleOf(kind: PackageKind): Footprint | null {
  const { id, example } = kind;
  const document = newDocument(id, id, example as Record<string, string>);
  const shown = kind.package ? withExamples({ ...document, package: kind.package })?.document : document;
  return shown ? compile(shown).footprint : null;
}

/**
 * The kinds that fit a search: those that are called so first, then in their own order.
 * @param own the person's own families, which come first of all
 */
export function familiesFor(query: string, own: readonly OwnFamily[] = []): PackageKind[] {
  const words = wordsOf(query);
  const inTitle = ({ title }: PackageKind) =>
    words.filter((word) => wordsOf(title).some((own) => own.startsWith(word))).length;
  return [...own.map(kindOf), ...CATALOGUE, ...COMPOSED_KINDS]
    .filter((kind) => familyMatches(kind, query))
    .sort((a, b) => inTitle(b) - inTitle(a));
}

function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
}
