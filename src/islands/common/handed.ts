// A file that was dropped in one place and belongs into another: it waits while the page goes there.

let waiting: { readonly id: string; readonly file: File } | null = null;

/** Hands a file to the Bench of a footprint. */
export function handFile(id: string, file: File): void {
  waiting = { id, file };
}

/** The file that waits for a footprint's Bench; it is given once. */
export function handedFile(id: string): File | null {
  const file = waiting?.id === id ? waiting.file : null;
  if (file) waiting = null;
  return file;
}
