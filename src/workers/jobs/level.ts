import { encode } from 'fast-png';
import { greyOf } from '../../core/source/picture/grey';
import { prepared, type Levelling } from '../../core/source/picture/prepare';
import type { Quarters } from '../../core/source/picture/upright';

/** A picture as a page draws it: red, green, blue and alpha. */
export interface LevelAsk {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
  /** How it is turned first. */
  readonly quarters: Quarters;
}

/** The same made ready to be read, as a PNG, and how it was turned for that. */
export interface LevelAnswer {
  readonly png: Uint8Array;
  readonly width: number;
  readonly height: number;
  readonly levelling: Levelling;
  /** The same as shades of grey. */
  readonly shades: Uint8Array;
}

/** Sets a picture level and makes it ready for a reader of letters. */
export function level({ width, height, data, quarters }: LevelAsk): LevelAnswer {
  const { picture, levelling } = prepared(greyOf(width, height, data, 4), quarters);
  const png = encode({ width: picture.width, height: picture.height, data: picture.data, channels: 1 });
  const { width: wide, height: tall, data: shades } = picture;
  return { png, width: wide, height: tall, levelling, shades };
}
