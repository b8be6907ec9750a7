import type { TapisDocument } from './document';

/**
 * One change of a document: the value to put at a place, or `undefined` to remove what is there.
 * The place is a JSON pointer (RFC 6901), such as `/package/dimensions/L`.
 */
export interface Edit {
  readonly at: string;
  readonly value: unknown;
}

/**
 * Applies edits in order and returns a new document; the given one is left alone.
 * Objects on the way are made where they are missing and dropped where they end up empty,
 * so that undoing the last override leaves no trace in the file.
 */
export function applyEdits(document: TapisDocument, edits: readonly Edit[]): TapisDocument {
  return edits.reduce<TapisDocument>(
    (current, { at, value }) => put(current, pathOf(at), value) as TapisDocument,
    document,
  );
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
  const record = (typeof target === 'object' && target !== null ? target : {}) as Record<string, unknown>;
  const inner = put(Object.hasOwn(record, key) ? record[key] : undefined, rest, value);
  if (inner !== undefined && !(rest.length > 0 && isEmptyObject(inner) && !REQUIRED.has(key)))
    return { ...record, [key]: inner };
  return Object.fromEntries(Object.entries(record).filter(([name]) => name !== key));
}

function isEmptyObject(value: unknown): boolean {
  return typeof value === 'object' && value !== null && Object.keys(value).length === 0;
}
