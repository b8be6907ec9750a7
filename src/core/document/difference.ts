import type { TapisDocument } from './document';
import { applyEdits, pointerKey, valueAt, type Edit } from './edit';
import { canonical } from './canonical';

// What a document has of its own beside another one, as edits. A variant is kept as these; applied to its
// original they give it again, and applied to an original that has changed, the variant of that.

/**
 * Edits that turn one document into another; none where they mean the same. They name the smallest things
 * that can be chosen on their own: a dimension, a number, a choice, a piece.
 */
export function editsBetween<D extends object>(from: D, to: D): Edit[] {
  const edits = between(from, to, '');
  // where an ordered table came into another order, the whole of it is said
  const coarse = ORDERED.filter((at) => !isSame(valueAt(applyEdits(from, edits), at), valueAt(to, at)));
  if (coarse.length === 0) return edits;
  const others = edits.filter((edit) => !coarse.some((at) => edit.at === at || edit.at.startsWith(`${at}/`)));
  return [...others, ...coarse.map((at) => ({ at, value: valueAt(to, at) }))];
}

/** Whether two documents mean the same. */
export function isSameDocument(a: TapisDocument, b: TapisDocument): boolean {
  return JSON.stringify(canonical(a)) === JSON.stringify(canonical(b));
}

/** Tables in which an order means something; in lists it always does. */
const ORDERED: readonly string[] = ['/package/dimensions', '/package/named'];

/** What is chosen as a whole: its parts mean nothing beside those of another. */
const WHOLE: readonly RegExp[] = [
  /^\/package\/dimensions\/[^/]+$/,
  /^\/ownProcess$/,
  /^\/standard$/,
  /^\/approvals$/,
  /^\/waivers\/[^/]+$/,
  /^\/body\/model$/,
  // footprints of a trial
  /^\/footprints\/[^/]+$/,
];

function between(whole: unknown, other: unknown, at: string): Edit[] {
  if (isSame(whole, other)) return [];
  const isWhole = WHOLE.some((pattern) => pattern.test(at));
  // a record that is missing beside one that is not is an empty one: what is in it is chosen on its own
  const from = whole === undefined && isFilled(other) ? {} : whole;
  const to = other === undefined && isFilled(whole) ? {} : other;
  if (!isWhole && isList(from) && isList(to)) return betweenLists(from, to, at);
  if (isWhole || !isRecord(from) || !isRecord(to)) return [{ at, value: other }];
  if (at === '/package' && from['family'] !== to['family']) return [{ at, value: to }];
  const keys = [...new Set([...Object.keys(from), ...Object.keys(to)])];
  const edits = keys.flatMap((key) => between(from[key], to[key], `${at}/${pointerKey(key)}`));
  // a process is known by its id or is inside of the document: one says nothing without the other
  if (at === '' && edits.some((edit) => edit.at === '/process' || edit.at === '/ownProcess'))
    return [
      ...edits.filter((edit) => edit.at !== '/process' && edit.at !== '/ownProcess'),
      { at: '/process', value: to['process'] },
      { at: '/ownProcess', value: to['ownProcess'] },
    ];
  return edits;
}

/** Lists are compared by the ids of what they hold; one that comes into another order is said as a whole. */
function betweenLists(from: readonly Item[], to: readonly Item[], at: string): Edit[] {
  const within = (place: string): Edit[] => [
    ...from
      .filter(({ id }) => !to.some((item) => item.id === id))
      .map(({ id }) => ({ at: `${place}/${pointerKey(id)}`, value: undefined })),
    ...to.flatMap((item) => {
      const own = from.find(({ id }) => id === item.id);
      const there = `${place}/${pointerKey(item.id)}`;
      return own ? between(own, item, there) : [{ at: there, value: item }];
    }),
  ];
  const { list } = applyEdits<{ list?: unknown }>({ list: from }, within('/list'));
  const keepsOrder =
    Array.isArray(list) && list.length === to.length && to.every(({ id }, i) => idOf(list[i]) === id);
  return keepsOrder ? within(at) : [{ at, value: to }];
}

const idOf = (item: unknown): unknown => (isRecord(item) ? item['id'] : undefined);

interface Item {
  readonly id: string;
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isFilled = (value: unknown): boolean => isRecord(value) && Object.keys(value).length > 0;

const isList = (value: unknown): value is readonly Item[] =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.every((item: unknown) => isRecord(item) && typeof item['id'] === 'string');

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
