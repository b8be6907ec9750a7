import { bestPage, documentOfPage, type Candidate, type SheetAsk } from '../source/best-page';
import { doubtWords } from '../source/doubts';
import type { TakenFrom } from '../source/take';
import type { ListRow, ReadList } from './list';

// Several datasheets as a list: a row for each, with what was read of it.

/** A datasheet with the tables of its pages; why it could not be opened, where it could not. */
export interface Sheet {
  readonly name: string;
  readonly candidates: readonly Candidate[];
  readonly source: TakenFrom['source'];
  readonly refused?: string;
}

/**
 * A row of what a datasheet says.
 * @param called what its footprint is called, by its file and size
 */
export function sheetRow(
  { name, candidates, source, refused }: Sheet,
  number: number,
  ask: SheetAsk,
  called: (file: string, size: string) => string,
): ListRow {
  const bare = { number, line: number - 1, cells: [name], name, part: '', group: '', tags: [], level: null };
  if (refused !== undefined) return { ...bare, document: null, doubts: [refused] };
  const best = bestPage(candidates, name, ask);
  if (!best.ok) return { ...bare, document: null, doubts: [best.error] };
  const { reading, candidate } = best.value;
  const document = documentOfPage(called(name, reading.size), best.value, candidates, source);
  const doubts = [
    ...(reading.sizes.length > 1
      ? [
          `It has ${reading.sizes.length} sizes (${reading.sizes.slice(0, 8).join(', ')}); taken is ${reading.size}.`,
        ]
      : []),
    ...(candidate.isScan
      ? [`Page ${candidate.page} is a picture: everything is to be compared with it.`]
      : []),
    ...doubtWords(reading),
  ];
  return { ...bare, name: document.name, document, doubts };
}

/** Rows of datasheets as a list without columns. */
export function listOfSheets(rows: readonly ListRow[]): ReadList {
  const counts = new Map<string, number>();
  for (const { document } of rows)
    if (document) counts.set(document.package.family, (counts.get(document.package.family) ?? 0) + 1);
  return {
    columns: [],
    rows,
    unit: 'mm',
    families: [...counts].sort((a, b) => b[1] - a[1]),
    doubts: [],
  };
}
