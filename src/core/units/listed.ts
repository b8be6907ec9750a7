import { fail, ok, type Result } from './result';

/**
 * The items of a list, between commas, semicolons or blanks.
 * @param what an item is called where one is missing: between two commas, or before the first
 */
export function listed(text: string, what = 'an entry'): Result<string[], string> {
  const gap = /(?:^|[^\s,;]*)\s*[,;]\s*(?=[,;])|^\s*[,;]/.exec(text);
  if (gap) return fail(`After “${gap[0].trim()}” ${what} is missing.`);
  return ok(text.split(/[\s,;]+/).filter((item) => item !== ''));
}
