import { fieldIn, fieldsOf } from './resolve';
import type { Standard, Stated } from './standard';
import { clauseText } from './words';

/** One place at which two standards want something else. */
export interface StandardDifference {
  /** Its place; empty for what is no clause. */
  readonly at: string;
  readonly title: string;
  /** In words; “as published” where a standard says nothing there. */
  readonly from: string;
  readonly to: string;
  readonly was: Stated | null;
  readonly is: Stated | null;
}

/** In what a second standard differs from a first, in the order of their fields. */
export function standardDifferences(a: Standard, b: Standard): StandardDifference[] {
  const places = new Set([...a.places, ...b.places]);
  const order = new Map([...fieldsOf(a), ...fieldsOf(b)].map(({ at }, i) => [at, i]));
  const rank = (at: string) => order.get(at) ?? order.size;
  const found = [...places]
    .sort((one, other) => rank(one) - rank(other) || (one < other ? -1 : 1))
    .flatMap((at): StandardDifference[] => {
      const [was, is] = [a.stated(at), b.stated(at)];
      if (was && is && was.value === is.value) return [];
      const field = fieldIn(b, at) ?? fieldIn(a, at);
      const published = field?.published ?? null;
      const words = (stated: Stated | null) => {
        if (stated) return field ? clauseText(field, stated.value) : String(stated.value);
        return published === null || !field ? 'not said' : `${clauseText(field, published)}, as published`;
      };
      return [{ at, title: field?.title ?? at, from: words(was), to: words(is), was, is }];
    });
  return [...wordDifferences(a, b), ...found];
}

/** Names, levels and rows. */
function wordDifferences(a: Standard, b: Standard): StandardDifference[] {
  const one = (title: string, from: string, to: string): StandardDifference[] =>
    from === to ? [] : [{ at: '', title, from, to, was: null, is: null }];
  const levels = (standard: Standard) =>
    standard.levels.map(({ id, title, letter, from }) => `${id} ${title} ${letter} ${from}`).join('; ');
  const rows = (standard: Standard) => standard.rows.map(({ title }) => title).join('; ') || 'none';
  return [...one('Levels', levels(a), levels(b)), ...one('Rows of its own', rows(a), rows(b))];
}
