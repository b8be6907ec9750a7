import { useContext, useEffect, useState } from 'react';
import { pointerKey } from '../../../../core/document/edit';
import type { Footprint } from '../../../../core/footprint/footprint';
import { readNumberList } from '../../../../core/document/land-numbers';
import { landTowards, type Direction } from '../../../../core/footprint/renumber';
import { BenchContext, useBench } from '../../../state/context';

const numberAt = (land: string) => `/overrides/numbers/${pointerKey(land)}`;

/** Number fields that are shown at first. */
const FIRST_FIELDS = 120;

const ARROWS: Readonly<Record<string, Direction>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

/** Numbers by pressing lands in order, by stepping with arrows and Enter, as a list, or one by one. */
export function GiveNumbers({ footprint }: { footprint: Footprint }) {
  const counting = useBench((s) => s.counting);
  const set = useBench((s) => s.set);
  useArrowNumbering(counting !== null);
  useEffect(() => () => set({ counting: null }), [set]);
  return (
    <>
      <div className="mt-2 flex flex-wrap items-center gap-1.5">
        <button
          type="button"
          aria-pressed={counting !== null}
          className="border-primary text-primary aria-pressed:bg-primary aria-pressed:text-primary-content rounded border px-2"
          onClick={() => set({ counting: counting === null ? 1 : null })}
        >
          {counting === null ? 'Number by pressing lands' : 'Done'}
        </button>
        {counting !== null && (
          <label className="flex items-center gap-1.5">
            next
            <input
              type="number"
              className="border-base-300 bg-base-100 w-16 border px-1"
              value={counting}
              min={0}
              aria-label="Next number"
              onChange={({ target: { value } }) => set({ counting: Math.max(0, Math.round(Number(value))) })}
            />
          </label>
        )}
      </div>
      {counting !== null && (
        <p className="text-secondary text-[12px]" role="status">
          Press the lands on the plan in order, or step with the arrow keys and number with Enter.
        </p>
      )}
      <NumberList footprint={footprint} />
      <NumberFields footprint={footprint} />
    </>
  );
}

/** While numbers are given, arrows step from land to land and Enter numbers the selected one. */
function useArrowNumbering(active: boolean): void {
  const store = useContext(BenchContext);
  useEffect(() => {
    if (!active || !store) return;
    const listen = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
      const { derived, selectedLand, pressLand, set } = store.getState();
      const lands = derived.shown?.drawable.footprint.lands ?? [];
      const direction = ARROWS[event.key];
      if (direction) {
        event.preventDefault();
        set({ selectedLand: selectedLand === null ? 0 : landTowards(lands, selectedLand, direction) });
      } else if (event.key === 'Enter' && selectedLand !== null) {
        event.preventDefault();
        pressLand(selectedLand);
      } else if (event.key === 'Escape') set({ counting: null });
    };
    addEventListener('keydown', listen);
    return () => removeEventListener('keydown', listen);
  }, [active, store]);
}

/** All numbers as one text, in the order of the positions. */
function NumberList({ footprint: { lands } }: { footprint: Footprint }) {
  const edit = useBench((s) => s.edit);
  const [text, setText] = useState<string | null>(null);
  const read = readNumberList(text ?? '');
  const current = lands.map(({ number }) => number).join(', ');
  const problem = !read.ok
    ? read.error
    : text !== null && read.value.length !== lands.length
      ? `${read.value.length} numbers for ${lands.length} lands.`
      : null;
  const take = () => {
    if (!read.ok || text === null) return;
    const edits = lands.slice(0, read.value.length).map(({ id, schemeNumber }, i) => {
      const number = read.value[i];
      return { at: numberAt(id), value: number === schemeNumber ? undefined : number };
    });
    edit(edits);
    setText(null);
  };
  return (
    <label className="mt-2 block">
      <span className="text-secondary text-[12px]">
        As a list, by position counter-clockwise; 1-8 and 16-9 are ranges. Enter takes it.
      </span>
      <textarea
        className="border-base-300 bg-base-100 block w-full border px-1 text-[12px]"
        rows={2}
        aria-label="Numbers as a list"
        value={text ?? current}
        onChange={({ target: { value } }) => setText(value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            take();
          } else if (event.key === 'Escape') setText(null);
        }}
        onBlur={() => text !== null && read.ok && take()}
      />
      {problem && <span className="text-warning text-[12px]">{problem}</span>}
    </label>
  );
}

function NumberFields({ footprint }: { footprint: Footprint }) {
  const numbers = useBench((s) => s.document.overrides?.numbers);
  const edit = useBench((s) => s.edit);
  const [whole, setWhole] = useState(false);
  return (
    <>
      <div className="mt-2 grid grid-cols-4 gap-1">
        {footprint.lands.slice(0, whole ? undefined : FIRST_FIELDS).map(({ id, number }, i) => (
          <label key={id} className="flex items-center gap-1 text-[12px]" title={id}>
            <span className="text-secondary w-5 text-right">{i + 1}</span>
            <input
              className={`bg-base-100 w-full min-w-0 border px-1 ${
                numbers?.[id] === undefined ? 'border-base-300' : 'border-primary font-semibold'
              }`}
              aria-label={`Number of the land at position ${i + 1}`}
              value={number}
              maxLength={12}
              onChange={(event) => {
                const text = event.target.value;
                edit([{ at: numberAt(id), value: text }], `number ${id}`);
              }}
            />
          </label>
        ))}
      </div>
      {footprint.lands.length > FIRST_FIELDS && !whole && (
        <button type="button" className="text-primary mt-1 underline" onClick={() => setWhole(true)}>
          Show all {footprint.lands.length} numbers
        </button>
      )}
    </>
  );
}
