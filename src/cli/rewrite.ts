import { problemWords } from '../core/document/read';
import { renameSync, writeFileSync } from 'node:fs';
import { rewritten } from '../core/footprint/open';
import { textOf } from './files';
import { Refusal, type Outcome } from './outcome';

/** Writes files in the one way in which Tapis writes them; one that cannot be read stays as it is. */
export function rewriteFiles(
  files: readonly string[],
  { check: isCheck = false }: { readonly check?: boolean | undefined },
): Outcome {
  const out: string[] = [];
  const err: string[] = [];
  for (const file of files) {
    try {
      const text = textOf(file);
      const read = rewritten(text);
      if (!read.ok) throw new Refusal(problemWords(read.error, '; '));
      if (file === '-') out.push(read.value);
      else if (read.value !== text) {
        if (!isCheck) replace(file, read.value);
        out.push(`${file}\n`);
      }
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      err.push(`${file}: ${error.message}\n`);
    }
  }
  const code = err.length > 0 ? 2 : isCheck && out.length > 0 ? 1 : 0;
  return { out: out.join(''), err: err.join(''), code };
}

/** Puts a new text in a file's place at one stroke: what goes wrong on the way leaves the old one. */
function replace(file: string, text: string): void {
  const beside = `${file}.${process.pid}.new`;
  try {
    writeFileSync(beside, text);
    renameSync(beside, file);
  } catch (error) {
    throw new Refusal(`it cannot be written: ${(error as Error).message}`);
  }
}
