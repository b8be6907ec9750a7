// How a person likes to look at things stays in this browser, and is nobody's intent.

/** What was kept under a key; `null` where nothing was, or where the browser keeps nothing. */
export function keptLook(key: string): string | null {
  try {
    return globalThis.localStorage?.getItem(key) ?? null;
  } catch {
    return null;
  }
}

/** Keeps how something is looked at; a browser that refuses goes on without. */
export function keepLook(key: string, value: string): void {
  try {
    globalThis.localStorage?.setItem(key, value);
  } catch {
    // it looks as usual the next time
  }
}
