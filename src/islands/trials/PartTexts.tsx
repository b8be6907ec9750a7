import { useState } from 'react';
import { clearTexts } from '../../core/trial/texts';
import { formatLength } from '../../core/units/length';
import { counted } from '../common/words';
import { TextPlace } from '../fields/TextPlace';
import { useTrial, useTrialStore, type TrialState } from './state';

/** The texts of the selected part: where they stand and whether they are printed. */
export function PartTexts({ id }: { id: string }) {
  const texts = useTrial((s) => s.document.parts?.find((one) => one.id === id)?.texts);
  const placed = useTrial((s) => s.compiled.parts.find(({ part }) => part === id));
  const unit = useTrial((s) => s.unit);
  if (!placed) return null;
  const { process, footprint, document } = placed.compiled;
  return (
    <details open={texts !== undefined || undefined}>
      <summary className="text-secondary hover:bg-base-200 cursor-pointer text-[12px]">Texts</summary>
      {(['reference', 'value'] as const).map((role) => {
        const own = footprint.texts.find((text) => text.role === role);
        const isNamed = role === 'reference' || own?.isPlaceholder === false;
        const title = role === 'reference' ? 'Reference' : 'Value';
        return (
          <div key={role} role="group" aria-label={title} className="grid gap-1 py-1">
            <p className="text-[12px] font-semibold">
              {title}
              {!isNamed && <span className="text-secondary font-normal">: its footprint has none</span>}
            </p>
            {isNamed && (
              <TextPlace
                at={`parts/${id}/texts/${role}`}
                words={`${role} of ${placed.reference}`}
                isAtPoint={(texts?.[role]?.place ?? document.marks?.texts?.[role]?.place) === 'point'}
                usuallyShown={own !== undefined}
                height={formatLength(own?.height ?? process.textHeight, unit)}
                heightBy="by its footprint"
              />
            )}
          </div>
        );
      })}
    </details>
  );
}

/** Puts all texts where they can be read. @returns what was done, in words */
function clearAllTexts({ compiled, edit }: TrialState): string {
  const { edits, moved, hidden } = clearTexts(compiled);
  if (edits.length === 0) return 'All texts can be read where they are.';
  edit(edits, undefined, 'clear all texts');
  const told = (all: readonly string[]) =>
    all.length > 6 ? `${all.slice(0, 5).join(', ')} and ${all.length - 5} more` : all.join(', ');
  return [
    ...(moved.length > 0 ? [`${counted(moved.length, 'text')} moved: ${told(moved)}.`] : []),
    ...(hidden.length > 0 ? [`No longer printed, as there is no room about the part: ${told(hidden)}.`] : []),
  ].join(' ');
}

/** One press for the texts of the whole board. */
export function ClearTexts() {
  const store = useTrialStore();
  const [said, setSaid] = useState<{ readonly words: string; readonly of: unknown } | null>(null);
  const document = useTrial((s) => s.document);
  return (
    <div className="mt-2">
      <button
        type="button"
        id="clear-texts"
        className="btn btn-sm"
        title="Puts texts that lie over one another, on lands or off the board where they can be read (E)"
        onClick={() => {
          const words = clearAllTexts(store.getState());
          setSaid({ words, of: store.getState().document });
        }}
      >
        Clear all texts
      </button>
      {said?.of === document && (
        <p role="status" className="text-secondary mt-1 text-[12px]">
          {said.words}
        </p>
      )}
    </div>
  );
}
