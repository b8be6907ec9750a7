/** An entry with every sign in its plainest form, and where each sign stood in what was typed. */
export interface PlainText {
  readonly text: string;
  /** Place in the typed text of each character, and of the end. */
  readonly at: readonly number[];
}

/** The plain form of signs that print alike or mean the same; an empty one takes no room. */
const PLAIN: readonly (readonly [signs: string, plain: string])[] = [
  ['−–—―‒‐‑﹣⁻', '-'],
  ['\u00a0\u2000\u2001\u2002\u2003\u2004\u2005\u2006\u2007\u2008\u2009\u200a\u202f\u205f\u3000', ' '],
  ['\u00ad\u200b\u200c\u200d\u2060\ufeff', ''],
  ['\n\r', '\t'],
  ['∼〜˜', '~'],
  ['″”“‟〃', '"'],
  ['′’‘´', "'"],
  ['✕✖⨯╳', '×'],
  ['∙⋅•', '·'],
  ['⩽≦', '≤'],
  ['⩾≧', '≥'],
  ['μ', 'µ'],
  ['Øøφϕ∅ΦФ', '⌀'],
  ['☐◻▢⬜', '□'],
  ['…', '...'],
  ['∕', '/'],
  ['∓', '±'],
  ['、', ','],
  ['【〔', '['],
  ['】〕', ']'],
  ['¼', ' 1⁄4'],
  ['½', ' 1⁄2'],
  ['¾', ' 3⁄4'],
  ['⅛', ' 1⁄8'],
  ['⅜', ' 3⁄8'],
  ['⅝', ' 5⁄8'],
  ['⅞', ' 7⁄8'],
];

const PLAIN_OF = new Map(PLAIN.flatMap(([signs, plain]) => [...signs].map((sign) => [sign, plain] as const)));

/** Full-width forms stand at a fixed distance from their ASCII twins. */
function narrow(sign: string): string {
  const code = sign.charCodeAt(0);
  return code >= 0xff01 && code <= 0xff5e ? String.fromCharCode(code - 0xfee0) : sign;
}

/** Brings an entry to plain signs: one minus, one space, ASCII digits, fractions written out. */
export function plainText(typed: string): PlainText {
  let text = '';
  const at: number[] = [];
  for (let i = 0; i < typed.length; i += 1) {
    const sign = narrow(typed.charAt(i));
    const plain = PLAIN_OF.get(sign) ?? sign;
    text += plain;
    for (let k = 0; k < plain.length; k += 1) at.push(i);
  }
  at.push(typed.length);
  return { text, at };
}

/** Whether a cell says that there is no value: `-`, `—`, `n/a`. */
export function isNotGiven(typed: string): boolean {
  // what has a digit gives a value: most entries need no second look
  return !/\d/.test(typed) && /^\s*(-+|n\.?\/?a\.?)\s*$/i.test(plainText(typed).text);
}
