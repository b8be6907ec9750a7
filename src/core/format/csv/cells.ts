/** A typed text that a spreadsheet would run as a formula is quoted with an apostrophe; plain numbers are none. */
export function safeCell(text: string): string {
  if (/^[+-]?\d+(\.\d+)?$/.test(text)) return text;
  return /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}
