/** Whether a text has words, of which one may be a unit. */
export function hasWords(text: string): boolean {
  return /[A-Za-z"'″µ%]/.test(text);
}

/** Whether a text says numbers and no unit: what it means rests on where it stands. */
export function isBare(text: string): boolean {
  return /\d/.test(text) && !hasWords(text);
}
