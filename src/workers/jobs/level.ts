import { greyOf } from '../../core/source/picture/grey';
import type { Quarters } from '../../core/source/picture/upright';
import { readyHere, type Ready } from '../../kernel/source/picture';

/** A picture as a page draws it: red, green, blue and alpha. */
export interface LevelAsk {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
  /** How it is turned first. */
  readonly quarters: Quarters;
}

/** Sets a picture level and makes it ready for a reader of letters. */
export function level({ width, height, data, quarters }: LevelAsk): Ready {
  return readyHere(greyOf(width, height, data, 4), quarters);
}
