import type { TapisDocument } from '../document/document';
import { ALL_MAKERS } from '../package/makers';
import { compileWith } from './compiling';
import type { Compiled } from './footprint';
import { noModels, type ModelSource } from './imported';

/**
 * Compiles a document of any family.
 * @param models gives imported models by their key, as far as they are at hand
 */
export function compile(document: TapisDocument, models: ModelSource = noModels): Compiled {
  return compileWith(ALL_MAKERS, document, models);
}
