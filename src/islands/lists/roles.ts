/** What was settled about columns, by the heads of the list, in this browser. */
const KEY = 'tapis-list-columns';
/** Lists that are remembered. */
const MOST = 60;

type Kept = Record<string, Record<string, string>>;

function all(): Kept {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    return typeof read === 'object' && read !== null ? (read as Kept) : {};
  } catch {
    return {};
  }
}

/** The roles that were settled for a list with these heads before. */
export function keptRoles(heads: string): Readonly<Record<string, string>> {
  const kept = all();
  return Object.hasOwn(kept, heads) ? (kept[heads] ?? {}) : {};
}

/** Remembers what columns hold, for the next list with the same heads. */
export function keepRoles(heads: string, roles: Readonly<Record<string, string>>): void {
  const rest = Object.entries(all()).filter(([key]) => key !== heads);
  try {
    localStorage.setItem(KEY, JSON.stringify(Object.fromEntries([...rest.slice(-MOST), [heads, roles]])));
  } catch {
    // where the browser keeps nothing, it is settled again
  }
}
