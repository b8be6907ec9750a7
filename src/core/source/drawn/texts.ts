import type { Area, Word } from '../page';
import { areaRound } from '../page';
import { cornersOf, frameAt, spanOf, type Frame, type Span } from './frame';

// Words that stand together are one text, at any angle: a drawing places letters as it likes.

/** A text of a drawing. */
export interface DrawnText {
  readonly text: string;
  readonly area: Area;
  readonly frame: Frame;
  /** Where it stands in its own frame. */
  readonly span: Span;
  /** Height of its letters, points. */
  readonly size: number;
  readonly sure: number;
  /** The words that it was joined of, in order. */
  readonly words: readonly DrawnText[];
}

/** Height of a word's area as a share of the size of its letters. */
const TALL = 0.92;
/** Gaps in letters' sizes: under the first there is no blank, over the second another text begins. */
const GLUED = 0.16;
const PARTED = 0.75;

/** The texts of a page, those of several lines line by line. */
export function textsOf(words: readonly Word[]): DrawnText[] {
  const byAngle = new Map<number, DrawnText[]>();
  for (const word of words) {
    const frame = frameAt(Math.round(word.angle ?? 0));
    const text = alone(word, frame);
    byAngle.set(frame.angle, [...(byAngle.get(frame.angle) ?? []), text]);
  }
  return [...byAngle.values()].flatMap(joined);
}

function alone({ text, area, size, sure }: Word, frame: Frame): DrawnText {
  const around = spanOf(frame, cornersOf(area));
  const isAskew = frame.angle % 90 !== 0;
  const letters = size ?? (around.v1 - around.v0) / TALL;
  if (!isAskew) return { text, area, frame, span: around, size: letters, sure, words: [] };
  // the box round a word that is askew is larger than the word
  const [mid, level] = [(around.u0 + around.u1) / 2, (around.v0 + around.v1) / 2];
  const [c, s] = [Math.abs(frame.c), Math.abs(frame.s)];
  const [w, h] = [area.x1 - area.x0, area.y1 - area.y0];
  const tall = TALL * letters;
  const long = c > s ? (w - tall * s) / c : (h - tall * c) / s;
  const span = { u0: mid - long / 2, u1: mid + long / 2, v0: level - tall / 2, v1: level + tall / 2 };
  return { text, area, frame, span, size: letters, sure, words: [] };
}

/** Words of one angle, joined along their lines. */
function joined(all: readonly DrawnText[]): DrawnText[] {
  const lines: DrawnText[][] = [];
  const inOrder = [...all].sort((a, b) => level(a) - level(b) || a.span.u0 - b.span.u0);
  for (const one of inOrder) {
    // letters of one line stand on it, whatever else stands between
    const line = lines.findLast(
      (other) =>
        other[0] !== undefined &&
        Math.abs(level(other[0]) - level(one)) < 0.25 * Math.min(one.size, other[0].size) &&
        Math.abs(other[0].size - one.size) < 0.2 * one.size,
    );
    if (line) line.push(one);
    else lines.push([one]);
  }
  return lines.flatMap((line) => {
    const texts: DrawnText[] = [];
    for (const one of [...line].sort((a, b) => a.span.u0 - b.span.u0)) {
      const last = texts.at(-1);
      const gap = last ? (one.span.u0 - last.span.u1) / one.size : Infinity;
      // a text that lies over another is printed twice, or is none of it
      if (last && gap < PARTED && gap > -0.5)
        texts[texts.length - 1] = glued(last, one, gap < GLUED ? '' : ' ');
      else texts.push(one);
    }
    return texts;
  });
}

const level = ({ span }: DrawnText) => (span.v0 + span.v1) / 2;

/** A text of two that stand on one line. */
function glued(a: DrawnText, b: DrawnText, between: string): DrawnText {
  return {
    text: a.text + between + b.text,
    area: areaRound([a.area, b.area]) ?? a.area,
    frame: a.frame,
    span: {
      u0: Math.min(a.span.u0, b.span.u0),
      u1: Math.max(a.span.u1, b.span.u1),
      v0: Math.min(a.span.v0, b.span.v0),
      v1: Math.max(a.span.v1, b.span.v1),
    },
    size: Math.max(a.size, b.size),
    sure: Math.min(a.sure, b.sure),
    words: [...(a.words.length > 0 ? a.words : [a]), b],
  };
}

/** A text as the two that it is where its widest gap is a place between texts; `null` where it is one word. */
export function parted({ words }: DrawnText): readonly [DrawnText, DrawnText] | null {
  const gaps = words.slice(1).map((word, i) => word.span.u0 - (words[i]?.span.u1 ?? 0));
  const at = gaps.indexOf(Math.max(...gaps)) + 1;
  const [before, behind] = [rejoined(words.slice(0, at)), rejoined(words.slice(at))];
  return before && behind ? [before, behind] : null;
}

function rejoined([first, ...rest]: readonly DrawnText[]): DrawnText | null {
  return first
    ? rest.reduce((a, b) => glued(a, b, (b.span.u0 - a.span.u1) / b.size < GLUED ? '' : ' '), first)
    : null;
}
