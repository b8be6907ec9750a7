import { useMemo, type ReactNode } from 'react';
import { hasWords } from '../../core/units/saying-unit';
import { Chips, Heading } from '../common/inputs';
import { Standpoints } from '../turn/Standpoints';
import { AddPart } from './AddPart';
import { AreaFields, BoardFields } from './BoardFields';
import { KEYS } from './keys';
import { PartFields } from './PartFields';
import { ClearTexts } from './PartTexts';
import { useTrial } from './state';
import { stepOf } from './step';

/** The parts, how they are looked at and moved, the board, and the keys. */
export function Column() {
  const selected = useTrial((s) => s.selected);
  const parts = useTrial((s) => s.document.parts) ?? [];
  const footprints = useTrial((s) => s.document.footprints) ?? {};
  const compiled = useTrial((s) => s.compiled);
  const set = useTrial((s) => s.set);
  const counts = useMemo(() => {
    const counted = new Map<string, number>();
    for (const { part } of compiled.parts) counted.set(part, (counted.get(part) ?? 0) + 1);
    return counted;
  }, [compiled]);
  return (
    <>
      <h2 className="font-semibold">Parts</h2>
      <AddPart />
      <ul aria-label="Parts on the board">
        {parts.map(({ id, reference, footprint, side }) => (
          <li key={id} className="border-base-300 border-b">
            <button
              type="button"
              aria-pressed={selected === id}
              className={`flex w-full items-baseline gap-2 py-0.5 text-left ${selected === id ? 'bg-base-200 font-semibold' : ''}`}
              onClick={() => set({ selected: selected === id ? null : id })}
            >
              <span className="w-12 shrink-0">
                {reference}
                {(counts.get(id) ?? 1) > 1 && <span className="text-secondary"> ×{counts.get(id)}</span>}
              </span>
              <span className="text-secondary min-w-0 flex-1 truncate text-[12px]">
                {footprints[footprint]?.document.name ?? footprint}
              </span>
              {side === 'bottom' && <span className="text-[12px]">bottom</span>}
              {!counts.has(id) && <span className="text-error text-[12px]">left out</span>}
            </button>
            {selected === id && <PartFields id={id} />}
          </li>
        ))}
      </ul>
      <ClearTexts />
      <StepField />
      <Looks />
      <Heading>Board</Heading>
      <BoardFields />
      <AreaFields />
      <Heading>Keys</Heading>
      <dl className="text-secondary grid grid-cols-[76px_1fr] text-[12px]">
        {KEYS.map(({ shown, words }) => (
          <Key key={shown} shown={shown}>
            {words}
          </Key>
        ))}
      </dl>
    </>
  );
}

function Key({ shown, children }: { shown: string; children: ReactNode }) {
  return (
    <>
      <dt>
        <kbd className="kbd kbd-xs">{shown}</kbd>
      </dt>
      <dd>{children}</dd>
    </>
  );
}

/** From where the board is looked at. */
function Looks() {
  const below = useTrial((s) => s.below);
  const fourth = useTrial((s) => s.fourth);
  const look = useTrial((s) => s.look);
  const set = useTrial((s) => s.set);
  return (
    <>
      <Heading>Views</Heading>
      <Chips
        label="Plan from"
        value={below}
        options={PLANS}
        onChoose={(next) => set({ below: next })}
        className="text-[12px]"
      />
      <p className="text-secondary mt-1.5 text-[12px]">3D from</p>
      <Standpoints
        from={fourth === 'turn' ? look.from : null}
        onChoose={(from) => set({ look: { from, count: look.count + 1 }, fourth: 'turn' })}
      />
    </>
  );
}

const PLANS = [
  [false, 'plan from above'],
  [true, 'plan from below'],
] as const;

/** Arrow keys and dragging keep to this step. */
function StepField() {
  const step = useTrial((s) => s.step);
  const unit = useTrial((s) => s.unit);
  const set = useTrial((s) => s.set);
  const wrong = stepOf(step, unit) === null;
  return (
    <div className="mt-2">
      <label className="flex items-center gap-2">
        <span className="w-[88px] shrink-0">Step</span>
        <span className="relative inline-block w-[104px]">
          <input
            className={`bg-base-100 w-full border px-1 pr-7 text-right ${wrong ? 'border-error' : 'border-base-300'}`}
            aria-label="Step of arrow keys and dragging"
            {...(wrong ? { 'aria-invalid': true, 'aria-describedby': 'step-fault' } : {})}
            value={step}
            onChange={({ target }) => set({ step: target.value })}
          />
          <span className="text-secondary pointer-events-none absolute inset-y-0 right-1 flex items-center text-[12px]">
            {!hasWords(step) && unit}
          </span>
        </span>
      </label>
      {wrong && (
        <p id="step-fault" className="text-error pl-24 text-[12px]">
          “{step}” is no step: a length above 0 is expected, such as 0.5 or 20mil.
        </p>
      )}
    </div>
  );
}
