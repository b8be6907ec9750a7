import type { TapisDocument } from '../../core/document/document';
import { keptOf, type Facts } from '../../core/library/facts';
import { sameRows, takenFrom, type TakenRow } from '../../core/lists/prepare';
import { listWithoutHeads, type ListAsked, type ListRow, type ReadList } from '../../core/lists/list';
import { fail, ok, type Result } from '../../core/units/result';
import { billOf, type Bill } from '../../core/lists/bill';
import { listOfSheets } from '../../core/lists/sheets';
import { gridsOfSheet, kindOfSheet, takeFile, takenInWords } from './take-file';
import { isWorkbook, listOf } from './take-list';

/** A row with what it comes to: worked out for the first of those that are the same. */
export interface WorkedRow {
  readonly row: ListRow;
  readonly sameAs: number | null;
  readonly facts: Pick<Facts, 'standardName' | 'verdict' | 'finding'> | null;
}

/** A list with a document for each of its rows. */
export interface TakenList {
  readonly list: ReadList;
  readonly rows: readonly WorkedRow[];
  readonly taken: readonly TakenRow[];
}

/** A bill of materials, which has packages in words and no dimensions. */
export interface TakenBill {
  readonly bill: Bill;
}

/** Reads a file as a list of parts and works each row out; one bad row harms no other. */
export async function takeListFile(
  bytes: Uint8Array,
  name: string,
  asked: ListAsked,
): Promise<Result<TakenList | TakenBill, string>> {
  const grids = await gridsOfSheet(bytes, name);
  if (!grids.ok) return grids;
  const list = listOf(grids.value, asked);
  if (list.ok) return ok(worked(list.value));
  const text = kindOfSheet(bytes) === 'text' && !isWorkbook(bytes) ? new TextDecoder().decode(bytes) : null;
  const bill = billOf(grids.value, text, asked.roles);
  if (bill) return ok({ bill: bill.bill });
  const [unknown] = grids.value.flatMap((grid) => listWithoutHeads(grid) ?? []);
  return unknown
    ? fail(
        `No column of ${name} is understood. Say what they hold, by a symbol of the family each: ${unknown.columns
          .map(({ head }) => head)
          .filter(Boolean)
          .slice(0, 12)
          .join(', ')
          .slice(0, 160)}.`,
      )
    : list;
}

/** Reads datasheets, a row each; one that cannot be read harms no other. */
export async function takeSheets(
  files: readonly { readonly name: string; readonly bytes: () => Uint8Array }[],
  { family, unit }: Pick<ListAsked, 'family' | 'unit'>,
): Promise<TakenList> {
  const rows: ListRow[] = [];
  for (const [i, { name, bytes }] of files.entries()) {
    const taken = await takeFile(bytes(), name, { family, unit });
    rows.push({
      ...{ number: i + 1, line: i, cells: [name], part: '', group: '', tags: [], level: null },
      name: taken.ok ? taken.value.document.name : name,
      document: taken.ok ? taken.value.document : null,
      doubts: taken.ok ? takenInWords(taken.value, name).split('\n').filter(Boolean) : [taken.error],
    });
  }
  return worked(listOfSheets(rows));
}

function worked(list: ReadList): TakenList {
  const same = sameRows(list.rows);
  const rows = list.rows.map((row, i): WorkedRow => {
    const sameAs = same[i] ?? null;
    return { row, sameAs, facts: row.document && sameAs === null ? factsOf(row.document) : null };
  });
  return { list, rows, taken: takenFrom(list.rows) };
}

function factsOf(document: TapisDocument): WorkedRow['facts'] {
  const { standardName, verdict, finding } = keptOf(document).facts;
  return { standardName, verdict, finding };
}
