import type { KeepOutIntent } from '../../../../core/document/document';
import { freshId } from '../../../../core/document/edit';
import { ChoiceField, LengthField } from '../../../fields/choices';
import { useBench } from '../../../state/context';

const WHAT = [
  ['copper', 'copper'],
  ['vias', 'vias and holes'],
  ['components', 'other components'],
  ['everything', 'everything'],
] as const;

const SIDES = [
  ['component', 'component side'],
  ['far', 'far side'],
  ['both', 'both sides'],
] as const;

const NONE: readonly KeepOutIntent[] = [];

/** Areas that the person keeps free, beside those of the package. */
export function KeepOuts() {
  const keepOuts = useBench((s) => s.document.keepOuts) ?? NONE;
  const edit = useBench((s) => s.edit);
  const add = () => {
    const area: KeepOutIntent = { id: freshId(keepOuts), x: '0', y: '0', diameter: '1', what: 'copper' };
    edit([{ at: '/keepOuts', value: [...keepOuts, area] }]);
  };
  return (
    <section className="mt-4">
      <h2 className="font-semibold">Keep-outs</h2>
      {keepOuts.map((own, i) => (
        <KeepOutFields key={own.id} title={`Keep-out ${i + 1}`} own={own} />
      ))}
      <button type="button" className="text-primary mt-1 underline" onClick={add}>
        Add an area
      </button>
    </section>
  );
}

function KeepOutFields({ title, own }: { title: string; own: KeepOutIntent }) {
  const edit = useBench((s) => s.edit);
  const at = `keepOuts/${own.id}`;
  const side = (key: string, called: string) => (
    <LengthField key={key} name={`${at}/${key}`} label={`${title} ${called}`} />
  );
  return (
    <div className="border-base-300 grid gap-1 border-t py-1.5">
      <ChoiceField name={`${at}/what`} usual="" options={WHAT} />
      <ChoiceField name={`${at}/side`} usual="component" options={SIDES} />
      {side('x', 'x')}
      {side('y', 'y')}
      {side('diameter', 'Diameter')}
      {!own.diameter && (
        <>
          {side('width', 'Width')}
          {side('height', 'Height')}
        </>
      )}
      <button
        type="button"
        className="text-primary justify-self-start underline"
        onClick={() => edit([{ at: `/${at}`, value: undefined }])}
      >
        Remove this area
      </button>
    </div>
  );
}
