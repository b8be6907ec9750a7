import type { TapisDocument } from '../../core/document/document';
import { keptOf, type Facts } from '../../core/library/facts';
import { sameRows, takenFrom, type TakenRow } from '../../core/lists/prepare';
import type { ListAsked, ListRow, ReadList } from '../../core/lists/list';
import { ok, type Result } from '../../core/units/result';
import { gridsOfSheet } from './take-file';
import { listOf } from './take-list';

/** A row with what it comes to: worked out for the first of those that are the same. */
export interface WorkedRow {
  readonly row: ListRow;
  readonly sameAs: number | null;
  readonly facts: Pick<Facts, 'standardName' | 'verdict' | 'finding'> | null;
}

export interface TakenList {
  readonly list: ReadList;
  readonly rows: readonly WorkedRow[];
  readonly taken: readonly TakenRow[];
}

/** Reads a file as a list of parts and works each row out; one bad row harms no other. */
export async function takeListFile(
  bytes: Uint8Array,
  name: string,
  asked: ListAsked,
): Promise<Result<TakenList, string>> {
  const grids = await gridsOfSheet(bytes, name);
  if (!grids.ok) return grids;
  const list = listOf(grids.value, asked);
  if (!list.ok) return list;
  const same = sameRows(list.value.rows);
  const rows = list.value.rows.map((row, i): WorkedRow => {
    const sameAs = same[i] ?? null;
    return { row, sameAs, facts: row.document && sameAs === null ? factsOf(row.document) : null };
  });
  return ok({ list: list.value, rows, taken: takenFrom(list.value.rows) });
}

function factsOf(document: TapisDocument): WorkedRow['facts'] {
  const { standardName, verdict, finding } = keptOf(document).facts;
  return { standardName, verdict, finding };
}
