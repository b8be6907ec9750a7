import { meanings, type HeadRole } from '..';
import { ENGLISH_TABLES } from './english';
import { GERMAN_TABLES } from './german';
import { FRENCH_TABLES } from './french';
import { SPANISH_TABLES } from './spanish';
import { ITALIAN_TABLES } from './italian';
import { PORTUGUESE_TABLES } from './portuguese';
import { CHINESE_SIMPLE_TABLES } from './chinese-simple';
import { CHINESE_TRADITIONAL_TABLES } from './chinese-traditional';
import { JAPANESE_TABLES } from './japanese';
import { KOREAN_TABLES } from './korean';
import { RUSSIAN_TABLES } from './russian';
import type { TableWords } from '../language';

const ALL: readonly TableWords[] = [
  ENGLISH_TABLES,
  GERMAN_TABLES,
  FRENCH_TABLES,
  SPANISH_TABLES,
  ITALIAN_TABLES,
  PORTUGUESE_TABLES,
  CHINESE_SIMPLE_TABLES,
  CHINESE_TRADITIONAL_TABLES,
  JAPANESE_TABLES,
  KOREAN_TABLES,
  RUSSIAN_TABLES,
];

/** Words of heads by what they mean; apart from those of entries, as only readers of tables ask for them. */
export const HEAD_WORDS = meanings<HeadRole, TableWords>(ALL, ({ heads }) => heads);
const FILL = new Set(ALL.flatMap(({ fill }) => fill));

export const isFill = (word: string): boolean => FILL.has(word);
