import { EntryInput } from '../fields/EntryInput';
import { entryEdit } from '../../core/document/entries';
import { MISSING } from '../../core/document/finding';
import type { ResolvedDimension } from '../../core/package/resolve';
import { inUnit } from '../../core/units/in-words';
import { describeLimits } from '../../core/units/toleranced';
import { useBench } from '../state/context';
import { useDimensionField, useField } from '../fields/useEntry';

/** Name, entry, other unit and label. */
export const DIMENSION_COLUMNS = 'grid-cols-[96px_88px_1fr_26px]';

interface Props {
  dimension: ResolvedDimension;
  /** Called with the field when Enter was pressed in it. */
  onCommit: (input: HTMLInputElement) => void;
}

/** One dimension: what was printed, what it is in the other unit, and the datasheet's own label. */
export function DimensionRow({ dimension, onCommit }: Props) {
  const { definition, error, source, assumption, doubts, label, where, value, from, text } = dimension;
  const { symbol, name, help, kind } = definition;
  const document = useBench((s) => s.document);
  const active = useBench((s) => s.activeDimension === symbol);
  const set = useBench((s) => s.set);
  const edit = useBench((s) => s.edit);
  const faulty = useBench((s) =>
    s.derived.report.findings.some(
      (f) => f.severity !== 'note' && f.rule !== MISSING && f.place.dimensions?.[0] === symbol,
    ),
  );
  const shownUnit = useBench((s) => s.unit);
  const field = useDimensionField(symbol, (how, input) => {
    if (how === 'commit') onCommit(input);
  });
  const labelled = useField(
    label,
    (next, gesture) => edit([entryEdit(document, symbol, { label: next })], gesture),
    (how, input) => {
      if (how === 'commit') onCommit(input);
    },
  );
  const ownUnit = document.package.unit ?? 'mm';
  const otherUnit = ownUnit === 'mm' ? 'mil' : 'mm';
  const other = value && kind === 'length' && !error ? describeLimits(value, otherUnit, true) : '';
  const derivedValue = value && (kind === 'count' ? String(value.nom) : describeLimits(value, ownUnit));
  const derivedText = source === 'derived' ? (derivedValue ?? '') : '';
  const noteId = `note-${symbol}`;
  const note =
    error && source === 'entered'
      ? inUnit(error.message, shownUnit)
      : [assumption, ...doubts.map(({ message }) => inUnit(message, shownUnit)), changedSince(from, text)]
          .filter((words) => words !== null)
          .join('. ');
  return (
    <div
      className={`border-base-300 border-b ${active ? 'bg-base-200' : ''}`}
      onPointerEnter={() => set({ activeDimension: symbol })}
    >
      <div className={`grid ${DIMENSION_COLUMNS} items-baseline gap-x-1 py-[2px]`}>
        <label htmlFor={`entry-${symbol}`} className="leading-tight" title={help}>
          {name} <span className="text-secondary">{symbol}</span>
        </label>
        <EntryInput
          field={field}
          tone={error || faulty ? 'fault' : 'plain'}
          id={`entry-${symbol}`}
          data-entry={symbol}
          className={`w-full py-[1px] font-medium ${error ? 'text-error' : ''} placeholder:text-secondary`}
          placeholder={derivedText}
          title={derivedText ? 'Usual or computed value; enter yours to replace it' : undefined}
          aria-invalid={error !== null}
          aria-describedby={note ? noteId : undefined}
          onEnter={() => set({ activeDimension: symbol })}
        />
        <span
          className={`text-secondary truncate pl-1 ${other.length > 8 ? 'text-[11px] tracking-tight' : 'text-[12px]'}`}
          title={other}
        >
          {other}
        </span>
        <input
          className="hover:border-base-300 focus:border-primary text-primary w-full min-w-0 border-b border-transparent bg-transparent text-[12px]"
          aria-label={`The datasheet’s label for ${name}`}
          title={where ? `${label || 'no label'}, ${where}` : 'The datasheet’s own label'}
          data-label={symbol}
          tabIndex={-1}
          value={labelled.text}
          placeholder={source === 'entered' ? '–' : ''}
          onChange={({ target }) => labelled.onChange(target.value)}
          onFocus={labelled.begin}
          onKeyDown={labelled.onKeyDown}
        />
      </div>
      {note && (
        <p id={noteId} className={`pb-1 text-[12px] ${error ? 'text-error' : 'text-secondary'}`}>
          {note}
        </p>
      )}
    </div>
  );
}

/** What the datasheet was read as, where the entry was changed by hand since. */
function changedSince(from: ResolvedDimension['from'], text: string): string | null {
  if (!from || from.entry === text) return null;
  return `changed by hand; the datasheet was read as ${from.entry}`;
}
