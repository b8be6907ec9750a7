import type { TapisDocument } from '../document/document';
import { writtenEntry, type WrittenEntry } from '../document/entries';
import { limitsOf } from '../source/value';
import type { ListRow } from './list';
import type { TakenRow } from './prepare';

// A list that is brought again after it changed: which of its rows are new, which say otherwise than the footprints that
// were taken from them, and which footprints no row is left of. What a person has set by hand since stays.

/** A footprint that is kept, with why nothing is changed in it; `null` where it is. */
export interface KeptFootprint {
  readonly id: string;
  readonly document: TapisDocument;
  readonly fixed: string | null;
}

/** One thing in which a row differs from its footprint, in words. */
export interface RowChange {
  readonly what: string;
  readonly was: string;
  readonly is: string;
}

/** How a row stands to what was taken from its list before. */
export type Again =
  | { readonly is: 'new' }
  | { readonly is: 'same'; readonly id: string }
  | {
      readonly is: 'changed';
      readonly id: string;
      readonly fixed: string | null;
      /** As it is kept. */
      readonly before: TapisDocument;
      /** With what the row says now. */
      readonly document: TapisDocument;
      readonly changes: readonly RowChange[];
    };

/** A footprint that was taken from the list, and that no row is left of. */
export interface GoneRow {
  readonly id: string;
  readonly name: string;
  readonly fixed: string | null;
}

export interface BroughtAgain {
  /** By the number of the row. */
  readonly rows: ReadonlyMap<number, Again>;
  readonly gone: readonly GoneRow[];
  /** What stays though the list says otherwise, or nothing that can be read: somebody set it by hand, or mends the row. */
  readonly byHand: readonly string[];
}

/**
 * Holds what is taken of a list against what was taken of it before: footprints that name it as their source, known
 * again by a part number or name that both have.
 * @param unread rows of the list that give no footprint as they stand: what was taken from them is not gone
 * @returns `null` where nothing of the list is kept
 */
export function broughtAgain(
  source: string,
  taken: readonly TakenRow[],
  kept: readonly KeptFootprint[],
  unread: readonly Pick<ListRow, 'name' | 'part'>[] = [],
): BroughtAgain | null {
  const own = kept.filter(({ document }) => isOf(source, document.package.source));
  if (own.length === 0) return null;
  const left = new Map(own.map((one) => [one.id, one]));
  const find = (fits: (one: KeptFootprint) => boolean): KeptFootprint | undefined => {
    const found = [...left.values()].find(fits);
    if (found) left.delete(found.id);
    return found;
  };
  // by name first, so that a row that was parted from another finds its own
  const pairs = new Map<number, KeptFootprint>();
  for (const { number, document } of taken) {
    const one = find((other) => other.document.name === document.name);
    if (one) pairs.set(number, one);
  }
  for (const { number, parts } of taken) {
    if (pairs.has(number)) continue;
    const one = find(({ document }) => partsOf(document).some((part) => parts.includes(part)));
    if (one) pairs.set(number, one);
  }
  const byHand: string[] = [];
  const rows = new Map<number, Again>();
  for (const row of taken) {
    const one = pairs.get(row.number);
    if (!one) {
      rows.set(row.number, { is: 'new' });
      continue;
    }
    const { document, changes, stays } = withRow(source, one.document, row);
    byHand.push(...stays.map((words) => `${one.document.name}: ${words}`));
    const { id, fixed, document: before } = one;
    rows.set(
      row.number,
      changes.length === 0 ? { is: 'same', id } : { is: 'changed', id, fixed, before, document, changes },
    );
  }
  const waiting = new Set(unread.flatMap(({ name, part }) => [name, part].filter(Boolean)));
  for (const [id, { document }] of left) {
    if (!partsOf(document).some((part) => waiting.has(part))) continue;
    left.delete(id);
    byHand.push(`${document.name}: its row cannot be read as it stands, and it stays as it is`);
  }
  const gone = [...left.values()].map(({ id, document, fixed }) => ({ id, name: document.name, fixed }));
  return { rows, gone, byHand };
}

/** Whether a text says that something comes from a row of the list. */
function isOf(source: string, text: string | undefined): boolean {
  return text !== undefined && text.toLowerCase().startsWith(`${source.toLowerCase()}, row `);
}

const USED_BY = /^Used by (.+)$/m;

/** The names and part numbers that a footprint of a list goes by. */
function partsOf({ name, notes = '' }: TapisDocument): string[] {
  return [name, ...(USED_BY.exec(notes)?.[1]?.split(', ') ?? [])];
}

