import { useBench } from '../bench/context';
import type { Drawable } from '../bench/derive';
import { Reason } from '../bench/stages/land/SetByHand';
import { ChoiceField, LengthField } from '../bench/stages/stack/fields';
import { describeLimits } from '../../core/units/toleranced';

const KINDS = [
  ['flat', 'flat on the land'],
  ['through', 'section of a lead that goes through'],
  ['concave', 'concave, open to the side'],
] as const;

/** Corrects the contact area of the selected land's terminals where the family's does not fit the lead. */
export function ContactFields({ drawable: { footprint } }: { drawable: Drawable }) {
  const selected = useBench((s) => s.selectedLand);
  const contacts = useBench((s) => s.document.contacts);
  const unit = useBench((s) => s.unit);
  const land = footprint.lands[selected ?? 0];
  const group = footprint.groups.find(({ id }) => id === land?.group);
  if (group?.kind !== 'span') return null;
  const own = contacts?.[group.id];
  const at = `/contacts/${group.id}`;
  return (
    <details className="border-base-300 mt-3 border-t pt-1.5" open={own !== undefined}>
      <summary className="cursor-pointer font-semibold">Contact area of {group.title.toLowerCase()}</summary>
      <div className="mt-1.5 grid gap-1.5">
        <LengthField
          at={`${at}/length`}
          text={own?.length}
          title="Length"
          computed={describeLimits(group.length, unit, true)}
        />
        <LengthField
          at={`${at}/width`}
          text={own?.width}
          title="Width"
          computed={describeLimits(group.width, unit, true)}
        />
        <LengthField at={`${at}/offset`} text={own?.offset} title="Moved" computed="0" note="outwards" />
        <ChoiceField
          at={`${at}/kind`}
          title="Touches"
          value={own?.kind ?? 'flat'}
          usual="flat"
          options={KINDS}
        />
        {own && <Reason at={`${at}/reason`} text={own.reason ?? ''} />}
      </div>
    </details>
  );
}
