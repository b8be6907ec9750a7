import { basename } from 'node:path';
import { writeDocument } from '../core/document/write';
import { takeFile, takenInWords } from '../kernel/source/take-file';
import { bytesOf, underStandard, unitOf } from './files';
import { Refusal, type Outcome } from './outcome';

/** What is asked of a datasheet on the command line. */
export interface TakeOptions {
  readonly family?: string | undefined;
  readonly size?: string | undefined;
  readonly page?: string | undefined;
  readonly unit?: string | undefined;
  /** Whether the land pattern that a page draws is taken, and whether what no number says is measured. */
  readonly pattern?: boolean | undefined;
  readonly measure?: boolean | undefined;
  /** Whether each row is a part of its own. */
  readonly rows?: boolean | undefined;
  readonly columns?: string | undefined;
  readonly out?: string | undefined;
  /** A folder of footprints that the lines of a bill are held against. */
  readonly against?: string | undefined;
  readonly standard?: string | undefined;
}

/** Reads a datasheet's page and prints a document; what is doubtful goes to standard error. */
export async function take(file: string, options: TakeOptions): Promise<Outcome> {
  if (options.pattern && (options.rows || options.family !== undefined || options.size !== undefined))
    throw new Refusal('--pattern goes without --rows, --family and --size: it reads lands, and no package.');
  if (options.measure && !options.pattern) throw new Refusal('--measure goes with --pattern.');
  if (options.rows) return (await import('./take-rows')).takeRows(file, options);
  if (options.columns !== undefined || options.out !== undefined || options.against !== undefined)
    throw new Refusal('--columns, --against and --out go with --rows.');
  const { page, family, size } = options;
  const unit = unitOf(options.unit);
  const ask = { family, size };
  const number = page === undefined ? undefined : Number(page);
  if (number !== undefined && !(Number.isInteger(number) && number > 0))
    throw new Refusal(`--page is “${page ?? ''}”; it is a number from 1.`);
  const bytes = bytesOf(file);
  const name = file === '-' ? 'standard input' : basename(file);
  if (options.pattern) {
    const { patternInWords, takePattern } = await import('../kernel/source/take-drawing');
    const drawn = await takePattern(bytes, name, { page: number, unit, isMeasured: options.measure });
    if (!drawn.ok) throw new Refusal(drawn.error);
    return {
      out: writeDocument(underStandard(drawn.value.document, options.standard)),
      err: patternInWords(drawn.value),
      code: 0,
    };
  }
  const taken = await takeFile(bytes, name, { ...ask, page: number, unit });
  if (!taken.ok) throw new Refusal(taken.error);
  return {
    out: writeDocument(underStandard(taken.value.document, options.standard)),
    err: takenInWords(taken.value, name),
    code: 0,
  };
}
