import type { SheetUnit, TapisDocument } from '../../core/document/document';
import { freshId } from '../../core/document/edit';
import type { ResolvedDimension } from '../../core/package/resolve';
import { ChoiceField, TextField } from '../fields/choices';
import { useBench } from '../state/context';

const UNITS: readonly SheetUnit[] = ['mm', 'mil', 'in'];
const NONE: NonNullable<TapisDocument['alternates']> = [];

/** Parts of other sources that go onto the same lands: what differs in their datasheets. */
export function Alternates() {
  const alternates = useBench((s) => s.document.alternates) ?? NONE;
  const resolved = useBench((s) => s.derived.compiled.resolved);
  const unit = useBench((s) => s.document.package.unit ?? 'mm');
  const edit = useBench((s) => s.edit);
  if (!resolved) return null;
  const asked = resolved.dimensions.filter(({ asked: isAsked }) => isAsked);
  const add = () => edit([{ at: '/alternates', value: [...alternates, { id: freshId(alternates), unit }] }]);
  return (
    <section className="mt-4" aria-label="Second sources">
      <h2 className="font-semibold">Second sources</h2>
      <p className="text-secondary text-[12px]">
        Their parts go onto the same lands: every rule is held against each. What is left open is as above.
      </p>
      {alternates.map(({ id, title, unit: own = 'mm' }, i) => (
        <Source
          key={id}
          id={id}
          unit={own}
          sheetUnit={unit}
          title={title?.trim() || `Second source ${i + 1}`}
          dimensions={asked}
          onRemove={() => edit([{ at: `/alternates/${id}`, value: undefined }])}
        />
      ))}
      <button type="button" className="text-primary mt-1 underline" onClick={add}>
        Add a second source
      </button>
    </section>
  );
}

interface SourceProps {
  id: string;
  unit: SheetUnit;
  /** Of the first source. */
  sheetUnit: SheetUnit;
  title: string;
  dimensions: readonly ResolvedDimension[];
  onRemove: () => void;
}

function Source({ id, unit, sheetUnit, title, dimensions, onRemove }: SourceProps) {
  const at = `alternates/${id}`;
  return (
    <details className="border-base-300 mt-1 border-t" open>
      <summary className="hover:bg-base-200 cursor-pointer py-0.5 font-semibold">{title}</summary>
      <div className="grid gap-1 py-1">
        <TextField name={`${at}/title`} words={`Name of ${title}`} wide />
        <TextField name={`${at}/where`} words={`Where ${title} says so`} wide />
        <ChoiceField
          name={`${at}/unit`}
          words={`Unit of ${title}`}
          usual=""
          options={UNITS.map((one) => [one, one] as const)}
        />
        <p className="text-secondary text-[12px]">As printed, in {unit}</p>
        {dimensions.map(({ definition, text }) => (
          <TextField
            key={definition.symbol}
            name={`${at}/dimensions/${definition.symbol}`}
            title={`${definition.name} ${definition.symbol}`}
            words={`${title}, ${definition.name} ${definition.symbol}`}
            // what holds is the first’s, in the unit that it is printed in
            computed={
              text === '' || definition.kind === 'count' || unit === sheetUnit ? text : `${text} ${sheetUnit}`
            }
          />
        ))}
        <button type="button" className="text-primary justify-self-start underline" onClick={onRemove}>
          Remove this source
        </button>
      </div>
    </details>
  );
}
