import type { TapisDocument } from '../../../../core/document/document';
import { freshId } from '../../../../core/document/edit';
import { LengthField, TextField } from '../../../fields/choices';
import { useBench } from '../../../state/context';

const NONE: NonNullable<TapisDocument['cuts']> = [];

/** Slots that are milled through the board for their own sake, such as between potentials. */
export function Slots() {
  const cuts = useBench((s) => s.document.cuts) ?? NONE;
  const edit = useBench((s) => s.edit);
  const add = () =>
    edit([
      { at: '/cuts', value: [...cuts, { id: freshId(cuts), x: '0', y: '0', length: '5mm', width: '1mm' }] },
    ]);
  return (
    <section className="mt-4">
      <h2 className="font-semibold">Slots in the board</h2>
      {cuts.map(({ id }, i) => {
        const at = `cuts/${id}`;
        const title = `Slot ${i + 1}`;
        return (
          <div key={id} className="border-base-300 grid gap-1 border-t py-1.5">
            <LengthField name={`${at}/x`} label={`${title} x`} />
            <LengthField name={`${at}/y`} label={`${title} y`} />
            <LengthField name={`${at}/length`} label={`${title} length`} />
            <LengthField name={`${at}/width`} label={`${title} width`} />
            <TextField name={`${at}/turned`} words={`${title} turned, °`} computed="0" />
            <TextField name={`${at}/why`} words={`${title}, why`} />
            <button
              type="button"
              className="text-primary justify-self-start underline"
              onClick={() => edit([{ at: `/${at}`, value: undefined }])}
            >
              Remove this slot
            </button>
          </div>
        );
      })}
      <button type="button" className="text-primary mt-1 underline" onClick={add}>
        Add a slot
      </button>
    </section>
  );
}
