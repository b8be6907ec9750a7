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

/** The example of each family. */
export const EXAMPLES: readonly Variant[] = VARIANTS.filter(({ name, family }) => name === family.id);

/** The variants that slower laws are tried on: all in a deep run, else the example of each family. */
export const SOME_VARIANTS = DEEP ? VARIANTS : EXAMPLES;

/**
 * What tells a package from others for whoever draws, writes or seats it: how its groups are solved, the forms
 * of their terminals, how it is mounted, and which sides have terminals.
 */
function stratumOf({ groups, bores, body }: Footprint): string {
  const forms = groups.map(({ kind, terminals }) =>
    terminals.kind === 'pin' ? `${kind} ${terminals.lead.shape}` : `${kind} ${terminals.form}`,
  );
  return [...new Set(forms), body.extent.mount, bores.length > 0].join(', ');
}

/**
 * A stratified sample of the families: of those that are alike in everything that {@link stratumOf} tells, the
 * one with the fewest lands. Laws that take long hold on these in every run, on all in a deep one.
 */
export const STRATA: readonly Variant[] = DEEP ? VARIANTS : sampled(EXAMPLES);

function sampled(all: readonly Variant[]): Variant[] {
  const least = new Map<string, { variant: Variant; count: number }>();
  for (const variant of all) {
    const footprint = footprintOf(variant.document);
    const stratum = stratumOf(footprint);
    const count = footprint.lands.length;
    if (count < (least.get(stratum)?.count ?? Infinity)) least.set(stratum, { variant, count });
  }
  return [...least.values()].map(({ variant }) => variant);
}

/** In every run: the example, every choice of every option, and of the common sizes the first and the last of few lands. */
export const USUAL_VARIANTS: readonly Variant[] = DEEP
  ? VARIANTS
  : FAMILIES.flatMap((family) => {
      const all = variantsOf(family);
      const sizes = all.slice(all.length - (family.outlines?.length ?? 0));
      const few = sizes.filter(({ document }) => footprintOf(document).lands.length <= 100);
      const ends = new Set([few[0], few.at(-1)]);
      return all.filter((one) => !sizes.includes(one) || ends.has(one));
    });

/** Compiles or says why not. */
export function footprintOf(document: TapisDocument): Footprint {
  const { footprint, problems } = compile(document);
  if (!footprint) throw new Error(`${document.name}: ${problems.map(({ message }) => message).join('; ')}`);
  return footprint;
}
