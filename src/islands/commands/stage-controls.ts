import type { Stage } from '../../core/document/finding';

/** Something that is done by a button of a stage: the command goes there, and Enter presses it. */
interface StageControl {
  readonly name: string;
  readonly stage: Stage;
  /** How the button's words begin. */
  readonly control: string;
}

export const STAGE_CONTROLS: readonly StageControl[] = [
  { name: 'Choose another package family', stage: 'measure', control: 'Package family' },
  { name: 'Add an area that is kept free', stage: 'stack', control: 'Add an area' },
  { name: 'Open the pin table', stage: 'mark', control: 'Open the pin table' },
  { name: 'Choose a 3D model', stage: 'rise', control: 'Choose a file' },
  { name: 'Simulate the joint', stage: 'prove', control: 'Simulate' },
  { name: 'Make the release', stage: 'release', control: 'Make the release' },
];

/** So many frames a stage may take to appear. */
const PATIENCE = 120;

/** Gives a stage's button the focus, once the stage is there. */
export function focusControl(control: string, patience = PATIENCE): void {
  const found = [...document.querySelectorAll('main button')].find((button) =>
    (button.getAttribute('aria-label') ?? button.textContent ?? '').trim().startsWith(control),
  );
  if (found instanceof HTMLElement) found.focus();
  else if (patience > 0) requestAnimationFrame(() => focusControl(control, patience - 1));
}
