// How wide letters are, as far as all upright faces agree: a run of text says only how long it is as a whole, and
// its words are found by the shares of their letters. Blanks are half as wide as digits: with equal shares, the
// words of a sentence would stand as far apart as columns do.

/** Signs by their width, as a share of the height of the face. Measured on common grotesque faces. */
const WIDTHS: readonly (readonly [width: number, signs: string])[] = [
  [0.22, "ijl'’|"],
  [0.28, ' .,:;!/\\Itf[]·'],
  [0.33, '()-r`"“”°{}‐‑'],
  [0.5, 'ckvxyzsJ'],
  [0.61, 'FTZ'],
  [0.58, '±+<>=~×÷≤≥−'],
  [0.67, 'ABEKPSVXY&'],
  [0.72, 'CDHNRUw'],
  [0.78, 'GOQ⌀Ø'],
  [0.83, 'mM'],
  [0.94, 'W%@—'],
];
/** Digits, the other small letters, and letters of other alphabets. */
const USUAL = 0.56;
/** Signs that fill a square. */
const SQUARE = /[\u3000-\u30ff\u3400-\u9fff\uac00-\ud7af\uff00-\uff60]/;

const WIDTH_OF = new Map(WIDTHS.flatMap(([width, signs]) => [...signs].map((sign) => [sign, width])));

/** Width of the signs of nearly all faces whose signs are equally wide, as a share of their height. */
const EQUAL = 0.6;
const SLACK = 0.004;

/**
 * Where each letter of a run of text begins, as a share of its whole length; one more for its end.
 * @param share length of the run by the number of its letters and the height of its face
 */
export function letterStarts(text: string, share: number): readonly number[] {
  const areEqual = Math.abs(share - EQUAL) < SLACK;
  const starts = [0];
  let sum = 0;
  for (const sign of text) {
    sum += areEqual ? 1 : (WIDTH_OF.get(sign) ?? (SQUARE.test(sign) ? 1 : USUAL));
    // a sign of two units stands where its first does
    for (let unit = 0; unit < sign.length; unit += 1) starts.push(sum);
  }
  return starts.map((start) => start / (sum || 1));
}
