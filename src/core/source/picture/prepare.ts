import type { Area, SourcePage, Word } from '../page';
import { inkOf, resampled, type Grey } from './grey';
import { letterHeight, withoutLines } from './lines';
import { skewOf } from './upright';

/** How tall letters are for the reader of letters, pixels. */
const READABLE = 30;
/** Largest picture that is read, pixels. */
export const LARGEST_PICTURE = 24_000_000;

/** How a picture was turned and enlarged to be read, to find the way back to its page. */
export interface Levelling {
  /** Radians. */
  readonly angle: number;
  readonly scale: number;
  /** Of the page as it is seen, pixels. */
  readonly width: number;
  readonly height: number;
}

/** A picture made ready to be read. */
export interface Prepared {
  readonly picture: Grey;
  readonly levelling: Levelling;
}

/** Turns a picture level, takes the ruling lines out and brings letters to a readable size. */
export function prepared(grey: Grey): Prepared {
  const { width, height } = grey;
  const angle = skewOf(grey);
  const level = Math.abs(angle) < 1e-4 ? grey : resampled(grey, 1, angle);
  const tall = letterHeight(level, inkOf(level));
  const bare = withoutLines(level, tall);
  const most = Math.sqrt(LARGEST_PICTURE / (width * height));
  const scale = Math.min(most, 3, Math.max(0.5, READABLE / tall));
  return { picture: resampled(bare, scale), levelling: { angle, scale, width, height } };
}

/** Where a place of the prepared picture is seen on the page. */
export function seenAt({ angle, scale, width, height }: Levelling): (area: Area) => Area {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [cx, cy] = [width / 2, height / 2];
  return ({ x0, y0, x1, y1 }) => {
    const [w, h] = [(x1 - x0) / scale, (y1 - y0) / scale];
    const [u, v] = [(x0 + x1) / 2 / scale - cx, (y0 + y1) / 2 / scale - cy];
    const [x, y] = [cos * u - sin * v + cx, sin * u + cos * v + cy];
    return { x0: x - w / 2, x1: x + w / 2, y0: y - h / 2, y1: y + h / 2 };
  };
}

/** A word as a reader of letters tells it, in the prepared picture. */
export interface SeenWord {
  readonly text: string;
  readonly area: Area;
  /** From 0 to 100. */
  readonly confidence: number;
}

/**
 * The page that was read from a picture. Its words keep the level places that they were read at, so that
 * lines are lines; {@link seenAt} tells where they are seen.
 */
export function pageOfPicture(
  seen: readonly SeenWord[],
  { width, height }: { readonly width: number; readonly height: number },
  number = 1,
): SourcePage {
  const words = seen.flatMap(({ text, area, confidence }): Word[] => {
    const plain = text.replace(/[|¦‖]/g, '').trim();
    return plain === '' || /^[_~=.,'`"‘’“”]+$/.test(plain)
      ? []
      : [{ text: plain, area, sure: confidence / 100 }];
  });
  return { number, width, height, words, isScan: true };
}
