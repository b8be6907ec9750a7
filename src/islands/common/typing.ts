/** Inputs that take no text: letters pressed in them are nobody's text. */
const NO_TEXT = ['checkbox', 'radio', 'range', 'button', 'file'];

/** What finds its entries by letters while it has the focus. */
const LISTS = 'select, [role=listbox], [role=combobox], [role=menu]';

/** Whether a key goes into a text, or to a list that has the focus and finds its entries by letters. */
export function inText(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  if (event.key.length === 1 && target.closest(LISTS)) return true;
  if (target instanceof HTMLInputElement) return !NO_TEXT.includes(target.type);
  return target instanceof HTMLTextAreaElement || target.isContentEditable;
}

/** Lets go of lists that were used with the pointer, and of any list by Escape: keys are commands again then. */
export function letGoOfLists(): () => void {
  const stop = new AbortController();
  const { signal } = stop;
  let pressed: EventTarget | null = null;
  addEventListener('pointerdown', ({ target }) => (pressed = target), { signal, capture: true });
  addEventListener('keydown', () => (pressed = null), { signal, capture: true });
  addEventListener(
    'change',
    ({ target }) => {
      if (target instanceof HTMLSelectElement && target === pressed) target.blur();
    },
    { signal },
  );
  addEventListener(
    'keydown',
    ({ key, target }) => {
      if (key === 'Escape' && target instanceof HTMLSelectElement && !target.closest('dialog')) target.blur();
    },
    { signal },
  );
  return () => stop.abort();
}

/** Whether a key walks through what has the focus: a list, a slider. */
export function walks({ key, target }: KeyboardEvent): boolean {
  return key.startsWith('Arrow') && (target as HTMLElement).closest('select, input, [role=listbox]') !== null;
}
