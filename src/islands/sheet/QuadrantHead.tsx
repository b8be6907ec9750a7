import type { Area, Quadrant } from './layout';
import type { SheetActions, SheetView } from './view';

const NAMES: Readonly<Record<Quadrant, string>> = {
  plan: 'Plan',
  front: 'Front',
  side: 'Side from right',
  turn: '3D',
};

interface Props extends Pick<SheetView, 'whole' | 'fourth'>, Pick<SheetActions, 'divide'> {
  quadrant: Quadrant;
  area: Area;
  /** Where it is called otherwise. */
  name?: string;
}

/** A quadrant's name and the switch that gives it the whole Sheet and takes it back. */
export function QuadrantHead({ quadrant, area, whole, fourth, divide, name = NAMES[quadrant] }: Props) {
  const isWhole = whole === quadrant;
  return (
    <div
      className="text-secondary pointer-events-none absolute flex items-center gap-2 px-2.5 pt-1.5 text-[12px]"
      style={{ left: area.x, top: area.y, width: area.width }}
    >
      {quadrant === 'turn' ? (
        <div className="pointer-events-auto flex gap-2" role="group" aria-label="Fourth quadrant">
          {(['title', 'turn'] as const).map((choice) => (
            <button
              key={choice}
              type="button"
              aria-pressed={fourth === choice}
              className="aria-pressed:text-base-content aria-pressed:font-semibold"
              onClick={() => divide({ fourth: choice, whole: choice === 'title' ? null : whole })}
            >
              {choice === 'title' ? 'Title' : '3D'}
            </button>
          ))}
        </div>
      ) : (
        <span className="whitespace-nowrap">{name}</span>
      )}
      {(quadrant !== 'turn' || fourth === 'turn') && (
        <button
          type="button"
          className="hover:text-base-content pointer-events-auto ml-auto"
          onClick={() => divide({ whole: isWhole ? null : quadrant })}
          aria-label={isWhole ? 'all views again' : `enlarge ${name}`}
        >
          {isWhole ? 'all views' : 'enlarge'}
        </button>
      )}
    </div>
  );
}
