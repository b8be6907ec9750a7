import { encode } from 'fast-png';
import {
  pageOfPicture,
  prepared,
  standing,
  type Levelling,
  type Prepared,
  type SeenWord,
} from '../../core/source/picture/prepare';
import { isBlank, type Grey } from '../../core/source/picture/grey';
import { withSigns } from '../../core/source/picture/signs';
import { STANDS } from '../../core/source/picture/upright';
import type { SourcePage } from '../../core/source/page';

/** Reads the words of a PNG picture: the one thing that is not done here. */
export type Recognise = (png: Uint8Array) => Promise<readonly SeenWord[]>;

/** Reads a page that is a picture. */
export async function readPicture(
  grey: Grey,
  recognise: Recognise,
  number = 1,
): Promise<{ readonly page: SourcePage; readonly levelling: Levelling }> {
  // a page without ink has no letters that would have to be sought
  if (isBlank(grey)) {
    const { width, height } = grey;
    const levelling = { quarters: 0 as const, angle: 0, scale: 1, width, height };
    return { page: pageOfPicture([], grey, number), levelling };
  }
  let best: { readonly seen: readonly SeenWord[]; readonly ready: Prepared; readonly sure: number } | null =
    null;
  for (const quarters of STANDS) {
    const ready = prepared(grey, quarters);
    const { width, height, data } = ready.picture;
    const seen = await recognise(encode({ width, height, data, channels: 1 }));
    const { sure, isUpright } = standing(seen);
    if (!best || sure > best.sure) best = { seen, ready, sure };
    if (isUpright) break;
  }
  const { seen, ready } = best as NonNullable<typeof best>;
  return {
    page: pageOfPicture(withSigns(seen, ready.picture), ready.picture, number),
    levelling: ready.levelling,
  };
}

/** What tesseract.js tells of a page, as far as it is used. */
interface Blocks {
  readonly blocks:
    | readonly {
        readonly paragraphs: readonly {
          readonly lines: readonly { readonly words: readonly TesseractWord[] }[];
        }[];
      }[]
    | null;
}

interface TesseractWord {
  readonly text: string;
  readonly confidence: number;
  readonly bbox: { readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number };
}

export function seenWords({ blocks }: Blocks): SeenWord[] {
  const words = (blocks ?? []).flatMap(({ paragraphs }) =>
    paragraphs.flatMap(({ lines }) => lines.flatMap((line) => line.words)),
  );
  return words.map(({ text, confidence, bbox }) => ({ text, confidence, area: bbox }));
}
