import { fail, ok, type Result } from '../../units/result';
import type { ResolvedDimension } from '../resolve';
import { counted, WITHOUT_LEVEL, type NameNumber, type NameTemplate } from '../naming';

/**
 * A standard name's pattern over the named dimensions: words, and numbers in braces. Lengths have two
 * decimals without a point, `{D:.0}` has one and `{D:0.0}` one and two digits at least; `{A.max}` is the
 * largest one; counts have none, `{n:00}` has two digits at least. A pattern that ends in `!` has no level's letter.
 * @example CONN{n}P{e}
 */
export function readNaming(
  pattern: string,
  dimensions: readonly ResolvedDimension[],
): Result<NameTemplate, string> {
  const open = pattern.endsWith('!');
  const parts: (string | NameNumber)[] = [];
  for (const [, words = '', inside] of (open ? pattern.slice(0, -1) : pattern).matchAll(
    /([^{}]*)(?:\{([^{}]*)\})?/g,
  )) {
    if (words !== '') parts.push(words);
    if (inside === undefined) continue;
    const [, symbol = '', limit, whole, fraction] =
      /^([A-Za-z][A-Za-z0-9_]*)(?:\.(min|nom|max))?(?::(0*)(\.0+)?)?$/.exec(inside.trim()) ?? [];
    const dimension = dimensions.find(({ definition }) => definition.symbol === symbol);
    if (!dimension) {
      const known = dimensions.map(({ definition }) => definition.symbol).join(', ');
      return fail(`{${inside}} is no dimension of the part${known ? `; it has ${known}` : ''}.`);
    }
    const value = dimension.value?.[(limit as 'min' | 'nom' | 'max' | undefined) ?? 'nom'] ?? 0;
    if (dimension.definition.kind === 'count')
      parts.push({
        symbol,
        value,
        decimals: 0,
        ...(whole ? { digits: whole.length } : {}),
      });
    else {
      const decimals = fraction === '.0' ? 1 : 2;
      parts.push({ symbol, value, decimals, ...(whole ? { digits: whole.length + decimals } : {}) });
    }
  }
  if (/[{}]/.test(parts.filter((part) => typeof part === 'string').join('')) || hasLooseBrace(pattern))
    return fail('Each { needs its }.');
  return ok(open ? [...parts, WITHOUT_LEVEL] : parts);
}

const hasLooseBrace = (pattern: string): boolean =>
  (pattern.match(/\{/g)?.length ?? 0) !== (pattern.match(/\}/g)?.length ?? 0);

/** What a part is called for which no pattern was given: by its terminals. */
export function plainName(terminals: number): NameTemplate {
  return ['COMPOSED', counted('', terminals)];
}
