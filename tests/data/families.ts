import type { TapisDocument } from '../../src/core/document/document';
import { compile } from '../../src/core/footprint/compile';
import type { Footprint } from '../../src/core/footprint/footprint';
import { FAMILIES } from '../../src/core/package/families';
import { DEEP } from './depth';
import type { FamilyDefinition } from '../../src/core/package/family';

/** A family drawn with its example, or with one of its options or common sizes. */
export interface Variant {
  readonly name: string;
  readonly family: FamilyDefinition;
  readonly document: TapisDocument;
}

/** Sizes that an option needs which the family's example does not have. */
const PAD = { E2: '2.0..2.2', D2: '2.6..2.8' };

function documentFor(
  family: FamilyDefinition,
  dimensions: Readonly<Partial<Record<string, string>>>,
  options: Readonly<Record<string, string>> = {},
): TapisDocument {
  return {
    tapis: 2,
    name: family.id,
    package: {
      family: family.id,
      options,
      dimensions: { ...family.example, ...dimensions } as Record<string, string>,
    },
    level: 'B',
    process: 'standard',
  };
}

/** The example, every other choice of every option, and every common size. */
export function variantsOf(family: FamilyDefinition): Variant[] {
  const choices = family.options.flatMap(({ id, choices: all }) =>
    all.slice(1).map((choice): Variant => {
      const outline = family.outlines?.find(({ options }) => options?.[id] === choice.id);
      const pad = id === 'pad' && choice.id !== 'none' && !family.example['E2'] ? PAD : {};
      const options = { ...outline?.options, [id]: choice.id };
      const document = documentFor(family, { ...outline?.dimensions, ...pad }, options);
      return { name: `${family.id}, ${id} ${choice.id}`, family, document };
    }),
  );
  const outlines = (family.outlines ?? []).map(({ name, dimensions, options }): Variant => ({
    name: `${family.id}, ${name}`,
    family,
    document: documentFor(family, dimensions, options),
  }));
  return [{ name: family.id, family, document: documentFor(family, {}) }, ...choices, ...outlines];
}

/** All families in all their variants. */
export const VARIANTS: readonly Variant[] = FAMILIES.flatMap(variantsOf);

/** The variants that slower laws are tried on: all in a deep run, else the example of each family. */
export const SOME_VARIANTS = DEEP ? VARIANTS : VARIANTS.filter(({ name, family }) => name === family.id);

/** Compiles or says why not. */
export function footprintOf(document: TapisDocument): Footprint {
  const { footprint, problems } = compile(document);
  if (!footprint) throw new Error(`${document.name}: ${problems.map(({ message }) => message).join('; ')}`);
  return footprint;
}
