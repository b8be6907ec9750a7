import { bold, others, regular } from './generated/fonts.js';

// The type of papers: what its letters are, and how wide.

/** What is written for signs that no face has, or that say nothing on paper. */
const WRITTEN: Readonly<Record<string, string>> = {
  '⌀': 'dia. ',
  '∥': '||',
  '▲': '',
  '●': '',
  '■': '',
  '✓': '',
  '\u00a0': ' ',
  '\u2009': ' ',
  '\u202f': ' ',
};
/** What stands for a letter that no face has, and nothing else is written for. */
const SHOWN_MISSING = '¤';

/** The script whose face has a letter; empty for the type itself, `null` where none has it. */
function scriptOf(letter: string): string | null {
  const code = String(letter.codePointAt(0));
  if (code in regular.widths) return '';
  return others.find(({ widths }) => code in widths)?.script ?? null;
}

/** A text in letters that there are faces for; each other one is shown as ¤. */
export function written(text: string): string {
  return [...text.normalize('NFC')]
    .map((letter) => WRITTEN[letter] ?? (scriptOf(letter) === null ? SHOWN_MISSING : letter))
    .join('');
}

/** A written text in parts, each with the script whose face has it; empty for the type itself. */
export function runsOf(said: string): { readonly text: string; readonly script: string }[] {
  const runs: { text: string; script: string }[] = [];
  for (const letter of said) {
    const script = scriptOf(letter) ?? '';
    const last = runs.at(-1);
    if (last?.script === script) last.text += letter;
    else runs.push({ text: letter, script });
  }
  return runs;
}

/** How long a text is in a size of the type, mm. */
export function widthOf(text: string, size: number, isBold = false): number {
  const { widths } = isBold ? bold : regular;
  const of = (letter: string): number => {
    const code = String(letter.codePointAt(0));
    return widths[code] ?? others.find((face) => code in face.widths)?.widths[code] ?? 500;
  };
  return ([...written(text)].reduce((sum, letter) => sum + of(letter), 0) * size) / 1000;
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
