import { useState } from 'react';
import { attempt } from '../common/trouble';
import { habits } from '../common/shelf-store';
import { useHabits } from './useKnownLetters';

interface Props {
  /** Name of the maker whose letters are used and kept; `null` for none. */
  readonly habit: string | null;
  readonly onHabit: (name: string | null) => void;
}

/** Whose letters these are: what they mean is kept under that name and helps the next time. */
export function HabitLine({ habit, onHabit }: Props) {
  const known = useHabits();
  const [open, setOpen] = useState(false);
  const one = known.find(({ name }) => name === habit);
  return (
    <div>
      <label className="flex items-center gap-2">
        <span className="text-secondary">Letters of</span>
        <input
          className="border-base-300 bg-base-100 w-40 border px-1"
          list="makers"
          aria-label="Maker whose letters these are"
          placeholder="a maker, to be kept"
          maxLength={60}
          value={habit ?? ''}
          onChange={({ target }) => onHabit(target.value === '' ? null : target.value)}
        />
        <datalist id="makers">
          {known.map(({ id, name }) => (
            <option key={id} value={name} />
          ))}
        </datalist>
        {one && (
          <button type="button" className="link" aria-expanded={open} onClick={() => setOpen(!open)}>
            what they mean
          </button>
        )}
      </label>
      {one && open && (
        <div
          className="border-base-300 mt-1 border-l pl-2"
          role="group"
          aria-label={`Letters of ${one.name}`}
        >
          {Object.entries(one.letters).map(([family, letters]) => (
            <p key={family} className="flex flex-wrap items-center gap-x-3">
              <span className="text-secondary">{family}</span>
              {Object.entries(letters).map(([letter, symbol]) => (
                <span key={letter} className="whitespace-nowrap">
                  {letter} is {symbol}{' '}
                  <button
                    type="button"
                    className="text-secondary cursor-pointer"
                    aria-label={`Forget that ${letter} is ${symbol}`}
                    onClick={() => {
                      const { [letter]: _gone, ...rest } = letters;
                      const changed = { ...one, letters: { ...one.letters, [family]: rest } };
                      void attempt('Forgetting a letter', () => habits.save(changed));
                    }}
                  >
                    ×
                  </button>
                </span>
              ))}
            </p>
          ))}
          <button
            type="button"
            className="link"
            onClick={() => {
              void attempt(`Forgetting ${one.name}`, () => habits.remove(one.id));
              onHabit(null);
            }}
          >
            Forget all of {one.name}
          </button>
        </div>
      )}
    </div>
  );
}
