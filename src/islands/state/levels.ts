import type { Level } from '../../core/document/document';
import { levelWords, type Standard } from '../../core/standard/standard';

/** A density level as the standard calls it: “B nominal”. */
export function levelTitle(standard: Standard, level: Level): string {
  return `${level} ${levelWords(standard, level).title}`;
}
