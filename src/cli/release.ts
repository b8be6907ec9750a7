import { mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { isDrawable } from '../core/footprint/footprint';
import { handOverFrom } from '../core/format/release/ask';
import { releaseZip, type Released } from '../core/format/release/release';
import { keyOf } from '../kernel/inside';
import { compileFile } from './files';
import { Refusal, type Outcome } from './outcome';

/** What a release is told on the command line. */
export interface ReleaseOptions {
  readonly target?: string | undefined;
  readonly out?: string | undefined;
  readonly pattern?: string | undefined;
  readonly date?: string | undefined;
  readonly revision?: string | undefined;
  readonly paper?: string | undefined;
  readonly standard?: string | undefined;
}

/** Makes one ZIP of the files of a target; nothing is written where a file cannot be. */
export async function release(
  files: readonly string[],
  { out, standard, ...options }: ReleaseOptions,
): Promise<Outcome> {
  const asked = handOverFrom(options);
  if (!asked.ok) throw new Refusal(`--${asked.error}`);
  if (out === undefined || !/\.zip$/i.test(out))
    throw new Refusal('--out names the ZIP, such as release.zip.');
  const { target, about } = asked.value;
  const all: Released[] = [];
  let err = '';
  for (const file of files) {
    const { compiled, err: left } = await compileFile(file, standard);
    err += left;
    if (!isDrawable(compiled))
      throw new Refusal(`${file}: ${compiled.problems[0]?.message ?? 'It gives no footprint.'}`);
    all.push({ compiled, about });
  }
  const zip = await releaseZip(all, target, keyOf);
  if (!zip) throw new Refusal('Stopped.');
  mkdirSync(dirname(out), { recursive: true });
  // a release that breaks off leaves no half of a file
  writeFileSync(`${out}.part`, zip);
  renameSync(`${out}.part`, out);
  return { out: `${out}\n`, err, code: 0 };
}
