import { createContext, useContext, useId, useState, type ReactNode } from 'react';
import { valueAt } from '../../core/document/edit';
import { fieldAt, isRequired } from '../../core/document/read-fields';
import { Pick, Tick, type Options } from '../common/inputs';
import { useFieldHost, useFieldState } from '../state/fields';
import { EntryInput } from './EntryInput';
import { FaultWords, toldOf, useFault, type Fault } from './fault';
import { LEAVE, useField, type EntryField, type OnDone } from './useEntry';
import { useUnits } from './useUnits';

// The fields of all columns. Each names a place of the document; what it is called and between which
// limits it lies stands in the table of the place that it stands in.

interface Scope {
  /** JSON pointer of the place that the fields write below. */
  readonly at: string;
  /** What stands there for them, which may be made of several places of the document. */
  readonly value: unknown;
  /** What holds there where the place itself says nothing. */
  readonly general?: unknown;
}

const Surrounding = createContext<Scope | null>(null);

/** Fields inside name their places from a place of the document on. */
export function Within({ children, ...scope }: Scope & { children: ReactNode }) {
  return <Surrounding value={scope}>{children}</Surrounding>;
}

/**
 * A choice of the document: its place, what stands there, what it is called, and how to write it.
 * @param words what a change of it is called, where the table's words do not say which one is meant
 */
export function useChoice(name: string, words?: string) {
  const scope = useContext(Surrounding);
  const at = `${scope?.at ?? ''}/${name}`;
  const { table } = useFieldHost();
  const value = useFieldState((s) => (scope ? valueAt(scope.value, `/${name}`) : valueAt(s.document, at)));
  const edit = useFieldState((s) => s.edit);
  const field = fieldAt(table, at);
  return {
    at,
    value,
    /** What holds where this place says nothing. */
    general: scope ? valueAt(scope.general, `/${name}`) : undefined,
    field,
    title: field?.column ?? field?.label ?? name,
    /** What has to be there, for its table, stays there empty. */
    cleared: isRequired(table, at) ? '' : undefined,
    write: (next: unknown, gesture?: string) => edit([{ at, value: next }], gesture, words),
  };
}

/**
 * The field of a choice that is an entry text.
 * @param instead choices that say the same in another way, and are cleared with what is typed here
 */
export function useEntryOf(
  name: string,
  instead: readonly string[] = [],
  onDone: OnDone = LEAVE,
  words?: string,
): EntryField {
  const { at, value, field, cleared } = useChoice(name);
  const edit = useFieldState((s) => s.edit);
  const units = useUnits(at);
  const isLength = field?.kind === 'length' || field?.kind === 'toleranced';
  const text = typeof value === 'string' ? value : '';
  const root = at.slice(0, at.length - name.length);
  return useField(
    isLength ? units.shown(text) : text,
    (typed, gesture) => {
      const next = isLength ? units.kept(typed) : typed;
      edit(
        [
          ...instead.map((other) => ({ at: `${root}${other}`, value: undefined })),
          { at, value: next === '' ? cleared : next },
        ],
        gesture,
        words,
      );
    },
    onDone,
  );
}

interface TextProps {
  /** Its place in the document, without the slash before it. */
  name: string;
  title?: string;
  /** What holds while nothing is typed. */
  computed?: string;
  /** What a change of it is called, and the field for who does not see its title. */
  words?: string;
  /** What stands in its line behind it; a fault is told below both. */
  children?: ReactNode;
}

interface LengthProps extends TextProps {
  /** Choices that say the same in another way. */
  instead?: readonly string[];
  note?: string;
  /** The field stands at the right end of its line, under its title, or close behind it. */
  layout?: keyof typeof LAYOUTS;
  label?: string;
}

/** Classes of the line, the title and the box. */
const LAYOUTS = {
  column: ['flex min-w-0 items-center gap-2', 'w-[88px] shrink-0', 'w-24'],
  line: ['flex items-center gap-2 py-[2px]', 'min-w-0 flex-1', 'w-[104px] text-right'],
  under: ['block min-w-0', 'text-secondary text-[12px]', 'w-full'],
  close: ['flex min-w-0 items-center gap-2', 'w-5 shrink-0', 'w-24'],
} as const satisfies Record<string, readonly [string, string, string]>;

/** A length that can be set; empty, the computed one holds. */
export function LengthField({
  name,
  title,
  computed = '',
  words,
  children,
  instead,
  note,
  layout = 'column',
  label = words,
}: LengthProps) {
  const { at, title: called } = useChoice(name);
  const field = useEntryOf(name, instead, LEAVE, words);
  const { reads: unit } = useUnits(at);
  const fault = useFault(at);
  const [row, head, box] = LAYOUTS[layout];
  const line = (
    <label className={row}>
      <span className={head}>{title ?? called}</span>
      <EntryInput
        field={field}
        // it stands out against what is computed
        tone={field.text && computed ? 'set' : 'plain'}
        className={box}
        placeholder={computed}
        unit={unit}
        maxLength={LONGEST}
        aria-label={label ?? title ?? called}
        {...toldOf(fault)}
      />
      {note && <span className="text-secondary truncate text-[12px]">{note}</span>}
    </label>
  );
  return layout === 'under' ? (
    <>
      {line}
      <FaultWords fault={fault} wide />
    </>
  ) : (
    <Line fault={fault} beside={children}>
      {line}
    </Line>
  );
}

/** Longest entry that any table takes, in characters. */
const LONGEST = 200;

