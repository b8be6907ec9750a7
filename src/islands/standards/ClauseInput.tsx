import { useState } from 'react';
import type { ClauseField, ClauseValue } from '../../core/standard/fields';
import { readClause } from '../../core/standard/resolve';
import type { Stated } from '../../core/standard/standard';
import { clauseText } from '../../core/standard/words';
import { Pick } from '../common/inputs';

interface Props {
  field: ClauseField;
  /** What is said here; `null` where nothing is. */
  stated: Stated | null;
  /** What holds without a word, as it is shown in the field. */
  usual: ClauseValue | null;
  onChange: (value: ClauseValue | undefined) => void;
  disabled: boolean;
  className?: string;
  onFocus?: () => void;
}

/** One field of a standard: empty takes what is published; Enter and leaving keep what was typed, Escape drops it. */
export function ClauseInput({
  field,
  stated,
  usual,
  onChange,
  disabled,
  className = 'w-28',
  onFocus,
}: Props) {
  const [text, setText] = useState<string | null>(null);
  if (field.kind === 'flag' || field.kind === 'choice') {
    const options: readonly (readonly [ClauseValue, string])[] =
      field.kind === 'flag'
        ? [
            [true, 'yes'],
            [false, 'no'],
          ]
        : (field.of ?? []).map((one, i) => [one, field.words?.[i] ?? String(one)] as const);
    const silent = usual === null ? `by ${field.source}` : `${clauseText(field, usual)}, as published`;
    return (
      <Pick<ClauseValue>
        className={`${className} ${stated ? 'border-primary font-semibold' : ''}`}
        label={field.title}
        disabled={disabled}
        value={stated ? stated.value : ''}
        options={[['', silent], ...options]}
        onChange={(value) => onChange(value === '' ? undefined : value)}
      />
    );
  }
  const shown = text ?? (stated ? plain(field, stated.value) : '');
  const read = text === null || text.trim() === '' ? null : readTyped(field, text);
  const problem = read && typeof read === 'object' ? read.problem : null;
  const take = () => {
    if (text === null || problem) return;
    const now = text.trim();
    if (now !== (stated ? plain(field, stated.value) : ''))
      onChange(now === '' ? undefined : typed(field, now));
    setText(null);
  };
  return (
    <span className={`relative inline-block ${className}`}>
      <input
        className={`bg-base-100 w-full min-w-0 border px-1 text-right tabular-nums ${problem ? 'border-error' : stated ? 'border-primary font-semibold' : 'border-base-300'}`}
        aria-label={field.title}
        aria-invalid={problem !== null || undefined}
        title={problem ?? field.title}
        placeholder={usual === null ? '' : plain(field, usual)}
        value={shown}
        disabled={disabled}
        onChange={({ target }) => setText(target.value)}
        onFocus={({ target }) => {
          target.select();
          onFocus?.();
        }}
        onBlur={take}
        onKeyDown={({ key, currentTarget }) => {
          if (key === 'Enter') take();
          if (key === 'Escape') {
            setText(null);
            currentTarget.blur();
          }
        }}
      />
      {problem && (
        <span
          role="alert"
          className="bg-base-100 border-error text-error absolute top-full right-0 z-10 w-60 border px-1 text-left text-[12px]"
        >
          {problem}
        </span>
      )}
    </span>
  );
}

/** A value as it is typed: lengths in mm, shares in percent. */
function plain({ kind }: ClauseField, value: ClauseValue): string {
  if (typeof value === 'number' && kind === 'share') return String(Math.round(value * 1e4) / 100);
  return typeof value === 'number' ? String(Math.round(value * 1e4) / 1e4) : String(value);
}

/** What was typed as a clause writes it: plain numbers are numbers, lengths with a unit stay as they were typed. */
function typed({ kind }: ClauseField, text: string): ClauseValue {
  const plainNumber = /^[-−]?\d*[.,]?\d+\s*%?$/.test(text);
  if (kind === 'text' || kind === 'order' || !plainNumber) return text;
  const number = Number(text.replace('−', '-').replace(',', '.').replace('%', ''));
  return kind === 'share' ? number / 100 : number;
}

function readTyped(field: ClauseField, text: string) {
  return readClause(field, typed(field, text.trim()));
}
