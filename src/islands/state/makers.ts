import type { TapisDocument } from '../../core/document/document';
import { COMPOSED } from '../../core/document/own-family';
import type { Compilers } from '../../core/footprint/compiling';
import { loadMakersOf } from '../../core/package/load';

// The first drawing waits for who draws its own kind of package only; all others follow it with the rules.

let atHand: Compilers = { families: [], composer: null, standards: null, ground: null };
let areAll = false;

/** Who draws packages, as far as they are loaded. */
export const makers = (): Compilers => atHand;

/** Whether a document can be drawn by who is loaded; one of no known family can be told to be so once all are. */
export function isMakerThere({ package: { family }, standard, body }: TapisDocument): boolean {
  if (areAll) return true;
  if (standard && !atHand.standards) return false;
  if (body?.model && !atHand.ground) return false;
  return family === COMPOSED ? atHand.composer !== null : atHand.families.some(({ id }) => id === family);
}

/** Loads all; fails where the server does not answer. */
export async function loadMakers(): Promise<void> {
  if (areAll) return;
  ({ COMPILERS: atHand } = await import('../../core/footprint/compile'));
  areAll = true;
}

/** Loads who draws a document's package; fails where the server does not answer. */
export async function loadMakerOf(document: TapisDocument): Promise<void> {
  if (isMakerThere(document)) return;
  // what is wanted otherwise than published is read by who knows every clause
  if (document.standard && !atHand.standards) {
    const { standardOf } = await import('../../core/standard/resolve');
    atHand = { ...atHand, standards: standardOf };
  }
  if (document.body?.model && !atHand.ground) {
    const { groundOf } = await import('../../core/footprint/ground');
    atHand = { ...atHand, ground: groundOf };
  }
  if (isMakerThere(document)) return;
  const loaded = await loadMakersOf(document.package.family);
  if (!loaded) return loadMakers();
  if (areAll) return;
  atHand = {
    families: [...atHand.families, ...loaded.families],
    composer: loaded.composer ?? atHand.composer,
    standards: atHand.standards,
    ground: atHand.ground,
  };
}
