import { saidAt, type Standard } from './standard';
import { fillName, parseHouseName, type NameValues } from './template';

/** A name by the house's template; as it is computed where the house says none. */
export function houseName(
  standard: Standard,
  of: 'footprint' | 'padstack' | 'file',
  values: NameValues,
): { readonly text: string; readonly missing: readonly string[] } {
  const usual = of === 'file' ? '{footprint}' : '{standard}';
  const filled = fillName(saidAt<string>(standard, `names/${of}`) ?? usual, values);
  return filled.text === '' ? fillName(usual, values) : filled;
}

/** The published name within a name that the house's template made; the name itself where it holds none. */
export function publishedPart(standard: Standard, name: string): string {
  const template = saidAt<string>(standard, 'names/footprint');
  return (template === null ? null : parseHouseName(template, name)?.['standard']) ?? name;
}
