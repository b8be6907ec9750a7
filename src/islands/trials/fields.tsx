import type { ReactNode } from 'react';
import { valueAt } from '../../core/document/edit';
import { isRequired } from '../../core/document/read-fields';
import { TRIAL } from '../../core/document/trial';
import { Pick, type Options } from '../common/inputs';
import { EntryInput } from '../fields/EntryInput';
import { shownEntry, keptEntry } from '../fields/units';
import { useGestureField, type EntryField } from '../fields/useEntry';
import { useTrial } from './state';

// Fields of a trial: each names a place of the document, and what a change of it is called.

function useWrittenField(
  at: string,
  words: string,
  shown: (text: string) => string,
  kept: (typed: string) => string,
): EntryField {
  const value = useTrial((s) => valueAt(s.trial, at));
  const edit = useTrial((s) => s.edit);
  const abandon = useTrial((s) => s.abandon);
  return useGestureField(
    shown(typeof value === 'string' ? value : typeof value === 'number' ? String(value) : ''),
    (typed, gesture) => {
      // what has to be there stays there, empty, and is told
      const empty = isRequired(TRIAL, at) ? '' : undefined;
      edit([{ at, value: typed === '' ? empty : kept(typed) }], words, gesture);
    },
    abandon,
  );
}

const same = (text: string): string => text;

interface FieldProps {
  at: string;
  title: ReactNode;
  /** What a change is called, and the field for who does not see its title. */
  words: string;
  placeholder?: string;
  wide?: boolean;
  /** Stands in a line with others: its title takes no more room than it needs, and a fault is told below the line. */
  slim?: boolean;
  /** In characters. */
  longest?: number;
}

function Labelled({
  title,
  slim = false,
  children,
}: {
  title: ReactNode;
  slim?: boolean;
  children: ReactNode;
}) {
  return (
    <label className="flex min-w-0 items-center gap-2 py-[2px]">
      <span className={`${slim ? 'w-5' : 'w-[88px]'} shrink-0`}>{title}</span>
      {children}
    </label>
  );
}

/** Why an entry cannot be used; nothing where it can. */
export function Fault({ at }: { at: string }) {
  const message = useTrial((s) => s.compiled.problems.find(({ place }) => place.field === at)?.message);
  return message ? (
    <p id={faultId(at)} className="text-error pl-24 text-[12px]">
      {message}
    </p>
  ) : null;
}

const faultId = (at: string) => `fault${at.replaceAll('/', '-')}`;

/** How the field of an entry that cannot be used looks and reads. */
function useTold(at: string) {
  const faulty = useTrial((s) => s.compiled.problems.some(({ place }) => place.field === at));
  return faulty ? ({ tone: 'fault', 'aria-invalid': true, 'aria-describedby': faultId(at) } as const) : {};
}

/** A length, in the unit of the display. */
export function LengthEntry({ at, title, words, placeholder = '', slim = false }: FieldProps) {
  const display = useTrial((s) => s.unit);
  const reads = useTrial((s) => s.trial.unit ?? 'mm');
  const field = useWrittenField(
    at,
    words,
    (text) => shownEntry(text, display, reads),
    (typed) => keptEntry(typed, display, reads),
  );
  const told = useTold(at);
  return (
    <>
      <Labelled title={title} slim={slim}>
        <EntryInput
          field={field}
          unit={display}
          className="w-[104px] text-right"
          placeholder={placeholder}
          maxLength={200}
          aria-label={words}
          {...told}
        />
      </Labelled>
      {!slim && <Fault at={at} />}
    </>
  );
}

/** Words, or a plain number such as an angle. */
export function WordsEntry({
  at,
  title,
  words,
  placeholder = '',
  wide = false,
  slim = false,
  longest = 80,
}: FieldProps) {
  const field = useWrittenField(at, words, same, same);
  const told = useTold(at);
  return (
    <>
      <Labelled title={title}>
        <EntryInput
          field={field}
          className={wide ? 'min-w-0 flex-1' : 'w-[104px] text-right'}
          placeholder={placeholder}
          maxLength={longest}
          aria-label={words}
          {...told}
        />
      </Labelled>
      {!slim && <Fault at={at} />}
    </>
  );
}

interface ChoiceProps<T extends string> {
  at: string;
  title: string;
  words: string;
  /** The choice that leaves no trace in the document. */
  usual: T;
  options: Options<T>;
}

export function ChoiceEntry<T extends string>({ at, title, words, usual, options }: ChoiceProps<T>) {
  const value = useTrial((s) => valueAt(s.trial, at));
  const edit = useTrial((s) => s.edit);
  return (
    <Labelled title={title}>
      <Pick
        label={words}
        value={(typeof value === 'string' ? value : usual) as T}
        options={options}
        onChange={(next) => edit([{ at, value: next === usual ? undefined : next }], words)}
      />
    </Labelled>
  );
}

/** A whole number; what is none is not taken. */
export function CountEntry({ at, title, words, placeholder = '' }: FieldProps) {
  const value = useTrial((s) => valueAt(s.trial, at));
  const edit = useTrial((s) => s.edit);
  return (
    <Labelled title={title}>
      <input
        type="number"
        min={1}
        max={100}
        className="input input-sm w-[104px] text-right"
        aria-label={words}
        placeholder={placeholder}
        value={typeof value === 'number' ? value : ''}
        onChange={({ target }) => {
          const count = target.valueAsNumber;
          if (target.value === '') edit([{ at, value: undefined }], words);
          else if (Number.isInteger(count) && count >= 1 && count <= 100)
            edit([{ at, value: count === 1 ? undefined : count }], words);
        }}
      />
    </Labelled>
  );
}
