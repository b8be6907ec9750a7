// IDF 3.0 is written in ASCII: letters with marks lose them, other signs are written out, and the file says so.

/** Signs that are written out, before marks are taken from letters: an ohm is no O. */
const SIGNS: Readonly<Record<string, string>> = {
  Ω: 'Ohm',
  '\u2126': 'Ohm',
  µ: 'u',
  μ: 'u',
  '°': 'deg',
  '±': '+-',
  '×': 'x',
  '–': '-',
  '—': '-',
  '−': '-',
  '⁄': '/',
  ß: 'ss',
  Æ: 'Ae',
  æ: 'ae',
  Œ: 'Oe',
  œ: 'oe',
  Ø: 'O',
  ø: 'o',
  Ł: 'L',
  ł: 'l',
  Đ: 'D',
  đ: 'd',
  ı: 'i',
  '‘': "'",
  '’': "'",
  '“': "'",
  '”': "'",
};

/** A sign in ASCII: written out, without its marks, or by its code point, so that no two names fall together. */
function signOf(sign: string): string {
  if (/^[\x20-\x7e]$/.test(sign)) return sign;
  const known = SIGNS[sign];
  if (known !== undefined) return known;
  if (/^[\p{M}\p{C}]$/u.test(sign)) return '';
  if (/^\p{Z}$/u.test(sign)) return ' ';
  return `U+${(sign.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')}`;
}

/** A text in ASCII; what is ASCII already is left as it is. */
export function asciiOf(text: string): string {
  if (/^[\x20-\x7e]*$/.test(text)) return text;
  // signs that have words of their own go before what they are made of
  const said = [...text].map((sign) => SIGNS[sign] ?? sign).join('');
  return [...said.normalize('NFKD')].map(signOf).join('').replace(/ {2,}/g, ' ').trim() || '_';
}

/** The line of a file that says that names were written out; none where all were ASCII. */
export function asciiNote(texts: readonly string[]): string[] {
  return texts.some((text) => asciiOf(text) !== text)
    ? ['# Names are in ASCII: letters without their marks, other signs written out or by their code points.']
    : [];
}
