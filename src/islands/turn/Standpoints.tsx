import type { Standpoint } from './looks';

const STANDPOINTS: readonly (readonly [Standpoint, string])[] = [
  ['corner', 'corner'],
  ['above', 'above'],
  ['front', 'front'],
  ['right', 'right'],
  ['back', 'back'],
  ['left', 'left'],
  ['below', 'underneath'],
];

/** A small button of which some are pressed. */
export const CHIP =
  'border-base-300 aria-pressed:border-primary aria-pressed:text-primary aria-pressed:font-semibold rounded border px-1.5';

interface Props {
  /** Where the 3D view is looked at from; `null` while it is not shown. */
  from: Standpoint | null;
  onChoose: (from: Standpoint) => void;
}

/** Where the 3D view is looked at from. */
export function Standpoints({ from, onChoose }: Props) {
  return (
    <div className="flex flex-wrap gap-1" role="group" aria-label="3D from">
      {STANDPOINTS.map(([each, name]) => (
        <button
          key={each}
          type="button"
          aria-pressed={from === each}
          className={CHIP}
          onClick={() => onChoose(each)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
