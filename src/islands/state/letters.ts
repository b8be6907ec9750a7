import { ownLetters, STANDARD_LETTERS, type Letters } from '../../core/package/letters';
import type { ResolvedPackage } from '../../core/package/resolve';
import { keepLook, keptLook } from '../common/look';
import type { BenchState } from './bench';

// Whose letters a footprint is looked at with is nobody's intent: it stays in this browser.

const keyOf = (id: string) => `tapis-letters-${id}`;

/** Whether a footprint was last looked at with its datasheet's letters. */
export function keptLetters(id: string): boolean {
  return keptLook(keyOf(id)) === 'own';
}

export function keepLetters(id: string, own: boolean): void {
  keepLook(keyOf(id), own ? 'own' : 'standard');
}

const known = new WeakMap<ResolvedPackage, Letters>();

/** The datasheet's letters of a footprint where it has others than the standard ones, whether they are shown or not. */
export function lettersOfSheet({ derived }: Pick<BenchState, 'derived'>): Letters {
  const { resolved } = derived.compiled;
  if (!resolved) return STANDARD_LETTERS;
  const letters = known.get(resolved) ?? ownLetters(resolved);
  known.set(resolved, letters);
  return letters;
}

/** The letters that a footprint is looked at with. */
export function lettersOf(state: Pick<BenchState, 'derived' | 'letters'>): Letters {
  return state.letters ? lettersOfSheet(state) : STANDARD_LETTERS;
}
