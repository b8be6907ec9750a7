import { encode } from 'fast-png';
import {
  pageOfPicture,
  prepared,
  seenAt,
  standing,
  type Prepared,
  type SeenWord,
} from '../../core/source/picture/prepare';
import { isBlank, type Grey } from '../../core/source/picture/grey';
import { doubtfulPlaces, enlarged, replaced } from '../../core/source/picture/second-pass';
import { withSigns } from '../../core/source/picture/signs';
import { STANDS, type Quarters } from '../../core/source/picture/upright';
import type { Area, SourcePage } from '../../core/source/page';

/** Reads the words of a PNG picture: the one thing that is not done here. */
export type Recognise = (png: Uint8Array) => Promise<readonly SeenWord[]>;

/** A picture made ready to be read, and the same as a PNG. */
export interface Ready extends Prepared {
  readonly png: Uint8Array;
}

/** Makes a picture ready to be read, turned by quarters first. */
type Prepare = (quarters: Quarters) => Promise<Ready> | Ready;

/** A page that was read from a picture. */
interface PictureRead {
  readonly page: SourcePage;
  /** Where a place of it is seen on the picture. */
  readonly seen: (area: Area) => Area;
}

const pngOf = ({ width, height, data }: Grey) => encode({ width, height, data, channels: 1 });

/** Makes a picture ready, in the thread that asks for it. */
export function readyHere(grey: Grey, quarters: Quarters): Ready {
  const ready = prepared(grey, quarters);
  return { ...ready, png: pngOf(ready.picture) };
}

/** Reads a page that is a picture. */
export async function readPicture(grey: Grey, recognise: Recognise, number = 1): Promise<PictureRead> {
  if (!isBlank(grey)) return readPrepared((quarters) => readyHere(grey, quarters), recognise, number);
  // a page without ink has no letters that would have to be sought
  const { width, height } = grey;
  const levelling = { quarters: 0 as const, angle: 0, scale: 1, width, height };
  return { page: pageOfPicture([], grey, number), seen: seenAt(levelling) };
}

/**
 * Reads a page that is a picture and may lie on its side: as it stands where its words are surest. What is not
 * clear in it, or holds several lines in one, is read once more by itself.
 */
export async function readPrepared(prepare: Prepare, recognise: Recognise, number = 1): Promise<PictureRead> {
  let best: { readonly words: readonly SeenWord[]; readonly ready: Ready; readonly sure: number } | null =
    null;
  for (const quarters of STANDS) {
    const ready = await prepare(quarters);
    const words = await recognise(ready.png);
    const { sure, isUpright } = standing(words);
    if (!best || sure > best.sure) best = { words, ready, sure };
    if (isUpright) break;
  }
  const { words, ready } = best as NonNullable<typeof best>;
  let seen = words;
  for (const place of doubtfulPlaces(words)) {
    const part = enlarged(ready.picture, place);
    seen = replaced(seen, place, await recognise(pngOf(part.picture)), part);
  }
  const { picture, levelling } = ready;
  return {
    page: pageOfPicture(withSigns(seen, picture), picture, number),
    seen: seenAt(levelling),
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
