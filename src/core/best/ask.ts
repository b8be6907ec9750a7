import { readLength } from '../units/entry';
import { fail, ok, type Result } from '../units/result';
import type { BestAsk } from './best';
import type { Spread } from '../joint/distribution';
import { readMeasured } from './measured';
import { spreadFrom } from './spreads';

/** How the best land is asked for in words. */
export interface BestAsked {
  readonly maxZ?: string | undefined;
  /** `Placement along=uniform`, `Etching of the side=normal 2`. */
  readonly spreads?: readonly string[] | undefined;
  /** Measurements by what they are of. */
  readonly measured?: Readonly<Record<string, string>> | undefined;
}

const KINDS = 'normal (with its sigma: normal 3), uniform, trimmed 3, skewed 0.7';

/**
 * Reads how the best land is asked for.
 * @param known names of what varies in the footprint's joints
 */
export function bestAsk(
  { maxZ, spreads = [], measured = {} }: BestAsked,
  known: readonly string[],
): Result<BestAsk, string> {
  const read: Record<string, Spread> = {};
  const nameOf = (words: string) => known.find((name) => name.toLowerCase() === words.trim().toLowerCase());
  const unknown = (words: string) =>
    fail(`“${words.trim()}” does not vary here; what does: ${known.join('; ')}.`);
  for (const one of spreads) {
    const [words = '', kind = ''] = one.split('=');
    const name = nameOf(words);
    if (name === undefined) return unknown(words);
    const spread = spreadFrom(kind);
    if (!spread) return fail(`“${kind.trim()}” is no spread; known are ${KINDS}.`);
    read[name] = spread;
  }
  for (const [words, text] of Object.entries(measured)) {
    const name = nameOf(words);
    if (name === undefined) return unknown(words);
    const values = readMeasured(text);
    if (!values.ok) return fail(`${name}: ${values.error}`);
    read[name] = { kind: 'measured', values: values.value.values };
  }
  if (maxZ === undefined) return ok({ spreads: read });
  const length = readLength(maxZ, 'mm');
  if (!length.ok) return fail(`The outer distance “${maxZ}”: ${length.error}`);
  return ok({ spreads: read, maxZ: length.value });
}
