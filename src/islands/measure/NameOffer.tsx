import { isUnnamed, namesFor } from '../../core/library/naming';
import { NameInput } from '../common/naming';
import { useBench } from '../state/context';

/** Asks for the name of a footprint that has only that of its kind, and offers some. */
export function NameOffer() {
  const document = useBench((s) => s.document);
  const { resolved, footprint } = useBench((s) => s.derived.compiled);
  const edit = useBench((s) => s.edit);
  if (!isUnnamed(document, resolved?.title ?? document.package.family)) return null;
  const offered = namesFor(document, footprint?.standardName ?? null);
  const give = (name: string) => edit([{ at: '/name', value: name.slice(0, 120) }]);
  return (
    <div className="border-base-300 mt-3 border-t pt-2">
      <label className="flex items-baseline gap-2">
        <span className="text-secondary shrink-0">What is it called?</span>
        <NameInput
          name=""
          onName={give}
          className="input input-sm min-w-0 flex-1"
          maxLength={120}
          aria-label="Name for the new footprint"
          placeholder={offered[0] ?? document.name}
        />
      </label>
      {offered.length > 0 && (
        <p className="mt-1 flex flex-wrap gap-1.5" data-offers-names>
          {offered.map((name) => (
            <button
              key={name}
              type="button"
              className="btn btn-xs max-w-full"
              title={`Call it ${name}`}
              onClick={() => give(name)}
            >
              <span className="truncate">{name}</span>
            </button>
          ))}
        </p>
      )}
    </div>
  );
}
