// What a reader of pages hands over: words and where they stand. Whether a page came as text, from a PDF
// or from a picture is not known above here, except for how sure a word is.

/** A part of a page: x right, y down, in the page's own points, pixels or letters. */
export interface Area {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  /** The page that it is a part of, where that is another than the one that is read. */
  readonly page?: number;
}

/** A printed word. */
export interface Word {
  readonly text: string;
  readonly area: Area;
  /** From 0 to 1; 1 for what was not guessed from a picture. */
  readonly sure: number;
  /** How it stands where it is turned on the page: degrees counter-clockwise. */
  readonly angle?: number;
  /** Height of its letters where it is turned, in the page's points. */
  readonly size?: number;
}

/** One page of a datasheet. */
export interface SourcePage {
  /** From 1. */
  readonly number: number;
  readonly width: number;
  readonly height: number;
  readonly words: readonly Word[];
  /** Whether its words were read from a picture. */
  readonly isScan: boolean;
  /** What of it was not read, in a sentence. */
  readonly cut?: string;
}

/** The smallest area round some areas; `null` round none. */
export function areaRound(areas: readonly (Area | null)[]): Area | null {
  const known = areas.filter((area) => area !== null);
  const [first] = known;
  if (!first) return null;
  return {
    ...(first.page === undefined ? {} : { page: first.page }),
    x0: Math.min(...known.map(({ x0 }) => x0)),
    y0: Math.min(...known.map(({ y0 }) => y0)),
    x1: Math.max(...known.map(({ x1 }) => x1)),
    y1: Math.max(...known.map(({ y1 }) => y1)),
  };
}

/** The words whose middle lies in an area. */
export function wordsIn(words: readonly Word[], { x0, y0, x1, y1 }: Area): Word[] {
  return words.filter(({ area }) => {
    const [x, y] = [(area.x0 + area.x1) / 2, (area.y0 + area.y1) / 2];
    return x >= x0 && x <= x1 && y >= y0 && y <= y1;
  });
}
