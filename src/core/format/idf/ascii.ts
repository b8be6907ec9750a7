import anyAscii from 'any-ascii';

// IDF 3.0 is written in ASCII: letters of other scripts are written out, and the file says so.

/** Signs that would be read as letters: an ohm is no O. */
const SIGNS: readonly (readonly [RegExp, string])[] = [
  [/[ΩΩ]/g, 'Ohm'],
  [/°/g, 'deg'],
  [/±/g, '+-'],
];

/** A text in ASCII; what is ASCII already is left as it is. */
export function asciiOf(text: string): string {
  if (/^[\x20-\x7e]*$/.test(text)) return text;
  const said = SIGNS.reduce((now, [sign, words]) => now.replace(sign, words), text.normalize('NFC'));
  return (
    anyAscii(said)
      .replace(/[^\x20-\x7e]/g, ' ')
      .replace(/ {2,}/g, ' ')
      .trim() || '_'
  );
}

/** The line of a file that says that names were written out; none where all were ASCII. */
export function asciiNote(texts: readonly string[]): string[] {
  return texts.some((text) => asciiOf(text) !== text)
    ? ['# Names are in ASCII: signs and letters of other scripts are written out.']
    : [];
}
