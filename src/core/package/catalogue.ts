import type { PackageIntent } from '../document/document';
import type { DimensionDefinition, OptionDefinition, StandardOutline } from './definitions';
import { FAMILIES } from './families';
import { derivedText } from './resolve';

/** A kind of package that a footprint can be started from. */
export interface PackageKind {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  /** Words a person may search it by. */
  readonly keywords: readonly string[];
  /** What it asks for; a formula that depends on the options is that of the first choices. */
  readonly dimensions: readonly (Omit<DimensionDefinition, 'derived' | 'when'> & {
    readonly derived?: string;
  })[];
  readonly options: readonly Omit<OptionDefinition, 'read'>[];
  readonly outlines: readonly StandardOutline[];
  /** Entry texts of a common size, to start a drawing from; typical, not a datasheet. */
  readonly example: Readonly<Partial<Record<string, string>>>;
  /** A composed package to start from, as it is entered. */
  readonly package?: PackageIntent;
}

/** Every family, as plain data. */
export const CATALOGUE: readonly PackageKind[] = FAMILIES.map(
  ({ id, title, summary, keywords, dimensions, options, outlines, example }) => ({
    id,
    title,
    summary,
    keywords,
    dimensions: dimensions.map((definition) => {
      const { derived, when, ...rest } = definition;
      return derived === undefined ? rest : { ...rest, derived: derivedText(definition, {}) };
    }),
    options: options.map(({ id: option, name, choices, help }) => ({
      id: option,
      name,
      choices,
      ...(help === undefined ? {} : { help }),
    })),
    outlines: outlines ?? [],
    example,
  }),
);
