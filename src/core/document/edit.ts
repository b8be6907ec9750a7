/**
 * One change of a document: the value to put at a place, or `undefined` to remove what is there.
 * The place is a JSON pointer (RFC 6901), such as `/package/dimensions/L`; an item of a list is
 * addressed by its `id`, such as `/keepOuts/2/x`.
 */
export interface Edit {
  readonly at: string;
  readonly value: unknown;
}

/**
 * Applies edits in order and returns a new document; the given one is left alone.
 * Objects on the way are made where they are missing and dropped where they end up empty,
 * so that undoing the last override leaves no trace in the file. A list stays a list.
 */
export function applyEdits<D extends object>(document: D, edits: readonly Edit[]): D {
  return edits.reduce<D>((current, { at, value }) => put(current, pathOf(at), value) as D, document);
}

/** What stands at a place of a document; `undefined` where there is nothing. */
export function valueAt(document: unknown, pointer: string): unknown {
  return pathOf(pointer).reduce<unknown>((target, key) => {
    if (Array.isArray(target)) return target.find((item) => idOf(item) === key);
    if (typeof target !== 'object' || target === null || !Object.hasOwn(target, key)) return undefined;
    return (target as Record<string, unknown>)[key];
  }, document);
}

/** A key as a part of a JSON pointer (RFC 6901). */
export function pointerKey(key: string): string {
  return key.replaceAll('~', '~0').replaceAll('/', '~1');
}

/** Objects that the schema requires even when they are empty. */
const REQUIRED: ReadonlySet<string> = new Set(['package', 'dimensions']);

function pathOf(pointer: string): string[] {
  return pointer
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'));
}

function put(target: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  if (Array.isArray(target)) return putItem(target, key, rest, value);
  const record = (typeof target === 'object' && target !== null ? target : {}) as Record<string, unknown>;
  const inner = put(Object.hasOwn(record, key) ? record[key] : undefined, rest, value);
  if (inner !== undefined && !(rest.length > 0 && isEmpty(inner) && !REQUIRED.has(key)))
    return { ...record, [key]: inner };
  return Object.fromEntries(Object.entries(record).filter(([name]) => name !== key));
}

/** Puts into the item of a list that has an id; an item that is not there is added at the end. */
function putItem(list: readonly unknown[], id: string, rest: readonly string[], value: unknown): unknown[] {
  const index = list.findIndex((item) => idOf(item) === id);
  const before = index < 0 ? undefined : list[index];
  if (before === undefined && (rest.length > 0 || value === undefined)) return [...list];
  const item = put(before, rest, value);
  const after = item === undefined || isEmpty(item) ? [] : [withId(item, id)];
  return index < 0 ? [...list, ...after] : [...list.slice(0, index), ...after, ...list.slice(index + 1)];
}

function idOf(item: unknown): unknown {
  return typeof item === 'object' && item !== null ? (item as { id?: unknown }).id : undefined;
}

function withId(item: unknown, id: string): unknown {
  return typeof item === 'object' && item !== null ? { ...item, id } : item;
}

function isEmpty(value: unknown): boolean {
  if (Array.isArray(value)) return value.length === 0;
  return typeof value === 'object' && value !== null && Object.keys(value).length === 0;
}

/** The first number that no item of a list has as its id. */
export function freshId(list: readonly { readonly id: string }[]): string {
  const taken = new Set(list.map(({ id }) => id));
  for (let i = 1; ; i += 1) if (!taken.has(String(i))) return String(i);
}
