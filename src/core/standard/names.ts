import { saidAt, type Standard } from './standard';
import { fillName, type NameValues } from './template';

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
