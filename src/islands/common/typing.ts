/** Inputs that take no text: letters pressed in them are nobody's text. */
const NO_TEXT = ['checkbox', 'radio', 'range', 'button', 'file'];

/** Whether a key goes into a text. A list or a tick box that was used last keeps no key to itself. */
export function inText(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  if (target instanceof HTMLInputElement) return !NO_TEXT.includes(target.type);
  return target instanceof HTMLTextAreaElement || target.isContentEditable;
}

/** Whether a key walks through what has the focus: a list, a slider. */
export function walks({ key, target }: KeyboardEvent): boolean {
  return key.startsWith('Arrow') && (target as HTMLElement).closest('select, input, [role=listbox]') !== null;
}
