import { Fragment, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Rule } from '../../core/check/rule';
import { RULES } from '../../core/check/rules';
import { TRIAL_RULES } from '../../core/trial/rules';
import { LEVELS } from '../../core/document/document';
import { PROCESS_FIELDS, type NumberKey, type ProcessField } from '../../core/process/fields';
import { MEASURABLE, type Measurable } from '../../core/process/measured';
import { PROCESS_HELP } from '../../core/process/help';
import type { Process, RuleSeverity } from '../../core/process/process';
import { readLength } from '../../core/units/entry';
import { formatNumber } from '../../core/units/length';
import { listed } from '../../core/units/listed';
import { Pick, Tick } from '../common/inputs';
import { MeasuredRow, type Put } from './MeasuredRow';

interface Props {
  process: Process;
  /** What it is a copy of, to show what differs. */
  original: Process | null;
  /** Changes a part of it; `null` for one that does not change. */
  put: Put | null;
  /** What can be done with it, beside its name. */
  children?: ReactNode;
}

const isMeasurable = (key: NumberKey): key is Measurable & NumberKey =>
  (MEASURABLE as readonly string[]).includes(key);

/** Every number of a process with what it means and why it is so. */
export function ProcessSheet({ process, original, put: given, children }: Props) {
  const editable = given !== null;
  const put = given ?? (() => undefined);
  return (
    <main className="bg-base-200 min-w-0 flex-1 overflow-y-auto px-6 py-4" tabIndex={0}>
      <div className="flex items-start gap-4">
        <div className="min-w-0 flex-1">
          <Words key={`${process.name} ${process.summary}`} process={process} editable={editable} put={put} />
        </div>
        {children}
      </div>
      {!editable && (
        <p className="text-secondary mt-1">
          This process comes with Tapis and does not change. Make a copy to edit its numbers.
        </p>
      )}
      <div className="mt-3 columns-2 gap-8 max-[1180px]:columns-1">
        {PROCESS_FIELDS.map(({ id, title, fields }) => (
          <section key={id} className="mb-4 break-inside-avoid">
            <h2 className="text-[15px] font-semibold">{title}</h2>
            {fields.map((field) => (
              <Fragment key={field.key}>
                <NumberRow
                  field={field}
                  process={process}
                  original={original}
                  editable={editable}
                  put={put}
                />
                {isMeasurable(field.key) && (
                  <MeasuredRow
                    of={field.key}
                    title={field.title}
                    process={process}
                    editable={editable}
                    put={put}
                  />
                )}
              </Fragment>
            ))}
            {id === 'holes' && <DrillRow process={process} editable={editable} put={put} />}
            {id === 'holes' && (
              <MeasuredRow
                of="finishedHole"
                title="Finished holes"
                process={process}
                editable={editable}
                put={put}
              />
            )}
            {id === 'assembly' && <AssemblyRows process={process} editable={editable} put={put} />}
          </section>
        ))}
        <Severities process={process} editable={editable} put={put} />
      </div>
    </main>
  );
}

interface PartProps {
  process: Process;
  editable: boolean;
  put: Put;
}

function Words({ process, editable, put }: PartProps) {
  if (!editable) {
    return (
      <>
        <h2 className="text-[20px] font-semibold">{process.name}</h2>
        <p>{process.summary}</p>
      </>
    );
  }
  return (
    <>
      <input
        className="border-base-300 focus:border-primary w-full border-b bg-transparent text-[20px] font-semibold"
        aria-label="Name of the process"
        defaultValue={process.name}
        maxLength={80}
        onBlur={({ target: { value } }) => value.trim() && put({ name: value.trim() })}
        onKeyDown={restoreOnEscape(process.name)}
      />
      <input
        className="border-base-300 focus:border-primary w-full border-b bg-transparent"
        aria-label="Summary"
        defaultValue={process.summary}
        maxLength={400}
        onBlur={({ target: { value } }) => put({ summary: value })}
        onKeyDown={restoreOnEscape(process.summary)}
      />
    </>
  );
}

/** Enter leaves a field that is written when it is left; Escape puts back what was there before. */
function restoreOnEscape(before: string) {
  return ({ key, currentTarget }: KeyboardEvent<HTMLInputElement>) => {
    if (key === 'Escape') currentTarget.value = before;
    if (key === 'Escape' || key === 'Enter') currentTarget.blur();
  };
}

interface RowProps extends PartProps {
  field: ProcessField<NumberKey>;
  original: Process | null;
}

