import { isNoteWord, LIMIT_WORDS, plainWord, RANGE_WORDS, type Limit } from '../words';
import type { Qualifier } from './entry-tokens';

// Words of datasheets in other languages, as they stand beside a number: “máx 1,75”, “1.75以下”, “от 0.8 до 1.0”.

/** What a word beside a number says. */
export type Said =
  | { readonly kind: 'qualifier'; readonly qualifier: Qualifier }
  | { readonly kind: 'from' }
  | { readonly kind: 'to' };

const QUALIFIER_OF: Readonly<Partial<Record<Limit, Qualifier>>> = {
  min: 'min',
  max: 'max',
  nom: 'typical',
  typical: 'typical',
  reference: 'reference',
  exact: 'exact',
};

/** Scripts that are written without blanks between words. */
const UNPARTED = /^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/u;
const LETTERS = /^[\p{L}\p{M}]+/u;

const KNOWN = [...new Set([...LIMIT_WORDS.keys(), ...RANGE_WORDS.keys()])];
/** Longest first: “最小值” goes before “最小”. */
const JOINED = KNOWN.filter((word) => UNPARTED.test(word) || word.includes(' ')).sort(
  (a, b) => b.length - a.length,
);

/**
 * The word that a text begins with, where a dictionary has it with one meaning.
 * @param rest of an entry, in its plain signs
 * @param behindNumber whether it stands behind a number; else a number has to follow, as words are no symbols
 */
export function foreignWord(
  rest: string,
  behindNumber: boolean,
): { readonly text: string; readonly said: Said } | null {
  const lower = rest.toLowerCase();
  const letters = LETTERS.exec(rest)?.[0] ?? '';
  const joined = JOINED.find((word) => lower.startsWith(word));
  const text = joined === undefined ? letters : rest.slice(0, joined.length);
  if (text === '') return null;
  const said = meaningOf(text);
  if (!said) return null;
  const after = rest.slice(text.length).replace(/^\.(?!\d)/, '');
  const beforeNumber = /^\s*[:：]?\s*\.?\d/.test(after);
  // a word that is none of the entry's symbols touches a number, and no sign of arithmetic stands between
  if (said.kind === 'to') return behindNumber && beforeNumber ? { text, said } : null;
  if (said.kind === 'from') return !behindNumber && beforeNumber ? { text, said } : null;
  return behindNumber || beforeNumber ? { text, said } : null;
}

function meaningOf(text: string): Said | null {
  const word = plainWord(text);
  const limits = LIMIT_WORDS.get(word) ?? [];
  const ranges = RANGE_WORDS.get(word) ?? [];
  const [limit] = limits;
  const [range] = ranges;
  if (limits.length + ranges.length !== 1) return null;
  if (range) return { kind: range };
  const qualifier = limit && QUALIFIER_OF[limit];
  return qualifier ? { kind: 'qualifier', qualifier } : null;
}

const NOTE = /[([]\s*([\p{L}]+)\.?\s*\d+(?:\s*[,&]\s*\d+)*\s*[)\]]\s*$/u;

/** Where a text ends with what refers to a note, such as “(NOTE 3)”; its length where it does not. */
export function noteFrom(text: string): number {
  const last = text.trimEnd().at(-1);
  if (last !== ')' && last !== ']') return text.length;
  const found = NOTE.exec(text);
  return found && isNoteWord(plainWord(found[1] ?? '')) ? found.index : text.length;
}
