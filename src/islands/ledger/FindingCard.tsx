import { useState } from 'react';
import { waive } from '../../core/check/waivers';
import { keepLook, keptLook } from '../common/look';
import type { Finding, Remedy } from '../../core/document/finding';
import { inLetters } from '../../core/package/letters';
import { inUnit } from '../../core/units/in-words';
import { SeverityMark } from '../sheet/Balloons';
import { effectWords, openCount } from './effect';
import type { LedgerActions, LedgerView } from './view';

interface Props {
  finding: Finding;
  index: number;
  view: Pick<LedgerView, 'report' | 'unit' | 'letters' | 'selectedFinding' | 'previewed'>;
  actions: LedgerActions;
  /** Stands on its own in the stage column, with a coloured edge. */
  framed?: boolean;
}

/** A finding: what is wrong, by how much, against which limit, and the remedies. */
export function FindingCard({ finding, index, view, actions, framed = false }: Props) {
  const { report, unit, letters, selectedFinding, previewed } = view;
  const say = (words: string) => inUnit(inLetters(words, finding, letters), unit);
  const selected = selectedFinding === index;
  const frame = framed
    ? `mt-2.5 border-l-3 pl-2.5 ${finding.severity === 'stop' ? 'border-error' : 'border-warning'}`
    : `border-base-300 border-b py-2 ${selected ? 'bg-base-200' : ''}`;
  const own = previewed && finding.remedies.includes(previewed.remedy) ? previewed : null;
  const show = (remedy: Remedy | null) => () => actions.preview(remedy);
  return (
    <article className={frame} aria-label={`Finding ${index + 1}: ${say(finding.title)}`}>
      <button type="button" className="flex w-full gap-2 text-left" onClick={() => actions.open(index)}>
        {!framed && (
          <svg width="28" height="28" viewBox="-14 -14 28 28" className="shrink-0" aria-hidden="true">
            <SeverityMark severity={finding.severity} number={index + 1} />
          </svg>
        )}
        <span className="min-w-0">
          <span className="block font-semibold">{say(finding.title)}</span>
          <span className="block text-[12.5px]">{say(finding.message)}</span>
          {selected && <span className="text-secondary block text-[12px]">{finding.source}</span>}
        </span>
      </button>
      {selected && (
        <a
          className={`link text-[12px] ${framed ? '' : 'ml-9'}`}
          href={`/docs/rules#${finding.rule}`}
          target="_blank"
          rel="noreferrer"
        >
          About this rule
        </a>
      )}
      {finding.remedies.length > 0 && (
        <div className={`mt-1 flex flex-wrap gap-1.5 ${framed ? '' : 'pl-9'}`}>
          {finding.remedies.map((remedy) => (
            <button
              key={remedy.label}
              type="button"
              className="border-primary text-primary hover:bg-primary hover:text-primary-content rounded border px-2 py-[1px] text-left text-[12.5px]"
              onPointerEnter={show(remedy)}
              onPointerLeave={show(null)}
              onFocus={show(remedy)}
              onBlur={show(null)}
              onClick={() => actions.edit(remedy.edits)}
            >
              {say(remedy.label)}
            </button>
          ))}
        </div>
      )}
      {finding.lapsed && (
        <p className={`text-warning text-[12px] ${framed ? '' : 'pl-9'}`}>
          A waiver has lapsed, because this got worse since: {finding.lapsed.reason}
        </p>
      )}
      {(selected || framed) && <WaiveField finding={finding} inset={!framed} edit={actions.edit} />}
      {own && (
        <p className={`text-primary text-[12px] ${framed ? '' : 'pl-9'}`} role="status">
          {effectWords(own, openCount(report), unit)}
        </p>
      )}
    </article>
  );
}

interface WaiveProps extends Pick<LedgerActions, 'edit'> {
  finding: Finding;
  inset: boolean;
}

/** Who accepts findings, for the next one. */
const WHO = 'tapis-who';

/** Accepts a finding for a reason, which is kept with the footprint, by somebody who says so. */
function WaiveField({ finding, inset, edit }: WaiveProps) {
  const [reason, setReason] = useState<string | null>(null);
  const [by, setBy] = useState(() => keptLook(WHO) ?? '');
  // what cannot be read or built cannot be accepted
  if (finding.rule === 'entry') return null;
  const style = `text-[12px] ${inset ? 'ml-9' : ''}`;
  if (reason === null) {
    return (
      <button type="button" className={`text-secondary underline ${style}`} onClick={() => setReason('')}>
        Waive
      </button>
    );
  }
  return (
    <form
      className={`mt-1 flex flex-wrap gap-1.5 ${style}`}
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() === '') return;
        keepLook(WHO, by.trim());
        edit([waive(finding, reason.trim(), by.trim())]);
      }}
    >
      <input
        className="border-base-300 bg-base-100 w-full border px-1"
        aria-label="Why this is acceptable"
        placeholder="Why this is acceptable"
        value={reason}
        maxLength={400}
        autoFocus
        onChange={({ target: { value } }) => setReason(value)}
        onKeyDown={({ key }) => key === 'Escape' && setReason(null)}
      />
      <input
        className="border-base-300 bg-base-100 min-w-0 flex-1 border px-1"
        aria-label="Who accepts it"
        placeholder="Your name"
        value={by}
        maxLength={80}
        onChange={({ target: { value } }) => setBy(value)}
        onKeyDown={({ key }) => key === 'Escape' && setReason(null)}
      />
      <button
        type="submit"
        className="border-primary text-primary rounded border px-2"
        disabled={reason.trim() === ''}
      >
        Accept
      </button>
    </form>
  );
}