/** A number with its meaning, its reason, and the original's where it differs. */
function NumberRow({ field, process, original, editable, put }: RowProps) {
  const { key, title, unit, limits, words } = field;
  const help = PROCESS_HELP[key];
  const value = process[key];
  const [text, setText] = useState<string | null>(null);
  const problem = text === null ? null : problemOf(text, field);
  const shown = text ?? printed(value, unit);
  const differs = original !== null && original[key] !== value;
  const reason = process.reasons[key];
  if (words)
    return (
      <ChoiceRow
        field={field}
        words={words}
        process={process}
        original={original}
        editable={editable}
        put={put}
      />
    );
  const take = () => {
    if (text === null || problem) return;
    put({ [key]: readNumber(text, unit) });
    setText(null);
  };
  return (
    <div className="border-base-300 grid grid-cols-[11rem_6.5rem_1fr] items-baseline gap-x-3 border-t py-1">
      <label htmlFor={`field-${key}`} title={help}>
        {title}
      </label>
      <span className="flex items-baseline gap-1">
        {editable ? (
          <input
            id={`field-${key}`}
            className={`bg-base-100 w-full min-w-0 border px-1 text-right ${problem ? 'border-error' : differs ? 'border-primary font-semibold' : 'border-base-300'}`}
            value={shown}
            aria-describedby={`help-${key}`}
            aria-invalid={problem !== null || undefined}
            onChange={(event) => setText(event.target.value)}
            onFocus={(event) => event.target.select()}
            onBlur={take}
            onKeyDown={(event) => {
              if (event.key === 'Enter') take();
              if (event.key === 'Escape') setText(null);
            }}
          />
        ) : (
          <b id={`field-${key}`} tabIndex={-1} className="w-full text-right font-semibold">
            {shown}
          </b>
        )}
        <span className="text-secondary w-6 shrink-0 text-[12px]">
          {unit === 'mm' || unit === 'm' ? unit : unit === 'share' ? '%' : ''}
        </span>
      </span>
      <span id={`help-${key}`} className="text-secondary text-[12px]">
        {problem ? (
          <span className="text-error">
            {problem} From {printed(limits[0], unit)} to {printed(limits[1], unit)}.
          </span>
        ) : (
          <>
            {reason ?? help}
            {differs && original && <> Was {printed(original[key], unit)}.</>}
          </>
        )}
      </span>
    </div>
  );
}

/** A number that stands for one of a few things, which are named. */
function ChoiceRow({
  field: { key, title },
  words,
  process,
  original,
  editable,
  put,
}: RowProps & { words: readonly (readonly [number, string])[] }) {
  const value = process[key];
  const differs = original !== null && original[key] !== value;
  return (
    <label className="border-base-300 grid grid-cols-[11rem_1fr] items-baseline gap-x-3 border-t py-1">
      {title}
      <span className="min-w-0">
        <Pick
          className={`w-64 max-w-full ${differs ? 'border-primary font-semibold' : ''}`}
          disabled={!editable}
          value={value}
          options={words}
          onChange={(next) => put({ [key]: next })}
        />
        <span className="text-secondary block text-[12px]">{process.reasons[key] ?? PROCESS_HELP[key]}</span>
      </span>
    </label>
  );
}

function printed(value: number, unit: ProcessField['unit']): string {
  if (unit === 'share') return formatNumber(value * 100, 0, 1);
  return formatNumber(value, unit === 'mm' ? 2 : 0, 4);
}

/** Lengths take any entry; shares are percent. */
function readNumber(text: string, unit: ProcessField['unit']): number {
  if (unit !== 'mm') return unit === 'share' ? plainNumber(text) / 100 : plainNumber(text);
  const read = readLength(text, 'mm');
  return read.ok ? read.value : Number.NaN;
}

function plainNumber(text: string): number {
  return text.trim() === '' ? Number.NaN : Number(text.replace(',', '.').replace('%', ''));
}

function problemOf(text: string, { unit, limits }: ProcessField): string | null {
  const length = unit === 'mm' && text.trim() !== '' ? readLength(text, 'mm') : null;
  if (length && !length.ok) return length.error;
  const value = readNumber(text, unit);
  if (!Number.isFinite(value)) return `“${text}” is not a number.`;
  if (unit === 'count' && !Number.isInteger(value)) return `“${text}” is not a whole number.`;
  return value < limits[0] || value > limits[1] ? `“${text}” is outside of what can be meant.` : null;
}

