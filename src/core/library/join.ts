import { editsBetween } from '../document/difference';
import { applyEdits, valueAt, type Edit } from '../document/edit';

// The join of three: what two people made of one document is brought together by its fields. Pure, and a clash
// is a value: nobody's edit is lost without a word.

/** One place that both changed, each otherwise. */
export interface Clash {
  /** A JSON pointer: the wider of the two places. */
  readonly at: string;
  readonly base: unknown;
  readonly ours: unknown;
  readonly theirs: unknown;
}

/** What a join comes to. */
export interface Join<D> {
  /** With both sides’ edits; where they clash, ours. */
  readonly ours: D;
  /** The same where they clash with theirs. */
  readonly theirs: D;
  readonly clashes: readonly Clash[];
}

/** Whether a place is another one or holds it. */
function holds(wide: string, narrow: string): boolean {
  return narrow === wide || narrow.startsWith(`${wide}/`);
}

/**
 * Joins two documents that come from one. Edits of different fields are both made; the same edit on both sides
 * is made once; where one side changed what the other changed too, or something in it, both values are kept.
 */
export function joined<D extends object>(base: D, ours: D, theirs: D): Join<D> {
  const [own, other] = [editsBetween(base, ours), editsBetween(base, theirs)];
  const meets = (edit: Edit, all: readonly Edit[]) =>
    all.filter((one) => (holds(one.at, edit.at) || holds(edit.at, one.at)) && !isSame(one, edit));
  const clashing = [
    ...own.filter((edit) => meets(edit, other).length > 0),
    ...other.filter((edit) => meets(edit, own).length > 0),
  ];
  const places = widest(clashing.map(({ at }) => at));
  const isClear = ({ at }: Edit) => !places.some((place) => holds(place, at) || holds(at, place));
  const [clearOwn, clearOther] = [own.filter(isClear), other.filter(isClear)];
  // what both did alike is done once
  const both = [...clearOwn, ...clearOther.filter((edit) => !clearOwn.some((one) => isSame(one, edit)))];
  const shared = applyEdits(base, both);
  const withSide = (edits: readonly Edit[]) =>
    applyEdits(
      shared,
      edits.filter((edit) => !isClear(edit)),
    );
  return {
    ours: withSide(own),
    theirs: withSide(other),
    clashes: places.map((at) => ({
      at,
      base: valueAt(base, at),
      ours: valueAt(ours, at),
      theirs: valueAt(theirs, at),
    })),
  };
}

/** Places without those that lie in another of them, each once. */
function widest(places: readonly string[]): string[] {
  const all = [...new Set(places)];
  return all.filter((at) => !all.some((other) => other !== at && holds(other, at)));
}

function isSame(a: Edit, b: Edit): boolean {
  return a.at === b.at && JSON.stringify(a.value) === JSON.stringify(b.value);
}
