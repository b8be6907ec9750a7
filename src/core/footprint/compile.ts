import type { TapisDocument } from '../document/document';
import { KNOWN_FAMILIES } from '../package/known';
import { compileWith } from './compiling';
import type { Compiled } from './footprint';
import { noModels, type ModelSource } from './imported';

/**
 * Compiles a document of any family.
 * @param models gives imported models by their key, as far as they are at hand
 */
export function compile(document: TapisDocument, models: ModelSource = noModels): Compiled {
  return compileWith(KNOWN_FAMILIES, document, models);
}
