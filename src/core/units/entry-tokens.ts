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
  ref: 'reference',
  reference: 'reference',
  exact: 'exact',
  basic: 'exact',
  bsc: 'exact',
} as const;

export type Qualifier = (typeof QUALIFIERS)[keyof typeof QUALIFIERS];

export type Token =
  | { kind: 'number'; value: number; at: number; text: string }
  | { kind: 'unit'; unit: LengthUnit; at: number; text: string }
  | { kind: 'qualifier'; qualifier: Qualifier; at: number; text: string }
  | { kind: 'symbol'; at: number; text: string }
  | { kind: 'sign'; sign: Sign; at: number; text: string }
  | { kind: 'end'; at: number; text: '' };

export type Sign = '+' | '-' | '*' | '/' | '(' | ')' | '..' | '±';

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

const UNITS: Readonly<Record<string, LengthUnit>> = {
  mm: 'mm',
  um: 'um',
  µm: 'um',
  μm: 'um',
  mil: 'mil',
  mils: 'mil',
  in: 'in',
  inch: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
};

const SIGNS: readonly (readonly [RegExp, Sign])[] = [
  [/^(\.\.\.?|…)/, '..'],
  [/^(±|\+\s*\/\s*[-−–]|\+-)/, '±'],
  [/^\+/, '+'],
  [/^[-−–]/, '-'],
  [/^[*×·]/, '*'],
  [/^[/÷]/, '/'],
  [/^\(/, '('],
  [/^\)/, ')'],
];

// The point of "0." belongs to a number that is still being typed; the two of "5..6" make a range.
const NUMBER = /^(\d+(?:[.,](?!\.)\d*)?|[.,]\d+)/;
const WORD = /^[A-Za-zµμ][A-Za-z0-9_]*/;
const INCH_MARK = /^["″”]/;
const COMPARISON = /^(<=|≤|>=|≥)/;

/** Splits an entry into tokens; refuses characters that no entry contains. */
export function tokenise(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    const rest = text.slice(at);
    const space = /^\s+/.exec(rest);
    if (space) {
      at += space[0].length;
      continue;
    }
    const token = readToken(rest, at, tokens.at(-1));
    tokens.push(token);
    at += token.text.length;
    // datasheets print "typ." and "max." with a full stop
    if (token.kind === 'qualifier' && /^\.(?![.\d])/.test(text.slice(at))) at += 1;
  }
  tokens.push({ kind: 'end', at: text.length, text: '' });
  return tokens;
}

function readToken(rest: string, at: number, previous: Token | undefined): Token {
  const number = NUMBER.exec(rest)?.[0];
  if (number) {
    return { kind: 'number', value: Number(number.replace(',', '.')), at, text: number };
  }
  const inch = INCH_MARK.exec(rest)?.[0];
  if (inch) return { kind: 'unit', unit: 'in', at, text: inch };
  const comparison = COMPARISON.exec(rest)?.[0];
  if (comparison) {
    const qualifier = comparison === '<=' || comparison === '≤' ? 'max' : 'min';
    return { kind: 'qualifier', qualifier, at, text: comparison };
  }
  const word = WORD.exec(rest)?.[0];
  if (word) return readWord(word, at, previous);
  for (const [pattern, sign] of SIGNS) {
    const found = pattern.exec(rest)?.[0];
    if (found) return { kind: 'sign', sign, at, text: found };
  }
  return refuse(at, rest[0] ?? '', 'a number, a unit or a dimension symbol');
}

function readWord(word: string, at: number, previous: Token | undefined): Token {
  // "mm" after a number is a unit; a dimension may still be called "in" or "M" elsewhere
  const unit = Object.hasOwn(UNITS, word) ? UNITS[word] : undefined;
  if (unit && previous?.kind === 'number') return { kind: 'unit', unit, at, text: word };
  const lower = word.toLowerCase();
  if (Object.hasOwn(QUALIFIERS, lower)) {
    const qualifier = QUALIFIERS[lower as keyof typeof QUALIFIERS];
    return { kind: 'qualifier', qualifier, at, text: word };
  }
  return { kind: 'symbol', at, text: word };
}
