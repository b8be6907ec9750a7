import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import type { TrialFootprint } from '../../core/document/trial';
import {
  atCorners,
  duplicatePart,
  holdFootprint,
  measureFrom,
  removePart,
  swapFootprint,
  toOtherSide,
  turnBy,
} from '../../core/trial/edits';
import { Pick, Tick, type Options } from '../common/inputs';
import { openCount } from '../ledger/effect';
import { PartTexts } from './PartTexts';
import { alternativesFor, type Alternative } from './library';
import { CountField, LengthField, TextField } from '../fields/choices';
import { useTrial, useTrialStore } from './state';

const FROM_X = [
  ['left', 'from the left'],
  ['right', 'from the right'],
  ['middle', 'from the middle'],
] as const;
const FROM_Y = [
  ['bottom', 'from the bottom'],
  ['top', 'from the top'],
  ['middle', 'from the middle'],
] as const;

/** The selected part: where it lies, how often, and what it is. */
export function PartFields({ id }: { id: string }) {
  const store = useTrialStore();
  const compiled = useTrial((s) => s.compiled);
  const edit = useTrial((s) => s.edit);
  const part = useTrial((s) => s.document.parts?.find((one) => one.id === id));
  if (!part) return null;
  const at = `parts/${id}`;
  const name = part.reference;
  const { corners = false } = part;
  return (
    <section aria-label={`Part ${name}`} className="grid gap-1 py-1">
      <TextField name={`${at}/reference`} title="Reference" words={`reference of ${name}`} />
      <Coordinate id={id} axis="x" from={part.fromX ?? 'left'} options={corners ? [] : FROM_X} />
      <Coordinate id={id} axis="y" from={part.fromY ?? 'bottom'} options={corners ? [] : FROM_Y} />
      <TextField name={`${at}/angle`} title="Angle, °" words={`angle of ${name}`} computed="0">
        <button
          type="button"
          className="btn btn-xs"
          title="Turn by 90° (R)"
          onClick={() => edit(turnBy(compiled, id, 90), undefined, `turn ${name}`)}
        >
          +90°
        </button>
        <button
          type="button"
          className="btn btn-xs"
          aria-pressed={part.side === 'bottom'}
          title="To the other side of the board (O)"
          onClick={() => edit(toOtherSide(compiled, id), undefined, `${name} to the other side`)}
        >
          {part.side === 'bottom' ? 'on the bottom' : 'on the top'}
        </button>
      </TextField>
      <div className="py-1">
        <Tick
          checked={corners}
          small
          onChange={(on) => edit(atCorners(compiled, id, on), undefined, `${name} at all corners`)}
        >
          The same at all four corners
        </Tick>
      </div>
      {!corners && (
        <details open={part.columns !== undefined || part.rows !== undefined || undefined}>
          <summary className="text-secondary hover:bg-base-200 cursor-pointer text-[12px]">
            Row or array
          </summary>
          <CountField name={`${at}/columns`} words={`columns of ${name}`} computed={1} usual={1} />
          <LengthField name={`${at}/stepX`} title="step" words={`column step of ${name}`} />
          <CountField name={`${at}/rows`} words={`rows of ${name}`} computed={1} usual={1} />
          <LengthField name={`${at}/stepY`} title="step" words={`row step of ${name}`} />
        </details>
      )}
      <PartTexts id={id} />
      <Swap id={id} />
      <div className="mt-1 flex gap-3 text-[12px]">
        <button
          type="button"
          className="text-primary hover:underline"
          onClick={() => {
            const copy = duplicatePart(compiled, id);
            if (!copy) return;
            edit(copy.edits, undefined, `duplicate ${name}`);
            store.getState().set({ selected: copy.id });
          }}
        >
          Duplicate
        </button>
        <button
          type="button"
          className="text-error hover:underline"
          onClick={() => edit(removePart(store.getState().document, id), undefined, `remove ${name}`)}
        >
          Remove
        </button>
      </div>
    </section>
  );
}

