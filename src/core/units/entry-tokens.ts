import { plainText } from './entry-text';
import { foreignWord, noteFrom } from './foreign-words';
import type { LengthUnit } from './length';

/** Words that say how a value was given; they may stand before or after the number. */
export const QUALIFIERS = {
  max: 'max',
  maximum: 'max',
  min: 'min',
  minimum: 'min',
  typ: 'typical',
  typical: 'typical',
  nom: 'typical',
  nominal: 'typical',
  approx: 'typical',
  ca: 'typical',
  ref: 'reference',
  reference: 'reference',
  exact: 'exact',
  basic: 'exact',
  bsc: 'exact',
} as const;

export type Qualifier = (typeof QUALIFIERS)[keyof typeof QUALIFIERS];

/** What a sign beside a number says that the number is. */
export type Mark = 'diameter' | 'radius' | 'chamfer' | 'square';

interface AnyToken {
  /** Place in the typed text. */
  readonly at: number;
  readonly text: string;
  /** Whether a blank stands before it. */
  readonly gap: boolean;
}

export interface NumberToken extends AnyToken {
  readonly kind: 'number';
  readonly value: number;
  /** Digits after the decimal sign; `null` where there is none. */
  readonly decimals: number | null;
  readonly unit: LengthUnit | null;
}

export type Token =
  | NumberToken
  | (AnyToken & { kind: 'qualifier'; qualifier: Qualifier })
  | (AnyToken & { kind: 'symbol' })
  | (AnyToken & { kind: 'mark'; mark: Mark })
  | (AnyToken & { kind: 'places' })
  | (AnyToken & { kind: 'from' })
  | (AnyToken & { kind: 'note' })
  | (AnyToken & { kind: 'sign'; sign: Sign })
  | (AnyToken & { kind: 'end' });

/** `to` is every way to print a range that is not a dash, a slash or `..`; `|` parts the cells of a table. */
export type Sign =
  | '+'
  | '-'
  | '*'
  | '·'
  | '/'
  | '('
  | ')'
  | '['
  | ']'
  | '..'
  | '±'
  | 'to'
  | '~'
  | '÷'
  | '×'
  | '='
  | ':'
  | ','
  | '%'
  | '|';

/** Why an entry could not be read. `at` counts characters from 0. */
export interface EntryError {
  readonly at: number;
  readonly found: string;
  readonly expected: string;
  /** The whole sentence, ready to show. */
  readonly message: string;
}

/** Thrown inside the entry reader only; its public functions return it as a result. */
export class EntryFailure extends Error {
  constructor(readonly detail: EntryError) {
    super(detail.message);
  }
}

/** Stops reading: what was found at a place, and what could have stood there. */
export function refuse(at: number, found: string, expected: string): never {
  const what = found === '' ? 'the entry ends' : `“${found}” cannot be read`;
  const message = `At character ${at + 1} ${what}: expected ${expected}.`;
  throw new EntryFailure({ at, found, expected, message });
}

/** Stops reading: a text has two readings, and one has to be chosen. */
export function askBack(at: number, found: string, expected: string): never {
  const message = `At character ${at + 1} “${found}” has two readings: write ${expected}.`;
  throw new EntryFailure({ at, found, expected, message });
}

