import type { Level, TapisDocument } from '../document/document';
import type { ListRow } from './list';

/** What makes two rows one footprint: everything that is drawn from, and not where it was read or who uses it. */
function sameness({
  package: { family, options, dimensions, unit },
  level,
  process,
  overrides,
}: TapisDocument): string {
  // where a number was read and what the list calls it makes no other footprint
  const bare = (entry: unknown) =>
    typeof entry === 'object' && entry !== null
      ? { unit: unit ?? 'mm', ...entry, label: undefined, where: undefined, from: undefined }
      : { unit: unit ?? 'mm', text: String(entry) };
  const entries = Object.entries(dimensions)
    .map(([symbol, entry]) => [symbol, bare(entry)] as const)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return JSON.stringify([family, options ?? {}, entries, level, process, overrides ?? {}]);
}

/** For each row the number of the earlier row that comes to the same footprint; `null` for the first of its kind. */
export function sameRows(rows: readonly ListRow[]): (number | null)[] {
  const seen = new Map<string, number>();
  return rows.map(({ document, number }) => {
    if (!document) return null;
    const key = sameness(document);
    const before = seen.get(key);
    if (before === undefined) seen.set(key, number);
    return before ?? null;
  });
}

/** A footprint that is taken from a list. */
export interface TakenRow {
  readonly document: TapisDocument;
  readonly group: string;
  readonly tags: readonly string[];
  readonly number: number;
  /** Names and part numbers of all rows that are the same. */
  readonly parts: readonly string[];
  /** The density level that the row says; `null` where it says none. */
  readonly level: Level | null;
}

/**
 * What is taken of a list: one document of rows that are the same, with the part numbers of all of them.
 * @param isTaken which rows are wanted; one that is the same as another is taken with that one
 */
export function takenFrom(
  rows: readonly ListRow[],
  isTaken: (row: ListRow) => boolean = () => true,
): TakenRow[] {
  const same = sameRows(rows);
  return rows.flatMap((row, i): TakenRow[] => {
    const { document, group, tags, number, level } = row;
    if (!document || same[i] !== null || !isTaken(row)) return [];
    const all = [row, ...rows.filter((_, k) => same[k] === number)];
    const used = [...new Set(all.map(({ part, name }) => part || name))].filter(
      (part) => part !== document.name,
    );
    const parts = [...new Set(all.flatMap(({ part, name }) => [name, part].filter(Boolean)))];
    const notes = used.length === 0 ? {} : { notes: `Used by ${used.join(', ')}`.slice(0, 4000) };
    return [{ document: { ...document, ...notes }, group, tags, number, parts, level }];
  });
}