interface CoordinateProps<F extends From> {
  id: string;
  axis: 'x' | 'y';
  from: F;
  /** Edges that it can be measured from; none where it is measured from all corners. */
  options: Options<F>;
}
type From = Parameters<typeof measureFrom>[3];

/** A coordinate and the edge that it is measured from; measured from another one, the part stays where it is. */
function Coordinate<F extends From>({ id, axis, from, options }: CoordinateProps<F>) {
  const store = useTrialStore();
  const name = useTrial((s) => s.document.parts?.find((one) => one.id === id)?.reference ?? '');
  return (
    <LengthField name={`parts/${id}/${axis}`} title={axis} words={`${axis} of ${name}`} layout="close">
      {options.length > 0 && (
        <Pick
          className="min-w-0 flex-1"
          label={`Edge that ${axis} of ${name} is measured from`}
          value={from}
          options={options}
          onChange={(next) => {
            const { compiled, edit } = store.getState();
            edit(measureFrom(compiled, id, axis, next), undefined, `measure ${name} from another edge`);
          }}
        />
      )}
    </LengthField>
  );
}

/** What else can stand in the part's place: newer revisions, variants; each with what collides then. */
function Swap({ id }: { id: string }) {
  const footprints = useTrial((s) => s.document.footprints);
  const key = useTrial((s) => s.document.parts?.find((one) => one.id === id)?.footprint);
  const used = new Set(useTrial((s) => s.document.parts)?.map(({ footprint }) => footprint));
  const held = key === undefined ? undefined : footprints?.[key];
  const from = held?.from;
  const others = useLiveQuery(() => alternativesFor(held), [from, held?.revision, held?.document]);
  // what the trial brought along and no part has, where the Shelf does not know it
  const spare = Object.entries(footprints ?? {}).filter(
    ([other, one]) =>
      !used.has(other) &&
      !others?.some(({ footprint }) => footprint.from === one.from && one.from !== undefined),
  );
  if (!held || key === undefined) return null;
  const list: Alternative[] = [
    ...(others ?? []),
    ...spare.map(([, one]) => ({ name: one.document.name, why: 'in this trial', footprint: one })),
  ];
  return (
    <div className="border-base-300 mt-1 border-t pt-1">
      <p className="truncate" title={held.document.name}>
        {held.document.name}
        {held.revision !== undefined && <span className="text-secondary"> · revision {held.revision}</span>}
      </p>
      {list.length > 0 && (
        <ul className="text-[12px]" aria-label="What can stand in its place">
          {list.map((one) => (
            <SwapRow key={`${one.name} ${one.why}`} id={id} alternative={one} />
          ))}
        </ul>
      )}
    </div>
  );
}

/** One of them: what is open with it shows before it is taken. */
function SwapRow({ id, alternative }: { id: string; alternative: Alternative }) {
  const store = useTrialStore();
  const [open, setOpen] = useState<number | null>(null);
  const edits = (footprint: TrialFootprint) => {
    const held = holdFootprint(store.getState().document, footprint);
    return [...held.edits, ...swapFootprint(id, held.key)];
  };
  const label = `Take ${alternative.name}`;
  const look = () => {
    const { setPreview } = store.getState();
    setPreview({ label, edits: edits(alternative.footprint) });
    const { preview } = store.getState();
    setOpen(preview ? openCount(preview.report) : null);
  };
  const leave = () => store.getState().setPreview(null);
  return (
    <li className="flex items-baseline gap-1.5 py-0.5">
      <button
        type="button"
        className="border-primary text-primary hover:bg-primary hover:text-primary-content rounded border px-1.5 text-left"
        onPointerEnter={look}
        onPointerLeave={leave}
        onFocus={look}
        onBlur={leave}
        onClick={() =>
          store.getState().edit(edits(alternative.footprint), undefined, `${label} for the part`)
        }
      >
        {label}
      </button>
      <span className="text-secondary">
        {alternative.why}
        {open !== null && ` · ${open} open then`}
      </span>
    </li>
  );
}