/** A footprint with what its row says now. */
function withRow(
  source: string,
  before: TapisDocument,
  { document: next, level }: TakenRow,
): {
  readonly document: TapisDocument;
  readonly changes: readonly RowChange[];
  readonly stays: readonly string[];
} {
  const changes: RowChange[] = [];
  const stays: string[] = [];
  const tell = (what: string, was: string | undefined, is: string | undefined) =>
    changes.push({ what, was: was ?? '', is: is ?? '' });
  let document = before;
  if (next.name !== before.name) {
    tell('name', before.name, next.name);
    document = { ...document, name: next.name };
  }
  if (next.package.family !== before.package.family) {
    tell('family', before.package.family, next.package.family);
    document = { ...document, package: next.package };
  } else {
    const { unit: own = 'mm', options = {} } = before.package;
    const { unit: other = 'mm', options: wanted = {} } = next.package;
    const dimensions = { ...before.package.dimensions };
    const symbols = new Set([...Object.keys(dimensions), ...Object.keys(next.package.dimensions)]);
    for (const symbol of symbols) {
      const [was, is] = [before.package.dimensions[symbol], next.package.dimensions[symbol]];
      const [a, b] = [writtenEntry(was), writtenEntry(is)];
      if (isAlike(a, own, b, other)) continue;
      // what does not come from the list was set by somebody
      if (was !== undefined && !isOf(source, a.where)) {
        if (is !== undefined)
          stays.push(`${symbol} ${a.text} was set by hand and stays; the list says ${b.text}`);
        continue;
      }
      tell(symbol, textWith(a, own), textWith(b, other));
      if (is === undefined) delete dimensions[symbol];
      else dimensions[symbol] = inUnit(is, other, own);
    }
    for (const [id, choice] of Object.entries(wanted))
      if (options[id] !== choice) tell(id, options[id] ?? 'as usual', choice);
    document = {
      ...document,
      package: {
        ...document.package,
        dimensions,
        ...(Object.keys(wanted).length > 0 ? { options: { ...options, ...wanted } } : {}),
      },
    };
  }
  if (level !== null && level !== before.level) {
    tell('level', before.level, level);
    document = { ...document, level };
  }
  const [name, wish] = [before.overrides?.standardName, next.overrides?.standardName];
  if (wish !== undefined && wish !== name) {
    tell('standard name', name ?? 'computed', wish);
    document = { ...document, overrides: { ...document.overrides, standardName: wish } };
  }
  const [used, now] = [before, next].map(({ notes = '' }) => USED_BY.exec(notes)?.[1] ?? '');
  if (used !== now) {
    tell('used by', used, now);
    document = withNotes(document, before.notes ?? '', now ?? '');
  }
  if (changes.length > 0 && next.package.source !== undefined)
    document = { ...document, package: { ...document.package, source: next.package.source } };
  return { document, changes, stays };
}

/** The notes with another line of who uses it; the rest of them stays. */
function withNotes({ notes: _, ...document }: TapisDocument, notes: string, used: string): TapisDocument {
  const line = used === '' ? '' : `Used by ${used}`;
  const next = (USED_BY.test(notes) ? notes.replace(USED_BY, line) : [line, notes].join('\n')).trim();
  return next === '' ? document : { ...document, notes: next };
}

type Unit = 'mm' | 'mil' | 'in';

/** Whether two entries mean the same, however they are written. */
function isAlike(a: WrittenEntry, unitOfA: Unit, b: WrittenEntry, unitOfB: Unit): boolean {
  if (a.text.trim() === b.text.trim() && (a.unit ?? unitOfA) === (b.unit ?? unitOfB)) return true;
  const [first, second] = [limitsOf(a, unitOfA), limitsOf(b, unitOfB)];
  return (
    first !== null &&
    second !== null &&
    (['min', 'nom', 'max'] as const).every((key) => Math.abs(first[key] - second[key]) < 1e-9)
  );
}

/** An entry of a table in one unit, for a sheet in another. */
function inUnit(
  entry: TapisDocument['package']['dimensions'][string],
  unit: Unit,
  sheet: Unit,
): TapisDocument['package']['dimensions'][string] {
  if (unit === sheet) return entry;
  const written = writtenEntry(entry);
  if (written.unit !== null) return entry;
  return typeof entry === 'object' ? { ...entry, unit } : { text: written.text, unit };
}

const textWith = ({ text, unit }: WrittenEntry, sheet: Unit): string =>
  text === '' || (unit ?? sheet) === 'mm' ? text : `${text} ${unit ?? sheet}`;
