import { pointerKey } from '../../core/document/edit';
import { groupAt, type Drawable } from '../../core/footprint/footprint';
import { describeLimits } from '../../core/units/toleranced';
import { ChoiceField, LengthField, Reason } from '../fields/choices';
import { useBench } from '../state/context';

const KINDS = [
  ['flat', 'flat on the land'],
  ['through', 'section of a lead that goes through'],
  ['concave', 'concave, open to the side'],
] as const;

/** Corrects the contact area of the selected land's terminals where the package's does not fit the lead. */
export function ContactFields({ drawable: { footprint } }: { drawable: Drawable }) {
  const selected = useBench((s) => s.selectedLand);
  const contacts = useBench((s) => s.document.contacts);
  const unit = useBench((s) => s.unit);
  const group = groupAt(footprint, selected);
  if (group?.kind !== 'span') return null;
  const { id, title, length, width } = group.terminals;
  const own = contacts?.[id];
  const at = `contacts/${pointerKey(id)}`;
  return (
    <details className="border-base-300 mt-3 border-t pt-1.5" open={own !== undefined}>
      <summary className="cursor-pointer font-semibold">Contact area of {title.toLowerCase()}</summary>
      <div className="mt-1.5 grid gap-1.5">
        <LengthField name={`${at}/length`} computed={describeLimits(length, unit, true)} />
        <LengthField name={`${at}/width`} computed={describeLimits(width, unit, true)} />
        <LengthField name={`${at}/offset`} computed="0" note="outwards" />
        <ChoiceField name={`${at}/kind`} usual="flat" options={KINDS} />
        {own && <Reason name={`${at}/reason`} />}
      </div>
    </details>
  );
}