const UNITS: readonly (readonly [RegExp, LengthUnit])[] = [
  [/^(mm|millimet(er|re)s?)(?![a-z0-9_])/i, 'mm'],
  [/^([uµ]m|microns?)(?![a-z0-9_])/i, 'um'],
  [/^(mils?|thou)(?![a-z0-9_])/i, 'mil'],
  [/^(inch(es)?|in)(?![a-z0-9_])/i, 'in'],
  [/^("|'')/, 'in'],
];

const SIGNS: readonly (readonly [RegExp, Sign])[] = [
  [/^\.\.\.?/, '..'],
  [/^(±|\+\s*\/\s*-|\+-)/, '±'],
  [/^[+]/, '+'],
  [/^-/, '-'],
  [/^\*/, '*'],
  [/^·/, '·'],
  [/^×/, '×'],
  [/^÷/, '÷'],
  [/^~/, '~'],
  [/^\//, '/'],
  [/^\(/, '('],
  [/^\)/, ')'],
  [/^\[/, '['],
  [/^\]/, ']'],
  [/^=/, '='],
  [/^:/, ':'],
  [/^[,;]/, ','],
  [/^%/, '%'],
  [/^[\t|]/, '|'],
];

const MARKS: readonly (readonly [RegExp, Mark])[] = [
  [/^⌀/, 'diameter'],
  [/^dia\.?(?![a-z0-9_])/i, 'diameter'],
  [/^□/, 'square'],
  [/^sq\.?(?![a-z0-9_])/i, 'square'],
  [/^s?r(?=\s?\d*[.,]\d)/i, 'radius'],
  [/^c(?=\d*[.,]\d)/i, 'chamfer'],
];

// The point of "0." belongs to a number that is still being typed; the two of "5..6" make a range.
const NUMBER = /^(\d+(?:[.,]\d+|\.(?![.\d])|,(?=\s*$))?|[.,]\d+)/;
// An inch fraction: with the fraction's own slash, or with any slash where an inch mark follows.
const FRACTION =
  /^(?:(?<whole>\d+)(?: +|-))?(?<above>\d{1,2})(?:⁄|\/(?=\d{1,2} *(?:"|''|in(?:ch(?:es)?)?(?![a-z0-9_]))))(?<below>\d{1,2})/i;
const WORD = /^[A-Za-z_µ][A-Za-z0-9_]*/;
const COMPARISON = /^(<=|=<|≤|<|>=|=>|≥|>)/;
const BASIC = /^b\.\s?s\.\s?c\.?/i;
const PLACES = /^(pl|plcs?|places?)\.?(?![a-z0-9_])/i;
/** What stands between the limits of “between … and …”, in the languages that say it so. */
const AND = /^(and|und|et|y|e|и|en|och|og)(?=\s*\.?\d)/i;
const TIMES = /^x(?![a-z_]|\d*[a-z_])/i;

/** Splits an entry into tokens; refuses characters that no entry contains. */
export function tokenise(typed: string): Token[] {
  const plain = plainText(typed);
  // a cell without a value, of the same length so that places stay
  const text = plain.text.replace(/(^|[\t|])( *)n\/a(?= *([\t|]|$))/gi, '$1$2-  ');
  const tokens: Token[] = [];
  const end = noteFrom(text);
  let next = 0;
  let gap = false;
  while (next < end) {
    const rest = text.slice(next);
    const space = /^ +/.exec(rest);
    if (space) {
      next += space[0].length;
      gap = true;
      continue;
    }
    if (tokens.at(-1)?.kind === 'number' && endsInQualifier(rest)) {
      next += 1;
      continue;
    }
    const at = plain.at[next] ?? 0;
    // “between 0.05 and 0.15”: alone, “and” says no range
    const and = tokens[0]?.kind === 'from' && tokens.length > 1 ? AND.exec(rest)?.[0] : undefined;
    const { token, length } =
      and === undefined
        ? readToken(rest, at, gap, tokens.at(-1))
        : { token: { at, text: and, gap, kind: 'sign', sign: 'to' } as Token, length: and.length };
    tokens.push(token);
    next += length;
    gap = false;
    // datasheets print "typ." and "max." with a full stop
    if (token.kind === 'qualifier' && /^\.(?![.\d])/.test(text.slice(next))) next += 1;
  }
  if (end < text.length)
    tokens.push({ kind: 'note', at: plain.at[end] ?? 0, text: text.slice(end).trim(), gap });
  tokens.push({ kind: 'end', at: typed.length, text: '', gap });
  const from = tokens.find(({ kind }) => kind === 'from');
  if (from && !tokens.some((token) => token.kind === 'sign' && token.sign === 'to'))
    return refuse(from.at, from.text, 'a range: from one number to another');
  return tokens.filter(({ kind }) => kind !== 'from');
}

/** Whether nothing but a comma and a word of limits is left: “0.95 mm, basic”. */
function endsInQualifier(rest: string): boolean {
  const [, word = ''] = /^[,;] +([A-Za-z]+|b\.\s?s\.\s?c)\.?\s*$/i.exec(rest) ?? [];
  return word !== '' && (Object.hasOwn(QUALIFIERS, word.toLowerCase()) || BASIC.test(word));
}

/** Whether a text begins with a letter, or with a sign beyond ASCII. */
function beginsWord(rest: string): boolean {
  const code = rest.charCodeAt(0);
  return code > 0x7f || (code >= 0x41 && code <= 0x5a) || (code >= 0x61 && code <= 0x7a);
}

/** Whether a text begins with a word that is read as English, which every language prints. */
function isEnglish(rest: string): boolean {
  const word = /^[A-Za-z]+(?![\p{L}\p{M}])/u.exec(rest)?.[0].toLowerCase();
  return word !== undefined && (word === 'to' || Object.hasOwn(QUALIFIERS, word));
}

interface ReadToken {
  readonly token: Token;
  /** In the plain text. */
  readonly length: number;
}

function readToken(rest: string, at: number, gap: boolean, previous: Token | undefined): ReadToken {
  const number = readNumber(rest, at, gap, previous);
  if (number) return number;
  const made = (text: string, token: object): ReadToken => ({
    token: { at, text, gap, ...token } as Token,
    length: text.length,
  });
  const first = <T>(table: readonly (readonly [RegExp, T])[]) => {
    for (const [pattern, value] of table) {
      const text = pattern.exec(rest)?.[0];
      if (text) return { text, value };
    }
    return null;
  };
  const comparison = COMPARISON.exec(rest)?.[0];
  if (comparison) {
    const qualifier = /[<≤]/.test(comparison) ? 'max' : 'min';
    return made(comparison, { kind: 'qualifier', qualifier });
  }
  if (previous?.kind === 'number') {
    const places = PLACES.exec(rest)?.[0];
    if (places) return made(places, { kind: 'places' });
    const times = TIMES.exec(rest)?.[0];
    if (times) return made(times, { kind: 'sign', sign: '×' });
  }
  const foreign =
    beginsWord(rest) && !isEnglish(rest) ? foreignWord(rest, previous?.kind === 'number') : null;
  if (foreign) {
    const { text, said } = foreign;
    return made(text, said.kind === 'to' ? { kind: 'sign', sign: 'to' } : said);
  }
  const basic = BASIC.exec(rest)?.[0];
  if (basic) return made(basic, { kind: 'qualifier', qualifier: 'exact' });
  const mark = first(MARKS);
  if (mark) return made(mark.text, { kind: 'mark', mark: mark.value });
  const word = WORD.exec(rest)?.[0];
  if (word) {
    // "MAX1.75" is printed without a blank
    const letters = /^[A-Za-z]+(?=\d*[.,]\d)/.exec(rest)?.[0] ?? word;
    const lower = letters.toLowerCase();
    if (Object.hasOwn(QUALIFIERS, lower))
      return made(letters, { kind: 'qualifier', qualifier: QUALIFIERS[lower as keyof typeof QUALIFIERS] });
    return lower === 'to' ? made(letters, { kind: 'sign', sign: 'to' }) : made(word, { kind: 'symbol' });
  }
  const sign = first(SIGNS);
  if (sign) return made(sign.text, { kind: 'sign', sign: sign.value });
  const strange = /^[\p{L}\p{M}]+/u.exec(rest)?.[0] ?? rest[0] ?? '';
  return refuse(at, strange, 'a number, a unit or a dimension symbol');
}

/** A number with its unit; fractions of an inch are numbers too. */
function readNumber(rest: string, at: number, gap: boolean, previous: Token | undefined): ReadToken | null {
  const found = fractionAt(rest) ?? decimalAt(rest, previous, gap);
  if (!found) return null;
  const { value, decimals, text } = found;
  if (/\.$/.test(text) && /^ +\d/.test(rest.slice(text.length)))
    return refuse(at, text, 'digits right behind the decimal sign');
  if (/^0\d/.test(text)) return refuse(at, text, 'a number without leading zeros');
  if (text.startsWith(',') && previous?.text === ',')
    return refuse(at, text, 'a number between the two commas');
  if (previous?.kind === 'number' && !gap)
    return refuse(at, text, 'one decimal sign in a number, and a blank or a sign between two');
  const after = rest.slice(text.length);
  const blank = /^ */.exec(after)?.[0].length ?? 0;
  const tail = after.slice(blank);
  const unit = UNITS.find(([pattern]) => pattern.test(tail));
  const word = unit ? (unit[0].exec(tail)?.[0] ?? '') : '';
  // a dimension may be called "in" elsewhere, and a unit may end a sentence
  const stop = word && /^\.(?![.\d])/.test(tail.slice(word.length)) ? 1 : 0;
  const length = word ? text.length + blank + word.length + stop : text.length;
  return {
    token: { kind: 'number', at, text, gap, value, decimals, unit: unit?.[1] ?? null },
    length,
  };
}

function fractionAt(rest: string) {
  const match = FRACTION.exec(rest);
  if (!match) return null;
  const [text] = match;
  const { whole, above, below } = match.groups ?? {};
  const [over, under] = [Number(above), Number(below)];
  // rulers in inches are halved, and halved again
  if (over >= under || ![2, 4, 8, 16, 32, 64].includes(under)) return null;
  return { value: Number(whole ?? 0) + over / under, decimals: null, text };
}

function decimalAt(rest: string, previous: Token | undefined, gap: boolean) {
  const text = NUMBER.exec(rest)?.[0];
  if (!text) return null;
  // in "0.85,0.90" the comma parts two numbers, in "0,85" it is the decimal sign
  const parts = !gap && previous?.kind === 'number' && previous.text.includes('.');
  if (parts && /^,\d*\.\d/.test(rest)) return null;
  const fraction = /[.,](\d*)$/.exec(text)?.[1];
  return {
    value: Number(text.replace(',', '.')),
    decimals: fraction === undefined ? null : fraction.length,
    text,
  };
}
