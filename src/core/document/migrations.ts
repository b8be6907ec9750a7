import { landsKey } from './lands-key';
/** Newest version of the document format that this code reads and the only one it writes. */
export const NEWEST_VERSION = 2;

/** A document on its way, parsed but not checked. */
export type RawDocument = Record<string, unknown>;

/** What a land of a document is known by, and how earlier versions knew it. */
export interface LandName {
  readonly id: string;
  /** Where the package counts it, from 1. */
  readonly order: number;
  /** Its number by the scheme, whatever was typed. */
  readonly number: string;
}

/** Tells the lands of a document's package; none where it cannot be drawn. The document is of the version asked from. */
export type LandNames = (raw: RawDocument) => readonly LandName[];

type Migration = (raw: RawDocument, namesOf: LandNames) => RawDocument;

/**
 * Steps from each older version to the next, keyed by the version they start from.
 * A step is never edited after it was released.
 */
const STEPS: Readonly<Record<number, Migration>> = { 1: landsByName };

/**
 * Brings a parsed document of any known version to the newest one.
 * @param steps the migration table; only tests pass another one
 * @returns the same object where nothing had to change
 */
export function migrate(
  raw: RawDocument,
  namesOf: LandNames,
  steps: Readonly<Record<number, Migration>> = STEPS,
): RawDocument {
  let current = raw;
  for (;;) {
    const version = current['tapis'];
    const step = typeof version === 'number' && Object.hasOwn(steps, version) && steps[version];
    if (!step) return current;
    current = step(current, namesOf);
  }
}

/**
 * Version 1 knew lands by a counter over the whole package, waivers by land numbers, and keep-outs by
 * their place in the list. Version 2 knows lands by group and place, and keep-outs by an id. What cannot
 * be told apart any more keeps its old key: it is told as not used, and nothing is lost.
 */
function landsByName(raw: RawDocument, namesOf: LandNames): RawDocument {
  const { stacks, overrides, waivers, keepOuts } = raw;
  const [ofStacks, ofOverrides] = [asRecord(stacks), asRecord(overrides)];
  const needed = ofStacks?.['lands'] ?? ofOverrides?.['numbers'] ?? waivers;
  const names = needed === undefined ? [] : namesOf({ ...raw, tapis: NEWEST_VERSION });
  const idByOrder = new Map(names.map(({ order, id }) => [String(order), id]));
  const renamed = (value: unknown) => {
    const record = asRecord(value);
    return (
      record && Object.fromEntries(Object.entries(record).map(([key, v]) => [idByOrder.get(key) ?? key, v]))
    );
  };
  const numbers = renamed(ofOverrides?.['numbers']) ?? {};
  const lands = names.map(({ id, number }): readonly [string, string] => [id, String(numbers[id] ?? number)]);
  return {
    ...raw,
    tapis: 2,
    ...(ofStacks?.['lands'] === undefined
      ? {}
      : { stacks: { ...ofStacks, lands: renamed(ofStacks['lands']) } }),
    ...(ofOverrides?.['numbers'] === undefined ? {} : { overrides: { ...ofOverrides, numbers } }),
    ...(asRecord(waivers) ? { waivers: renamedWaivers(asRecord(waivers) ?? {}, lands) } : {}),
    ...(Array.isArray(keepOuts)
      ? {
          keepOuts: keepOuts.map((item: unknown, i) => {
            const record = asRecord(item);
            return record ? { id: String(i + 1), ...record } : item;
          }),
        }
      : {}),
  };
}

/** A part of a waiver's key that said that there were more lands than it named. */
const MORE = /^(.*) of (\d+)$/;

/**
 * Keys were `rule: numbers: dimensions`, with either part left out where it was empty. A part that can
 * be read both ways is kept both ways: a waiver that fits nothing does nothing.
 */
function renamedWaivers(waivers: RawDocument, lands: readonly (readonly [string, string])[]): RawDocument {
  const idsByNumber = new Map<string, string[]>();
  for (const [id, number] of lands) {
    const key = number.replaceAll(/[~/]/g, '_');
    idsByNumber.set(key, [...(idsByNumber.get(key) ?? []), id]);
  }
  const named = (part: string): string | null => {
    const [, listed = part, count] = MORE.exec(part) ?? [];
    const numbers = listed.split(' ');
    if (!numbers.every((number) => idsByNumber.has(number))) return null;
    const ids = new Set(numbers.flatMap((number) => idsByNumber.get(number) ?? []));
    return landsKey(
      [...(count === undefined ? ids : (allOf(Number(count), ids, lands) ?? ids))],
      Number(count ?? 0),
    );
  };
  return Object.fromEntries(
    Object.entries(waivers).flatMap(([key, waiver]) => {
      const [rule = '', ...parts] = key.split(': ');
      const [first, ...rest] = parts;
      const ids = first === undefined ? null : named(first);
      if (ids === null) return [[key, waiver]];
      const byLands = [[rule, ids, ...rest].join(': '), waiver];
      return rest.length > 0 || first === undefined ? [byLands] : [byLands, [key, waiver]];
    }),
  );
}

/** The lands that a key meant which named only the first of them: all there are, or all of one group. */
function allOf(
  count: number,
  some: ReadonlySet<string>,
  lands: readonly (readonly [string, string])[],
): Iterable<string> | null {
  const ids = lands.map(([id]) => id);
  if (ids.length === count) return ids;
  const groupOf = (id: string) => id.slice(0, id.lastIndexOf('/'));
  const [first = ''] = some;
  const group = ids.filter((id) => groupOf(id) === groupOf(first));
  return group.length === count ? group : null;
}

function asRecord(value: unknown): RawDocument | undefined {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
    ? (value as RawDocument)
    : undefined;
}
