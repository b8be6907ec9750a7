/** Largest file with a whole Shelf, in characters. */
export const LARGEST_SHELF = 50_000_000;

/** Where a document of a Shelf stands: names of its groups, outermost first, and its tags. */
export interface Standing {
  readonly group?: readonly string[];
  readonly tags?: readonly string[];
}
