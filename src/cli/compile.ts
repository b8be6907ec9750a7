import { check } from '../core/check/check';
import { compiledAnswer } from '../core/format/answer';
import { compileFile } from './files';
import type { Outcome } from './outcome';

/** Prints all that follows from a document. */
export async function compileToJson(
  file: string,
  { standard }: { readonly standard?: string | undefined } = {},
): Promise<Outcome> {
  const { compiled, err } = await compileFile(file, standard);
  const answer = compiledAnswer(compiled, check(compiled));
  return { out: `${JSON.stringify(answer, null, 2)}\n`, err, code: 0 };
}
