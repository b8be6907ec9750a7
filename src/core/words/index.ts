import { CHINESE_SIMPLE } from './languages/chinese-simple';
import { CHINESE_TRADITIONAL } from './languages/chinese-traditional';
import { ENGLISH } from './languages/english';
import { FRENCH } from './languages/french';
import { GERMAN } from './languages/german';
import { ITALIAN } from './languages/italian';
import { JAPANESE } from './languages/japanese';
import { KOREAN } from './languages/korean';
import { PORTUGUESE } from './languages/portuguese';
import { RUSSIAN } from './languages/russian';
import { SPANISH } from './languages/spanish';
import type { Language, Limit } from './language';

export type { HeadRole, Language, Limit, Measure } from './language';

/** All languages whose datasheets are read. To add one, write its file and list it here. */
export const LANGUAGES: readonly Language[] = [
  ENGLISH,
  GERMAN,
  FRENCH,
  SPANISH,
  ITALIAN,
  PORTUGUESE,
  CHINESE_SIMPLE,
  CHINESE_TRADITIONAL,
  JAPANESE,
  KOREAN,
  RUSSIAN,
];

/** Words by what they mean; a word that means two things in two languages has both. */
export function meanings<M extends string, W>(
  all: readonly W[],
  of: (words: W) => Readonly<Partial<Record<M, readonly string[]>>>,
): ReadonlyMap<string, readonly M[]> {
  const found = new Map<string, M[]>();
  for (const language of all)
    for (const [meaning, words] of Object.entries(of(language)) as [M, readonly string[]][])
      for (const word of words) {
        const known = found.get(word) ?? [];
        if (!known.includes(meaning)) found.set(word, [...known, meaning]);
      }
  return found;
}

export const LIMIT_WORDS = meanings<Limit, Language>(LANGUAGES, ({ limits }) => limits);
export const UNIT_WORDS = meanings<'mm' | 'in' | 'mil', Language>(LANGUAGES, ({ units }) => units);
export const RANGE_WORDS = meanings<'from' | 'to', Language>(LANGUAGES, ({ range }) => range);
const NOTES = new Set(LANGUAGES.flatMap(({ note }) => note));

export const isNoteWord = (word: string): boolean => NOTES.has(word);

/** A word as dictionaries have it: composed, in lower case, without stops at its end. */
export function plainWord(printed: string): string {
  return printed
    .normalize('NFC')
    .toLowerCase()
    .replace(/[.:;：．。]+$/u, '');
}

/** The one meaning of a word; `null` where it has none or several. */
export function oneMeaning<M>(of: ReadonlyMap<string, readonly M[]>, printed: string): M | null {
  const found = of.get(plainWord(printed));
  return found?.length === 1 ? (found[0] ?? null) : null;
}
