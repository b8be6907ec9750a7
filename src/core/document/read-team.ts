import { fail, ok, type Result } from '../units/result';
import type { TeamKey } from './standing';
import { team as validate } from './generated/validators.js';
import { describeErrors, parseJson, type DocumentProblem } from './read';
import { jsonText } from './write';

/** Reads the keys of a team from their file. */
export function readTeam(text: string): Result<readonly TeamKey[], DocumentProblem[]> {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  if (!validate(parsed.value)) return fail(describeErrors(validate.errors ?? []));
  return ok((parsed.value as { readonly keys: readonly TeamKey[] }).keys);
}

/** Writes the keys of a team into a file. */
export function writeTeam(keys: readonly TeamKey[]): string {
  return jsonText({
    tapisTeam: 1,
    keys: [...keys]
      .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.key < b.key ? -1 : 1))
      .map(({ name, key, from, until }) => ({
        name,
        key,
        ...(from ? { from } : {}),
        ...(until ? { until } : {}),
      })),
  });
}
