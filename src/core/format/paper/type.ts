import { bold, regular } from './generated/fonts.js';

// The type of papers: what its letters are, and how wide.

/** Letters that the type has not, by what is written for them. */
const WRITTEN: Readonly<Record<string, string>> = {
  '⌀': 'dia. ',
  '→': '>',
  '←': '<',
  '≥': 'at least ',
  '≤': 'at most ',
  '√': 'sqrt',
  '≈': 'about ',
  '¼': '1/4',
  Δ: 'delta ',
  σ: 'sigma',
  Ω: 'ohm',
  π: 'pi',
  '∥': '||',
  '▲': '',
  '●': '',
  '■': '',
  '✓': '',
  '\u00a0': ' ',
  '\u2009': ' ',
  '\u202f': ' ',
  '₁': '1',
  '₂': '2',
};
/** What stands for a letter that the type has not, and nothing else is written for. */
const SHOWN_MISSING = '¤';

/** A text in letters that the type has; each other one is shown as ¤. */
export function written(text: string): string {
  return [...text.normalize('NFC')]
    .map((letter) => {
      const code = String(letter.codePointAt(0));
      if (code in regular.widths) return letter;
      return WRITTEN[letter] ?? SHOWN_MISSING;
    })
    .join('');
}

/** How long a text is in a size of the type, mm. */
export function widthOf(text: string, size: number, isBold = false): number {
  const { widths } = isBold ? bold : regular;
  return (
    ([...written(text)].reduce((sum, letter) => sum + (widths[String(letter.codePointAt(0))] ?? 500), 0) *
      size) /
    1000
  );
}

/** Breaks a text into lines that are no longer than they may be; a word that is longer is cut. */
export function brokenInto(text: string, size: number, width: number, isBold = false): string[] {
  const lines: string[] = [];
  for (const paragraph of text.split(/\r?\n/)) {
    let current = '';
    for (const word of paragraph.split(/ +/).flatMap((one) => cut(one, size, width, isBold))) {
      const longer = current === '' ? word : `${current} ${word}`;
      if (current !== '' && widthOf(longer, size, isBold) > width) {
        lines.push(current);
        current = word;
      } else current = longer;
    }
    lines.push(current);
  }
  return lines;
}

function cut(word: string, size: number, width: number, isBold: boolean): string[] {
  if (widthOf(word, size, isBold) <= width) return [word];
  const parts: string[] = [];
  let part = '';
  for (const letter of word) {
    if (part !== '' && widthOf(part + letter, size, isBold) > width) {
      parts.push(part);
      part = '';
    }
    part += letter;
  }
  return [...parts, part];
}
