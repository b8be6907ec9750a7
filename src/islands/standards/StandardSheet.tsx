import { useState, type ReactNode } from 'react';
import {
  clauseFieldAt,
  NAME_PATTERN,
  PUBLISHED_ROWS,
  SECTIONS,
  type ClauseField,
  type SectionId,
} from '../../core/standard/fields';
import { LEAD_FORMS, type LeadForm } from '../../core/standard/published';
import { fieldIn, fieldsOf, statedFields } from '../../core/standard/resolve';
import { asGoalRow, type OwnRow, type Standard } from '../../core/standard/standard';
import { clauseText } from '../../core/standard/words';
import { RULES } from '../../core/check/rules';
import { TRIAL_RULES } from '../../core/trial/rules';
import { Chips, Pick } from '../common/inputs';
import { AboutClause, Words } from './AboutClause';
import { ClauseInput } from './ClauseInput';
import { JointCuts } from './JointCuts';
import { Levels } from './Levels';
import type { Put } from './state';

interface Props {
  standard: Standard;
  /** Changes it; `null` for what is published. */
  put: Put | null;
  /** What can be done with it, beside its name. */
  children?: ReactNode;
}

type Tab = SectionId | 'said';

/** A house standard by its chapters: goals as joints cut through, everything else as lines with what is published. */
export function StandardSheet({ standard, put, children }: Props) {
  const [tab, setTab] = useState<Tab>('goals');
  const { document } = standard;
  // what only says no reason is asked for where it stands
  const problems = standard.problems.filter(({ isLeftOut }) => isLeftOut);
  const unreasoned = standard.problems.length - problems.length;
  return (
    <main className="bg-base-200 min-w-0 flex-1 overflow-y-auto px-4 py-3" tabIndex={0}>
      <div className="flex items-start gap-4">
        <div className="min-w-0 flex-1">
          {document && put ? (
            <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
              <Words
                key={`name ${document.name}`}
                label="Name of the standard"
                placeholder="HS-STD-12"
                value={document.name}
                className="w-72 text-[20px] font-semibold"
                onTake={(name) => name !== '' && put.part({ name })}
              />
              <span className="text-secondary">version</span>
              <Words
                key={`version ${document.version}`}
                label="Version of the standard"
                placeholder="1"
                value={document.version}
                className="w-20"
                onTake={(version) => version !== '' && put.part({ version })}
              />
              <Words
                key={`summary ${document.summary ?? ''}`}
                label="Summary of the standard"
                placeholder="what it is for"
                value={document.summary ?? ''}
                className="w-full"
                onTake={(summary) => put.part({ summary })}
              />
            </div>
          ) : (
            <>
              <h2 className="text-[20px] font-semibold">As published</h2>
              <p className="text-secondary">
                IPC-7351B and its companions. It does not change; a standard of your own says only what
                differs.
              </p>
            </>
          )}
          {document?.over && (
            <p className="text-secondary">
              Builds on {document.over.name}, version {document.over.version}.
            </p>
          )}
        </div>
        {children}
      </div>
      {problems.length > 0 && (
        <ul role="alert" className="border-warning mt-2 border-l-3 pl-2">
          {problems.slice(0, 8).map(({ by, at, message }) => (
            <li key={`${by} ${at}`}>▲ {message}</li>
          ))}
          {problems.length > 8 && <li>and {problems.length - 8} more</li>}
        </ul>
      )}
      <Chips<Tab>
        label="Chapters"
        value={tab}
        options={[
          [
            'said',
            `What differs (${standard.places.length}${unreasoned > 0 ? `, ${unreasoned} without a reason` : ''})`,
          ],
          ...SECTIONS.map(({ id, title }) => [id, title] as const),
        ]}
        onChoose={setTab}
      />
      {tab === 'goals' ? (
        <GoalsChapter standard={standard} put={put} />
      ) : tab === 'rules' ? (
        <RulesChapter standard={standard} put={put} />
      ) : tab === 'said' ? (
        <SaidChapter standard={standard} put={put} />
      ) : (
        <Lines
          fields={fieldsOf(standard).filter(({ section }) => section === tab)}
          standard={standard}
          put={put}
        />
      )}
    </main>
  );
}

interface ChapterProps {
  standard: Standard;
  put: Put | null;
}

