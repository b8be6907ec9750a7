import type { TapisDocument } from '../document/document';
import { ALL_MAKERS } from '../package/makers';
import { compileWith, type Compilers } from './compiling';
import type { Compiled } from './footprint';
import { groundOf } from './ground';
import { noModels, type ModelSource } from './imported';

/** Everybody who has a part in compiling. */
export const COMPILERS: Compilers = { ...ALL_MAKERS, ground: groundOf };

/**
 * Compiles a document of any family.
 * @param models gives imported models by their key, as far as they are at hand
 */
export function compile(document: TapisDocument, models: ModelSource = noModels): Compiled {
  return compileWith(COMPILERS, document, models);
}