/** A field with what stands behind it, and the words of its fault below both. */
function Line({ fault, beside, children }: { fault: Fault; beside: ReactNode; children: ReactNode }) {
  return (
    <div className="min-w-0">
      {beside ? (
        <div className="flex items-center gap-1">
          {children}
          {beside}
        </div>
      ) : (
        children
      )}
      <FaultWords fault={fault} />
    </div>
  );
}

/** An entry that is no length, such as an angle, a name, or the corners of an outline. */
export function TextField({
  name,
  title,
  computed = '',
  words,
  children,
  wide = false,
}: TextProps & { wide?: boolean }) {
  const { at, field: choice, title: called } = useChoice(name);
  const field = useEntryOf(name, [], LEAVE, words);
  const fault = useFault(at);
  return (
    <Line fault={fault} beside={children}>
      <label className="flex min-w-0 items-center gap-2">
        <span className="w-[88px] shrink-0">{title ?? called}</span>
        <EntryInput
          field={field}
          className={wide ? 'flex-1' : 'w-24'}
          placeholder={computed}
          maxLength={choice?.kind === 'text' || choice?.kind === 'notation' ? choice.longest : LONGEST}
          aria-label={words ?? title ?? called}
          {...toldOf(fault)}
        />
      </label>
    </Line>
  );
}

interface ChoiceProps {
  name: string;
  title?: string;
  words?: string;
  /** The choice that leaves no trace in the document. */
  usual: string | number;
  options: Options<string | number>;
}

/** A choice out of a few. */
export function ChoiceField({ name, title, words, usual, options }: ChoiceProps) {
  const { value, title: called, write } = useChoice(name, words);
  const chosen = typeof value === 'string' || typeof value === 'number' ? value : usual;
  return (
    <label className="flex items-center gap-2">
      <span className="w-[88px] shrink-0">{title ?? called}</span>
      <Pick
        {...(words ? { label: words } : {})}
        value={chosen}
        options={options}
        onChange={(next) => write(next === usual ? undefined : next)}
      />
    </label>
  );
}

/** A whole number that can be set, between the limits of its table. */
export function CountField({
  name,
  computed,
  least = 1,
  usual,
  words,
}: {
  name: string;
  /** What holds while nothing is typed. */
  computed?: number;
  least?: number;
  /** The number that leaves no trace in the document. */
  usual?: number;
  words?: string;
}) {
  const { value, field: choice, title, write } = useChoice(name, words);
  const most = choice?.kind === 'count' ? choice.most : Infinity;
  /** What is typed and cannot be taken; the document keeps the last that could. */
  const [refused, setRefused] = useState<string | null>(null);
  const field = useField(
    refused ?? (typeof value === 'number' ? String(value) : ''),
    (text, gesture) => {
      const count = Number(text);
      const fits = text.trim() === '' || (Number.isInteger(count) && count >= least && count <= most);
      setRefused(fits ? null : text);
      if (fits) write(text.trim() === '' || count === usual ? undefined : count, gesture);
    },
    (how, input) => {
      setRefused(null);
      LEAVE(how, input);
    },
  );
  const limits = `a whole number from ${least}${most === Infinity ? '' : ` to ${most}`}`;
  const fault = {
    id: useId(),
    words: refused === null ? null : `“${refused}” cannot be used: ${limits} is expected.`,
  };
  return (
    <div className="min-w-0">
      <label className="flex items-center gap-2">
        <span className="w-[88px] shrink-0">{title}</span>
        <EntryInput
          field={field}
          tone={value === undefined ? 'plain' : 'set'}
          className="w-24"
          inputMode="numeric"
          aria-label={words ?? title}
          placeholder={computed === undefined ? undefined : String(computed)}
          onBlur={() => setRefused(null)}
          {...toldOf(fault)}
        />
      </label>
      <FaultWords fault={fault} />
    </div>
  );
}

interface FlagProps {
  name: string;
  title?: string;
  /** What holds while nothing was chosen. */
  usual?: boolean;
  children?: ReactNode;
}

/** A tick; its usual state leaves no trace in the document. */
export function FlagField({ name, title, usual = false, children }: FlagProps) {
  const { value, general, title: called, write } = useChoice(name);
  const checked = typeof value === 'boolean' ? value : usual;
  // a land of its own can say no where its group says yes
  const silent = typeof general === 'boolean' ? general : usual;
  return (
    <Tick checked={checked} onChange={(next) => write(next === silent ? undefined : next)}>
      {title ?? called}
      {children}
    </Tick>
  );
}

/** Free words; `bare` leaves their title to what stands beside. */
export function WordsField({
  name,
  placeholder,
  label,
}: {
  name: string;
  placeholder: string;
  label?: string;
}) {
  const { value, field: choice, title, write } = useChoice(name);
  const field = useField(typeof value === 'string' ? value : '', (text, gesture) =>
    write(text || undefined, gesture),
  );
  return (
    <EntryInput
      field={field}
      className="flex-1"
      aria-label={label ?? title}
      placeholder={placeholder}
      maxLength={choice?.kind === 'text' ? choice.longest : undefined}
    />
  );
}

/** Why something differs from what was computed; it stays in the document. */
export function Reason({ name }: { name: string }) {
  const { value, write } = useChoice(name);
  const field = useField(typeof value === 'string' ? value : '', (text, gesture) =>
    write(text || undefined, gesture),
  );
  return (
    <input
      className="hover:border-base-300 focus:border-primary mt-1 w-full border-b border-transparent bg-transparent py-0.5 text-[12px]"
      aria-label="Reason"
      placeholder="Reason, kept with the footprint"
      value={field.text}
      maxLength={400}
      onChange={({ target }) => field.onChange(target.value)}
      onFocus={field.onFocus}
      onKeyDown={field.onKeyDown}
    />
  );
}
