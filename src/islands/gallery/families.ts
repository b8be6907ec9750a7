import { compile } from '../../core/footprint/compile';
import { FAMILIES } from '../../core/package/families';
import type { FamilyDefinition } from '../../core/package/family';
import { isDrawable, type Drawable } from '../bench/derive';

/** Whether every word of a search fits a family: in its names, or as a lead count it can have. */
export function familyMatches(family: FamilyDefinition, query: string): boolean {
  const text = [family.title, family.summary, ...family.keywords].join(' ').toLowerCase();
  return wordsOf(query).every(
    (word) => text.includes(word) || (/^\d+$/.test(word) && canHave(family, Number(word))),
  );
}

function canHave({ dimensions }: FamilyDefinition, terminals: number): boolean {
  const n = dimensions.find(({ symbol }) => symbol === 'n');
  if (!n) return terminals === 2;
  const [least, most] = n.limits;
  if (n.oneOf) return n.oneOf.includes(terminals);
  return least <= terminals && terminals <= most && terminals % (n.multipleOf ?? 1) === 0;
}

/** A family's example, compiled to be drawn. Examples are complete; a fault of one shows as no drawing. */
export function exampleOf({ id, example }: FamilyDefinition): Drawable | null {
  const compiled = compile({
    tapis: 1,
    name: id,
    package: { family: id, dimensions: example as Record<string, string> },
    level: 'B',
    process: 'standard',
  });
  return isDrawable(compiled) ? compiled : null;
}

/** The families that fit a search: those that are called so first, then in their own order. */
export function familiesFor(query: string): FamilyDefinition[] {
  const words = wordsOf(query);
  const inTitle = ({ title }: FamilyDefinition) =>
    words.filter((word) => wordsOf(title).some((own) => own.startsWith(word))).length;
  return FAMILIES.filter((family) => familyMatches(family, query)).sort((a, b) => inTitle(b) - inTitle(a));
}

function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
}
