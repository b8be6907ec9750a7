import { listed } from '../units/listed';
import { fail, ok, type Result } from '../units/result';
import type { NotationField } from './fields';

/** Most numbers that a range may stand for. */
const LONGEST_RANGE = 10_000;

/**
 * Reads a list of land numbers: names between commas or blanks; `1-8` and `16-9` are ranges.
 * @returns the numbers in order, or what is wrong with the text
 */
export function readNumberList(text: string): Result<string[], string> {
  const numbers: string[] = [];
  const items = listed(text, 'a number');
  if (!items.ok) return items;
  for (const token of items.value) {
    const range = /^(\d{1,6})(?:-|–|\.\.)(\d{1,6})$/.exec(token);
    if (!range) {
      if (token.length > 12) return fail(`“${token}” is longer than a land number can be (12 letters).`);
      numbers.push(token);
      continue;
    }
    const [from, to] = [Number(range[1]), Number(range[2])];
    const count = Math.abs(to - from) + 1;
    if (count > LONGEST_RANGE) return fail(`“${token}” stands for ${count} numbers.`);
    for (let i = 0; i < count; i += 1) numbers.push(String(from < to ? from + i : from - i));
  }
  return ok(numbers);
}

/** The same as an entry of a document; an empty one names no land. */
export const landNumbers: NotationField<readonly string[]>['read'] = (text) => {
  const read = readNumberList(text);
  return read.ok ? read : fail({ found: text, reason: read.error });
};
