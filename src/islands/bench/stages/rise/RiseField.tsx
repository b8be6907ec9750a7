import { EntryInput } from '../../../common/EntryInput';
import { useOverrideField } from '../../../common/useEntry';
import { useBench } from '../../context';

interface Props {
  /** JSON pointer of the entry text. */
  at: string;
  text: string | undefined;
  name: string;
  /** What holds where nothing is entered. */
  placeholder: string;
  /** Whether the entry could not be read. */
  fault?: boolean;
}

/** One choice about heights: a name and the entry that sets it. */
export function RiseField({ at, text = '', name, placeholder }: Props) {
  const field = useOverrideField(at, text, (_, input) => input.blur());
  const fault = useBench((s) =>
    s.derived.report.findings.some(
      ({ rule, remedies }) =>
        rule === 'entry' && remedies.some(({ edits }) => edits.some((edit) => edit.at === at)),
    ),
  );
  return (
    <label className="flex items-center gap-2 py-[2px]">
      <span className="min-w-0 flex-1">{name}</span>
      <EntryInput
        field={field}
        tone={fault ? 'fault' : text ? 'set' : 'plain'}
        className="w-[104px] text-right"
        placeholder={placeholder}
        aria-label={name}
      />
    </label>
  );
}

/** A heading inside the stage column. */
export function Heading({ children }: { children: React.ReactNode }) {
  return <h2 className="border-base-300 mt-4 border-t pt-2 font-semibold">{children}</h2>;
}
