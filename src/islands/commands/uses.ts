const KEY = 'tapis-command-uses';

/** How often each command was used in this browser, by its name. */
export function commandUses(): Readonly<Record<string, number>> {
  try {
    return (JSON.parse(localStorage.getItem(KEY) ?? '{}') ?? {}) as Record<string, number>;
  } catch {
    return {};
  }
}

export function countUse(name: string): void {
  try {
    const uses = commandUses();
    localStorage.setItem(KEY, JSON.stringify({ ...uses, [name]: (uses[name] ?? 0) + 1 }));
  } catch {
    // the list keeps its own order
  }
}
