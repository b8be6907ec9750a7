import { useState } from 'react';
import type { ClauseField } from '../../core/standard/fields';
import type { Stated } from '../../core/standard/standard';
import { clauseText } from '../../core/standard/words';
import type { Put } from './state';

interface Props {
  field: ClauseField;
  stated: Stated | null;
  /** Whether the standard that is shown says it itself, and not one that it builds on. */
  isOwn: boolean;
  put: Put | null;
}

/** What a clause stands over, its number and its reason. */
export function AboutClause({ field, stated, isOwn, put }: Props) {
  const published =
    field.published === null
      ? `By ${field.source} where nothing is said.`
      : `Published: ${clauseText(field, field.published)} (${field.source}).`;
  return (
    <div className="text-secondary flex min-w-0 flex-wrap items-baseline gap-x-3 text-[12px]">
      <span className="min-w-0">{published}</span>
      {stated && !isOwn && <span>{stated.by.name} says it.</span>}
      {stated && isOwn && put && (
        <>
          <Words
            key={`clause ${field.at} ${stated.clause ?? ''}`}
            label={`Clause of ${field.title}`}
            placeholder="clause, such as 4.3"
            value={stated.clause ?? ''}
            className="w-28"
            onTake={(clause) => put.about(field.at, { clause })}
          />
          <Words
            key={`reason ${field.at} ${stated.reason ?? ''}`}
            label={`Reason of ${field.title}`}
            placeholder="why"
            value={stated.reason ?? ''}
            className="min-w-40 flex-1"
            onTake={(reason) => put.about(field.at, { reason })}
          />
          <button type="button" className="link" onClick={() => put.clause(field.at, undefined)}>
            Take back
          </button>
        </>
      )}
      {stated && isOwn && !put && (
        <span>{[stated.clause && `Clause ${stated.clause}.`, stated.reason].filter(Boolean).join(' ')}</span>
      )}
    </div>
  );
}

interface WordsProps {
  label: string;
  value: string;
  placeholder: string;
  className: string;
  onTake: (text: string) => void;
}

/** A line of words, kept by Enter and on leaving. */
export function Words({ label, value, placeholder, className, onTake }: WordsProps) {
  const [text, setText] = useState(value);
  const take = () => {
    if (text.trim() !== value) onTake(text.trim());
  };
  return (
    <input
      className={`bg-base-100 border-base-300 focus:border-primary text-base-content border px-1 ${className}`}
      aria-label={label}
      placeholder={placeholder}
      maxLength={400}
      value={text}
      onChange={({ target }) => setText(target.value)}
      onBlur={take}
      onKeyDown={({ key, currentTarget }) => {
        if (key === 'Escape') setText(value);
        if (key === 'Enter') currentTarget.blur();
      }}
    />
  );
}
