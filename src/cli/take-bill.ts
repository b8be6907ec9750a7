import { join } from 'node:path';
import { openDocument } from '../core/footprint/open';
import { billTable } from '../core/format/csv/bill';
import { keptOf } from '../core/library/facts';
import type { Bill } from '../core/lists/bill';
import { matchLine, sameLine, type BillMatch, type KnownFootprint } from '../core/lists/bill-match';
import { filesIn, textOf, underStandard } from './files';
import type { Outcome } from './outcome';
import type { TakeOptions } from './take';
import { writeDocuments } from './write-documents';

/**
 * Finds the footprints of a bill of materials: prints a table of what each line is, and writes typical sizes where a
 * folder is given for them. The exit code is 1 where something is missing.
 */
export function takeBill(bill: Bill, { against, out, standard }: TakeOptions): Outcome {
  const known = against === undefined ? [] : knownIn(against);
  const matches = new Map<string, BillMatch>();
  const found = bill.lines.map((line) => {
    const key = sameLine(line);
    const match = matches.get(key) ?? matchLine(line, known);
    matches.set(key, match);
    return [line, match] as const;
  });
  const typical = [...matches.values()].flatMap((match) => (match.is === 'typical' ? [match.document] : []));
  const written =
    out === undefined
      ? []
      : writeDocuments(
          out,
          typical.map((document) => underStandard(document, standard)),
          'another name',
        );
  const count = (is: BillMatch['is']) => found.filter(([, match]) => match.is === is).length;
  const words = [
    ...bill.doubts,
    ...written,
    `${found.length} lines: ${count('there')} there, ${count('typical')} of a typical size, ${count('missing')} missing.`,
  ];
  return {
    out: billTable(found),
    err: words.map((line) => `${line}\n`).join(''),
    code: count('missing') > 0 ? 1 : 0,
  };
}

/** The footprints of a folder. */
function knownIn(folder: string): KnownFootprint[] {
  return filesIn(folder).flatMap((path) => {
    const read = openDocument(textOf(join(folder, path)));
    return read.ok ? [{ id: path, document: read.value, facts: keptOf(read.value).facts }] : [];
  });
}
