import { ENGLISH_NAMES } from './english';
import { GERMAN_NAMES } from './german';
import { FRENCH_NAMES } from './french';
import { SPANISH_NAMES } from './spanish';
import { ITALIAN_NAMES } from './italian';
import { PORTUGUESE_NAMES } from './portuguese';
import { CHINESE_SIMPLE_NAMES } from './chinese-simple';
import { JAPANESE_NAMES } from './japanese';
import { KOREAN_NAMES } from './korean';
import { RUSSIAN_NAMES } from './russian';
import type { Names } from '../language';

/** What dimensions are called, in all languages; apart from their other words, as only readers of tables ask for them. */
export const NAMES: readonly Names[] = [
  ENGLISH_NAMES,
  GERMAN_NAMES,
  FRENCH_NAMES,
  SPANISH_NAMES,
  ITALIAN_NAMES,
  PORTUGUESE_NAMES,
  CHINESE_SIMPLE_NAMES,
  JAPANESE_NAMES,
  KOREAN_NAMES,
  RUSSIAN_NAMES,
];
