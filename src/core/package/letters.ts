import type { Finding } from '../document/finding';
import type { ResolvedPackage } from './resolve';

/** The letters that a datasheet gives dimensions, by their standard symbols. */
export type Letters = ReadonlyMap<string, string>;

/** No letters but the standard ones. */
export const STANDARD_LETTERS: Letters = new Map();

/** The datasheet's own letters where they are not the standard ones. */
export function ownLetters(resolved: Pick<ResolvedPackage, 'dimensions'> | null): Letters {
  return new Map(
    (resolved?.dimensions ?? []).flatMap(({ definition: { symbol }, label }) =>
      label.trim() === '' || label.trim() === symbol ? [] : [[symbol, label.trim()] as const],
    ),
  );
}

/** A symbol as a datasheet calls it. */
export function letterOf(symbol: string, letters: Letters): string {
  return letters.get(symbol) ?? symbol;
}

/** A word that may be a symbol, with what stands before and after it. */
const WORD = /(?<before>\S*\s)?(?<![\w.-])(?<word>[A-Za-z][A-Za-z0-9]{0,3})(?![\w-])(?= ?(?<after>\S*))/g;

/** Words before a letter that make it another thing than a dimension. */
const OF_ANOTHER_KIND = /^(level|class|land|lands|row|table|grade)\s$/i;

/**
 * What a finding about dimensions says, with the datasheet's letters in place of the standard ones, all at
 * once: one part's E may be another's E1. Findings about lands keep their words: their numbers look alike.
 */
export function inLetters(words: string, { stage, place }: Finding, letters: Letters): string {
  if (letters.size === 0 || stage !== 'measure' || !place.dimensions?.length) return words;
  return words.replace(WORD, (...found: unknown[]) => {
    const [whole] = found as [string];
    const { before = '', word, after = '' } = found.at(-1) as Record<'before' | 'word' | 'after', string>;
    const letter = letters.get(word);
    // an article is no height
    const isArticle = word === 'A' && !/^(is|and|or|to|against|[-+×=≤≥<>:,.;)]|\d)/.test(after);
    return letter === undefined || isArticle || OF_ANOTHER_KIND.test(before) ? whole : before + letter;
  });
}

/** Names of a derivation that are the package's: `E1max`, `bmin`; L, T, W and their like are the standard's own. */
const OF_THE_PACKAGE = /(?<![\w.])([A-Z]\d|[a-z])(?=(?:min|max|nom)?'?(?!\w))/g;

/** A formula of a derivation with the datasheet's letters for what is the package's. */
export function inFormula(formula: string, letters: Letters): string {
  return formula.replace(OF_THE_PACKAGE, (symbol) => letterOf(symbol, letters));
}
