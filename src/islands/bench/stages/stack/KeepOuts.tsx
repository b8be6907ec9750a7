import type { KeepOutIntent } from '../../../../core/document/document';
import { useBench } from '../../context';

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

/** Areas that the person keeps free, beside those of the package. */
export function KeepOuts() {
  const keepOuts = useBench((s) => s.document.keepOuts) ?? [];
  const edit = useBench((s) => s.edit);
  const put = (next: readonly KeepOutIntent[], gesture?: string) =>
    edit([{ at: '/keepOuts', value: next.length > 0 ? next : undefined }], gesture);
  return (
    <section className="mt-4">
      <h2 className="font-semibold">Keep-outs</h2>
      {keepOuts.map((own, i) => (
        <KeepOutFields
          key={i}
          index={i}
          own={own}
          onChange={(part) =>
            put(
              keepOuts.map((other, k) => (k === i ? { ...other, ...part } : other)),
              `keep-out ${i} ${Object.keys(part).join()}`,
            )
          }
          onRemove={() => put(keepOuts.filter((_, k) => k !== i))}
        />
      ))}
      <button
        type="button"
        className="text-primary mt-1 underline"
        onClick={() => put([...keepOuts, { x: '0', y: '0', diameter: '1', what: 'copper' }])}
      >
        Add an area
      </button>
    </section>
  );
}

interface FieldsProps {
  index: number;
  own: KeepOutIntent;
  onChange: (part: Partial<KeepOutIntent>) => void;
  onRemove: () => void;
}

function KeepOutFields({ index, own, onChange, onRemove }: FieldsProps) {
  const text = (key: 'x' | 'y' | 'diameter' | 'width' | 'height', title: string) => (
    <label className="flex items-center gap-2">
      <span className="w-[88px] shrink-0">{title}</span>
      <input
        className="border-base-300 bg-base-100 w-24 border px-1"
        value={own[key] ?? ''}
        aria-label={`Keep-out ${index + 1} ${title}`}
        onChange={({ target: { value } }) => onChange({ [key]: value })}
      />
    </label>
  );
  const choice = <K extends 'what' | 'side'>(
    key: K,
    title: string,
    value: string,
    options: readonly (readonly [string, string])[],
  ) => (
    <label className="flex items-center gap-2">
      <span className="w-[88px] shrink-0">{title}</span>
      <select
        className="select select-sm min-w-0 flex-1"
        value={value}
        onChange={({ target }) => onChange({ [key]: target.value })}
      >
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="border-base-300 grid gap-1 border-t py-1.5">
      {choice('what', 'Free of', own.what, WHAT)}
      {choice('side', 'On', own.side ?? 'component', SIDES)}
      {text('x', 'x')}
      {text('y', 'y')}
      {text('diameter', 'Diameter')}
      {!own.diameter && (
        <>
          {text('width', 'Width')}
          {text('height', 'Height')}
        </>
      )}
      <button type="button" className="text-primary justify-self-start underline" onClick={onRemove}>
        Remove this area
      </button>
    </div>
  );
}
