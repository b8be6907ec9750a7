import type { TapisDocument } from '../document/document';
import { compile } from './compile';
import { guarded } from './fault';
import type { Compiled } from './footprint';
import { noModels, type ModelSource } from './imported';

/** Compiles a document of any family; a fault of the program is a finding of it. */
export function compileGuarded(document: TapisDocument, models: ModelSource = noModels): Compiled {
  return guarded(document, () => compile(document, models));
}