function GoalsChapter({ standard, put }: ChapterProps) {
  const rows = [...standard.rows.map(asGoalRow), ...PUBLISHED_ROWS];
  const [id, setId] = useState(rows[0]?.id ?? 'gull-wing');
  const [chosen, setChosen] = useState<string | null>(null);
  const row = rows.find((one) => one.id === id) ?? PUBLISHED_ROWS[0];
  const own = standard.rows.find((one) => one.id === id);
  const field = chosen === null ? null : fieldIn(standard, chosen);
  const differs = (of: string) => standard.places.some((at) => at.startsWith(`goals/${of}/`));
  if (!row) return null;
  return (
    <div className="mt-3 flex gap-4 max-[1100px]:flex-col">
      <div className="w-[172px] shrink-0">
        <ul aria-label="Lead forms">
          {rows.map(({ id: each, title }) => (
            <li key={each}>
              <button
                type="button"
                aria-current={each === id}
                className="aria-[current=true]:border-primary aria-[current=true]:bg-base-100 w-full border-l-3 border-transparent px-2 py-0.5 text-left text-[13px]"
                onClick={() => {
                  setId(each);
                  setChosen(null);
                }}
              >
                {title}
                {differs(each) && <span className="text-primary"> ●</span>}
              </button>
            </li>
          ))}
        </ul>
        {put && <NewRow standard={standard} put={put} onMade={setId} />}
      </div>
      <div className="min-w-0 flex-1">
        <h3 className="text-[15px] font-semibold">{row.title}</h3>
        {own && <RowBand row={own} standard={standard} put={put} />}
        <div className="min-h-[52px]">
          {field ? (
            <>
              <p className="font-semibold">{field.title}</p>
              <AboutClause
                field={field}
                stated={standard.stated(field.at)}
                isOwn={isOwn(standard, field.at)}
                put={put}
              />
            </>
          ) : (
            <p className="text-secondary text-[12px]">
              {put
                ? 'Type a goal at its dimension line; an empty field takes what is published. Its clause and its reason are asked for here.'
                : 'Make a standard of your own to say something else.'}
            </p>
          )}
        </div>
        <JointCuts row={row} standard={standard} put={put} chosen={chosen} onChoose={setChosen} />
        {row.id.startsWith('gull-wing') && (
          <Lines
            fields={fieldsOf(standard).filter(({ at }) => at.startsWith('goals/heel-to-body'))}
            standard={standard}
            put={put}
          />
        )}
        <Levels standard={standard} put={put} />
      </div>
    </div>
  );
}

/** Whether the standard that is shown says it itself. */
const isOwn = ({ document }: Standard, at: string) =>
  document !== null && Object.hasOwn(document.clauses, at);

function NewRow({ standard, put, onMade }: { standard: Standard; put: Put; onMade: (id: string) => void }) {
  return (
    <Pick<LeadForm | ''>
      className="mt-2 w-full"
      label="A row of your own for"
      value=""
      options={[
        ['', 'a row of your own for …'],
        ...(Object.entries(LEAD_FORMS) as [LeadForm, string][]).map(
          ([form, words]) => [form, words] as const,
        ),
      ]}
      onChange={(form) => {
        if (form === '') return;
        const taken = standard.rows.map(({ id }) => id);
        let i = 1;
        while (taken.includes(`own-${form}-${i}`)) i += 1;
        const made: OwnRow = { id: `own-${form}-${i}`, title: `Own row, ${LEAD_FORMS[form]}`, form };
        put.part({ rows: [...(standard.document?.rows ?? []), made] });
        onMade(made.id);
      }}
    />
  );
}

const BANDS = [
  ['pitch', 'pitch'],
  ['size', 'span'],
  ['height', 'height'],
] as const;