function DrillRow({ process, editable, put }: PartProps) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? process.drills.map((drill) => formatNumber(drill, 1, 4)).join(', ');
  const items = listed(shown, 'a drill');
  const read = items.ok ? items.value.map(Number) : [];
  const wrong = !items.ok
    ? items.error
    : read.some((drill) => !(drill > 0 && drill <= 20))
      ? 'Drills are numbers from 0 to 20, between commas.'
      : null;
  const take = () => {
    if (text === null || wrong !== null) return;
    put({ drills: [...new Set(read)].sort((a, b) => a - b) });
    setText(null);
  };
  return (
    <label className="border-base-300 block border-t py-1">
      Drill table, finished holes in mm
      {editable ? (
        <input
          className={`bg-base-100 mt-0.5 w-full border px-1 ${wrong ? 'border-error' : 'border-base-300'}`}
          value={shown}
          placeholder="empty: any multiple of the drill step"
          onChange={(event) => setText(event.target.value)}
          onBlur={take}
          onKeyDown={({ key }) => {
            if (key === 'Enter') take();
            if (key === 'Escape') setText(null);
          }}
          {...(wrong === null ? {} : { 'aria-invalid': true, 'aria-describedby': 'drills-fault' })}
        />
      ) : (
        <b className="block font-semibold">{shown || 'any multiple of the drill step'}</b>
      )}
      {wrong !== null && (
        <span id="drills-fault" className="text-error text-[12px]">
          {wrong}
        </span>
      )}
    </label>
  );
}

function AssemblyRows({ process, editable, put }: PartProps) {
  const row = 'border-base-300 grid grid-cols-[11rem_1fr] items-baseline gap-x-3 border-t py-1';
  const { levels } = process;
  return (
    <>
      <label className={row}>
        Acceptance class
        <Pick
          className="w-64"
          disabled={!editable}
          value={process.acceptanceClass}
          options={[
            [1, '1, general products'],
            [2, '2, dedicated service'],
            [3, '3, high performance'],
          ]}
          onChange={(acceptanceClass) => put({ acceptanceClass })}
        />
      </label>
      <label className={row}>
        Zero rotation
        <Pick
          className="w-64"
          disabled={!editable}
          value={process.orientation}
          options={[
            ['A', 'A: pin 1 upper left'],
            ['B', 'B: a quarter turned, lower left'],
          ]}
          onChange={(orientation) => put({ orientation })}
        />
      </label>
      <div className={row}>
        Density levels
        <span className="flex gap-4">
          {LEVELS.map((level) => (
            <Tick
              key={level}
              disabled={!editable || (levels.length === 1 && levels.includes(level))}
              checked={levels.includes(level)}
              onChange={(on) =>
                put({ levels: LEVELS.filter((l) => (l === level ? on : levels.includes(l))) })
              }
            >
              {level}
            </Tick>
          ))}
        </span>
      </div>
    </>
  );
}

const SEVERITIES: readonly RuleSeverity[] = ['stop', 'caution', 'note', 'off'];

/** How grave each rule's findings are under this process. */
function Severities(part: PartProps) {
  return (
    <>
      <Graded {...part} title="Rules" rules={RULES} />
      <Graded {...part} title="Rules of a board, in Trial" rules={TRIAL_RULES} />
    </>
  );
}

interface GradedProps extends PartProps {
  title: string;
  rules: readonly Pick<Rule, 'id' | 'title' | 'severity' | 'source'>[];
}

function Graded({ process, editable, put, title: heading, rules }: GradedProps) {
  return (
    <section className="mb-4">
      <h2 className="text-[15px] font-semibold">{heading}</h2>
      {rules.map(({ id, title, severity, source }) => {
        const own = process.severities[id];
        return (
          <label
            key={id}
            className="border-base-300 grid break-inside-avoid grid-cols-[11rem_7.5rem_1fr] items-baseline gap-x-3 border-t py-1"
          >
            {title}
            <Pick<RuleSeverity | ''>
              className={own ? 'border-primary font-semibold' : ''}
              disabled={!editable}
              value={own ?? ''}
              options={[['', `${severity}, as usual`], ...SEVERITIES.map((word) => [word, word] as const)]}
              onChange={(chosen) => {
                const rest = Object.fromEntries(
                  Object.entries(process.severities).filter(([rule]) => rule !== id),
                );
                put({ severities: chosen === '' ? rest : { ...rest, [id]: chosen } });
              }}
            />
            <span className="text-secondary text-[12px]">{source}</span>
          </label>
        );
      })}
    </section>
  );
}
