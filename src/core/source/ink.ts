// What is drawn on a page beside its words: lines and areas, in the page's own points like the words, whatever
// drew them. Colours are not kept, only whether something can be seen and how it is filled.

/** One run of a path: x and y by turns, curves as chords. */
export interface InkLine {
  readonly points: readonly number[];
  readonly isClosed: boolean;
  /** Whether any of it is bent. */
  readonly isCurved: boolean;
}

/** How an area is filled: solid ink, a tint or a pattern; paper covers and shows nothing. */
export type Filling = 'solid' | 'tint' | 'pattern' | 'paper';

/** Lines that were drawn at a stroke. */
export interface InkPath {
  readonly lines: readonly InkLine[];
  /** Missing where it is not stroked. Width in points. */
  readonly stroke?: { readonly width: number; readonly isDashed: boolean };
  /** Missing where it is not filled. */
  readonly fill?: Filling;
}

/** The ink of a page. */
export interface Ink {
  readonly paths: readonly InkPath[];
  /** What of it was not read, in a sentence. */
  readonly cut?: string;
}

/** Paths and points of a page that are read; a mechanical page that is full has some thousands. */
export const MOST_PATHS = 60_000;
export const MOST_POINTS = 600_000;
