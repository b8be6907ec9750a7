import type { Area, SourcePage, Word } from '../page';
import { inkOf, resampled, type Grey } from './grey';
import { letterHeight, withoutLines } from './lines';
import { quarterTurned, skewOf, type Quarters } from './upright';

/** How tall letters are for the reader of letters, pixels. */
const READABLE = 30;
/** Largest picture that is read, pixels. */
export const LARGEST_PICTURE = 24_000_000;

/** How a picture was turned and enlarged to be read, to find the way back to its page. */
export interface Levelling {
  /** Quarters clockwise, before all else. */
  readonly quarters: Quarters;
  /** Radians. */
  readonly angle: number;
  readonly scale: number;
  /** Of the page once it stands upright, pixels. */
  readonly width: number;
  readonly height: number;
}

/** A picture made ready to be read. */
export interface Prepared {
  readonly picture: Grey;
  readonly levelling: Levelling;
}

/** How sure the words of a page are on average, of 100: 64 and more where it stands upright, 44 where it lies. */
const UPRIGHT = 55;
/** Words that tell by how sure they are whether a page lies. */
const ENOUGH = 12;

/** How sure the words of a page are on average, and whether it stands upright by all that they tell. */
export function standing(seen: readonly SeenWord[]): { readonly sure: number; readonly isUpright: boolean } {
  const words = seen.filter(({ text }) => /[\p{L}\d]{2}/u.test(text));
  const sure = words.reduce((sum, { confidence }) => sum + confidence, 0) / Math.max(1, words.length);
  return { sure, isUpright: words.length < ENOUGH || sure > UPRIGHT };
}

/** Turns a picture level, takes the ruling lines out and brings letters to a readable size. */
export function prepared(seen: Grey, quarters: Quarters = 0): Prepared {
  const grey = quarterTurned(seen, quarters);
  const { width, height } = grey;
  const angle = skewOf(grey);
  const level = Math.abs(angle) < 1e-4 ? grey : resampled(grey, 1, angle);
  const tall = letterHeight(level, inkOf(level));
  const bare = withoutLines(level, tall);
  const most = Math.sqrt(LARGEST_PICTURE / (width * height));
  const scale = Math.min(most, 3, Math.max(0.5, READABLE / tall));
  return { picture: resampled(bare, scale), levelling: { quarters, angle, scale, width, height } };
}

/** Where a place of the prepared picture is seen on the page. */
export function seenAt({ quarters, angle, scale, width, height }: Levelling): (area: Area) => Area {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [cx, cy] = [width / 2, height / 2];
  return ({ x0, y0, x1, y1 }) => {
    const [w, h] = [(x1 - x0) / scale, (y1 - y0) / scale];
    const [u, v] = [(x0 + x1) / 2 / scale - cx, (y0 + y1) / 2 / scale - cy];
    const [x, y] = [cos * u - sin * v + cx, sin * u + cos * v + cy];
    const upright = { x0: x - w / 2, x1: x + w / 2, y0: y - h / 2, y1: y + h / 2 };
    if (quarters === 0) return upright;
    return quarters === 1
      ? { x0: upright.y0, x1: upright.y1, y0: width - upright.x1, y1: width - upright.x0 }
      : { x0: height - upright.y1, x1: height - upright.y0, y0: upright.x0, y1: upright.x1 };
  };
}

/** A word as a reader of letters tells it, in the prepared picture. */
export interface SeenWord {
  readonly text: string;
  readonly area: Area;
  /** From 0 to 100. */
  readonly confidence: number;
}

/** Dots that lead to a value, with the letters that some of them are taken for. */
const LEADER = /(?:\.[a-z]{0,12}(?=\.)){2,}\.?[a-z.]*/g;

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
    const plain = text.replace(/[|¦‖]/g, '').replace(LEADER, '......').trim();
    return plain === '' || /^[_~=.,'`"‘’“”]+$/.test(plain)
      ? []
      : [{ text: plain, area, sure: confidence / 100 }];
  });
  return { number, width, height, words, isScan: true };
}
