import { describe } from '../core/library/describe';
import { check } from '../core/check/check';
import { compileFile } from './files';
import type { Outcome } from './outcome';

/** Tells a document in words, one fact a line. */
export async function describeFile(
  file: string,
  { standard }: { readonly standard?: string | undefined },
): Promise<Outcome> {
  const { compiled, err } = await compileFile(file, standard);
  const lines = describe({ compiled, report: check(compiled) });
  return { out: `${lines.join('\n')}\n`, err, code: 0 };
}
