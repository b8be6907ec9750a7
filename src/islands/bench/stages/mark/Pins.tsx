import type { Footprint } from '../../../../core/footprint/footprint';
import { Choice } from '../../../common/inputs';
import { counted } from '../../../common/words';
import { useBench } from '../../../state/context';

/** What the numbers mean: how much is said, and the way to the table. */
export function Pins({ footprint: { pins, lands } }: { footprint: Footprint }) {
  const set = useBench((s) => s.set);
  const numbers = new Set(lands.flatMap(({ number }) => (number === '' ? [] : [number])));
  return (
    <section>
      <h2 className="mt-4 font-semibold">Pins</h2>
      <p className="text-secondary">
        {pins.length === 0
          ? 'What the numbers mean: names and directions, from the datasheet’s pin table.'
          : `${counted(pins.length, 'pin')} for ${counted(numbers.size, 'number')}.`}
      </p>
      <div className="mt-1.5 flex flex-wrap items-center gap-2">
        <button type="button" className="btn btn-sm" onClick={() => set({ pinsOpen: true, whole: 'plan' })}>
          Open the pin table
        </button>
        {pins.length > 0 && <PinNamesChoice />}
      </div>
    </section>
  );
}

/** Where the names stand on the Sheet. */
export function PinNamesChoice() {
  const names = useBench((s) => s.pinNames);
  const set = useBench((s) => s.set);
  return (
    <Choice
      label="Names of pins on the Sheet"
      options={[
        ['off', 'no names'],
        ['on', 'on lands'],
        ['beside', 'beside'],
      ]}
      value={names}
      onChoose={(pinNames) => set({ pinNames })}
    />
  );
}
