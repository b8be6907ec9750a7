import type { KeyboardEvent } from 'react';

/**
 * Moves between the fields of the dimension table with the arrow keys: up and down between rows,
 * right from the end of an entry to its label, and left back again.
 */
export function moveInGrid(event: KeyboardEvent<HTMLElement>): void {
  const field = event.target;
  if (!(field instanceof HTMLInputElement) || event.shiftKey || event.ctrlKey || event.metaKey) return;
  const next = neighbour(event.currentTarget, field, event.key);
  if (!next) return;
  event.preventDefault();
  next.focus();
}

function neighbour(grid: HTMLElement, field: HTMLInputElement, key: string): HTMLInputElement | null {
  const column = field.dataset['entry'] === undefined ? 'label' : 'entry';
  const inColumn = (name: string) => [...grid.querySelectorAll<HTMLInputElement>(`input[data-${name}]`)];
  const row = inColumn(column).indexOf(field);
  const collapsed = field.selectionStart === field.selectionEnd;
  const selectedAll = field.selectionStart === 0 && field.selectionEnd === field.value.length;
  switch (key) {
    case 'ArrowDown':
      return inColumn(column)[row + 1] ?? null;
    case 'ArrowUp':
      return inColumn(column)[row - 1] ?? null;
    case 'ArrowRight': {
      const atEnd = collapsed && field.selectionEnd === field.value.length;
      return column === 'entry' && atEnd ? (inColumn('label')[row] ?? null) : null;
    }
    case 'ArrowLeft': {
      const atStart = (collapsed && field.selectionStart === 0) || selectedAll;
      return column === 'label' && atStart ? (inColumn('entry')[row] ?? null) : null;
    }
    default:
      return null;
  }
}

/** Goes to the entry after a field, or leaves the table at its end. */
export function goToNextEntry(grid: HTMLElement | null, field: HTMLInputElement): void {
  const next = grid && neighbour(grid, field, 'ArrowDown');
  if (next) next.focus();
  else field.blur();
}
