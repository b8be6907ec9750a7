import { check } from '../core/check/check';
import type { Checked } from '../core/check/guarded';
import { compareFootprints, type Difference } from '../core/compare/differences';
import { compileFile } from './files';
import { Refusal, type Outcome } from './outcome';

/** Says in what the second of two documents differs from the first. */
export async function compareFiles(
  [file = '', other = '']: readonly string[],
  {
    json = false,
    least = '0',
    standard,
  }: {
    readonly json?: boolean | undefined;
    readonly least?: string | undefined;
    readonly standard?: string | undefined;
  },
): Promise<Outcome> {
  const smallest = Number(least);
  if (!(smallest >= 0)) throw new Refusal(`--least is “${least}”; it is a length in mm, such as 0.01.`);
  const [a, b] = [await compileFile(file, standard), await compileFile(other, standard)];
  const [first, second] = [a, b].map(({ compiled }) => ({ compiled, report: check(compiled) })) as [
    Checked,
    Checked,
  ];
  const { differences, copperDiffers, symbol } = compareFootprints(first, second, smallest);
  const about = (path: string, { compiled }: Checked) => ({
    path,
    name: compiled.document.name,
    standardName: compiled.footprint?.standardName ?? null,
  });
  const out = json
    ? `${JSON.stringify({ a: about(file, first), b: about(other, second), copperDiffers, symbol, differences }, null, 2)}\n`
    : `${differences.map(differenceWords).join('\n')}${differences.length > 0 ? '\n' : ''}${
        copperDiffers ? 'The copper differs.' : 'The copper is the same.'
      }${symbol ? ` ${symbol.words}` : ''}\n`;
  return { out, err: a.err + b.err, code: copperDiffers ? 1 : 0 };
}

/** Lands that a line names. */
const NAMED = 4;

function differenceWords({ what, title, from, to, kind, lands }: Difference): string {
  const said = (value: Difference['from']) => (value === null ? 'none' : String(value));
  const unit = kind === 'length' ? ' mm' : '';
  const which =
    lands.length === 0
      ? ''
      : ` (${lands.slice(0, NAMED).join(', ')}${lands.length > NAMED ? ` and ${lands.length - NAMED} more` : ''})`;
  return `${what}: ${title} ${said(from)} → ${said(to)}${unit}${which}`;
}
