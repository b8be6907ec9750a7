import { useBench } from '../../context';

/** Which group of lands is shown, where a package has several; the Sheet selects a land of it. */
export function GroupChoice({ current }: { current: number }) {
  const footprint = useBench((s) => s.derived.shown?.drawable.footprint);
  const set = useBench((s) => s.set);
  if (!footprint || footprint.groups.length < 2) return null;
  return (
    <div className="mt-1 flex flex-wrap gap-1.5" role="group" aria-label="Group of lands">
      {footprint.groups.map(({ id, title }, i) => (
        <button
          key={id}
          type="button"
          aria-pressed={i === current}
          className="border-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content rounded border px-2"
          onClick={() => set({ selectedLand: footprint.lands.findIndex(({ group }) => group === id) })}
        >
          {title}
        </button>
      ))}
    </div>
  );
}
