import type { TapisDocument } from '../../core/document/document';
import { COMPOSED } from '../../core/package/composed/draw';
import type { Families } from '../../core/package/draw';
import { loadKindOf } from '../../core/package/load';

// The first drawing waits for the families of its own kind only; all others follow it with the rules.

let atHand: Families = [];
let areAll = false;

/** The families that are loaded. */
export const families = (): Families => atHand;

/** Whether a document can be drawn with the families that are loaded; one of none can be told to be so once all are. */
export function isFamilyThere({ package: { family } }: TapisDocument): boolean {
  return areAll || family === COMPOSED || atHand.some(({ id }) => id === family);
}

/** Loads all families; fails where the server does not answer. */
export async function loadFamilies(): Promise<void> {
  if (areAll) return;
  ({ KNOWN_FAMILIES: atHand } = await import('../../core/package/known'));
  areAll = true;
}

/** Loads what a document's package is drawn by; fails where the server does not answer. */
export async function loadFamilyOf(document: TapisDocument): Promise<void> {
  if (isFamilyThere(document)) return;
  const kind = await loadKindOf(document.package.family);
  if (!kind) return loadFamilies();
  if (!areAll) atHand = [...atHand, ...kind];
}