/** For which leads a row of one's own holds. */
function RowBand({ row, standard, put }: { row: OwnRow } & ChapterProps) {
  const rows = standard.document?.rows ?? [];
  const change = (part: Partial<OwnRow>) =>
    put?.part({ rows: rows.map((one) => (one.id === row.id ? { ...one, ...part } : one)) });
  const limit = (text: string) => {
    const value = Number(text.replace(',', '.'));
    return text.trim() === '' || !Number.isFinite(value) ? null : value;
  };
  const isHere = rows.some(({ id }) => id === row.id) && put !== null;
  if (!isHere)
    return (
      <p className="text-secondary text-[12px]">
        A row of {standard.rows.length > 0 ? 'a standard below' : 'its own'}.
      </p>
    );
  return (
    <div className="mt-1 mb-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-[12px]">
      <Words
        key={`t ${row.title}`}
        label="Title of the row"
        placeholder="title"
        value={row.title}
        className="w-56"
        onTake={(title) => title !== '' && change({ title })}
      />
      <Words
        key={`f ${row.families?.join(' ') ?? ''}`}
        label="Families that the row holds for"
        placeholder="all families"
        value={row.families?.join(' ') ?? ''}
        className="w-44"
        onTake={(text) => {
          const families = text.split(/[\s,;]+/).filter((name) => NAME_PATTERN.test(name));
          const { families: _, ...rest } = row;
          put.part({
            rows: rows.map((one) =>
              one.id === row.id ? { ...rest, ...(families.length > 0 ? { families } : {}) } : one,
            ),
          });
        }}
      />
      {BANDS.map(([key, words]) => (
        <span key={key} className="whitespace-nowrap">
          {words} above{' '}
          <Words
            key={`a ${key} ${row[key]?.[0] ?? ''}`}
            label={`${words} above`}
            placeholder="–"
            value={row[key]?.[0]?.toString() ?? ''}
            className="w-12"
            onTake={(text) => change({ [key]: [limit(text), row[key]?.[1] ?? null] })}
          />{' '}
          up to{' '}
          <Words
            key={`b ${key} ${row[key]?.[1] ?? ''}`}
            label={`${words} up to`}
            placeholder="–"
            value={row[key]?.[1]?.toString() ?? ''}
            className="w-12"
            onTake={(text) => change({ [key]: [row[key]?.[0] ?? null, limit(text)] })}
          />{' '}
          mm
        </span>
      ))}
      <button
        type="button"
        className="link"
        onClick={() => put.part({ rows: rows.filter((one) => one.id !== row.id) })}
      >
        Take the row back
      </button>
    </div>
  );
}

/** Fields as lines: what it is, what is wanted, what it stands over. */
function Lines({ fields, standard, put }: { fields: readonly ClauseField[] } & ChapterProps) {
  return (
    <div className="mt-2">
      {fields.map((field) => (
        <Line key={field.at} field={field} standard={standard} put={put} />
      ))}
    </div>
  );
}

function Line({ field, standard, put }: { field: ClauseField } & ChapterProps) {
  const stated = standard.stated(field.at);
  const unit = field.kind === 'length' ? 'mm' : field.kind === 'share' ? '%' : '';
  return (
    <div className="border-base-300 grid grid-cols-[minmax(12rem,18rem)_11rem_1fr] items-baseline gap-x-3 border-t py-1 max-[1000px]:grid-cols-[12rem_10rem_1fr]">
      <span>{field.title}</span>
      <span className="flex items-baseline gap-1">
        <ClauseInput
          key={`${field.at} ${String(stated?.value)}`}
          field={field}
          stated={stated}
          usual={field.published}
          disabled={!put}
          className={
            field.kind === 'text' ||
            field.kind === 'order' ||
            field.kind === 'choice' ||
            field.kind === 'flag'
              ? 'w-full'
              : 'w-24'
          }
          onChange={(value) => put?.clause(field.at, value)}
        />
        <span className="text-secondary text-[12px]">{unit}</span>
      </span>
      <AboutClause field={field} stated={stated} isOwn={isOwn(standard, field.at)} put={put} />
    </div>
  );
}

/** Every rule with how grave the house takes it. */
function RulesChapter({ standard, put }: ChapterProps) {
  const known = [...RULES, ...TRIAL_RULES].map(({ id, title, severity, source }): ClauseField | null => {
    const field = clauseFieldAt(`rules/${id}`);
    return field && { ...field, title, source: `${severity}, ${source}` };
  });
  const seen = new Set(known.map((field) => field?.at));
  const others = statedFields(standard).filter(({ section, at }) => section === 'rules' && !seen.has(at));
  const all = [clauseFieldAt('rules/class'), ...known, ...others.filter(({ at }) => at !== 'rules/class')];
  return <Lines fields={all.filter((field) => field !== null)} standard={standard} put={put} />;
}

function SaidChapter({ standard, put }: ChapterProps) {
  const fields = statedFields(standard);
  if (fields.length === 0)
    return (
      <p className="text-secondary mt-3">
        Nothing differs yet from what is published. Choose a chapter and say what the house wants; each
        difference keeps its clause and its reason.
      </p>
    );
  return (
    <>
      <p className="text-secondary mt-2 text-[12px]">
        {fields.length} places differ, such as {fields[0]?.title}{' '}
        {fields[0] && clauseText(fields[0], standard.stated(fields[0].at)?.value ?? '')}.
      </p>
      <Lines fields={fields} standard={standard} put={put} />
    </>
  );
}
