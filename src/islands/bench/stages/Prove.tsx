import { useMemo, useState } from 'react';
import { nearestOfHeld, nearestWords } from '../../../core/check/nearest';
import { MISSING } from '../../../core/document/finding';
import type { Report } from '../../../core/check/check';
import { waiverAt } from '../../../core/check/waivers';
import { inUnit } from '../../../core/units/in-words';
import { formatLength } from '../../../core/units/length';
import { summary } from '../../ledger/effect';
import { ContactFields } from '../../prove/ContactFields';
import { later } from '../../common/later';
import { JointSimulation } from '../../prove/JointSimulation';
import { useBench } from '../../state/context';
import { StageFinding } from '../StageFinding';

const BestLand = later(
  'The best land',
  async () => (await import('../../prove/BestLand')).BestLand,
  <div className="h-40" />,
);

/** Every rule that was checked: what was found, what was waived, what held; and the joints. */
export function Prove() {
  const report = useBench((s) => s.derived.report);
  const process = useBench((s) => s.derived.compiled.process);
  const drawable = useBench((s) => s.derived.shown?.drawable);
  const verdict = {
    stop: 'Not to be released: something must be mended.',
    caution: 'Usable with care: look at the cautions.',
    note: 'Holds; the notes say what was assumed.',
    clear: report.held.length > 0 ? 'Every rule holds.' : 'Nothing could be checked yet.',
  }[report.verdict];
  return (
    <>
      <h1 className="text-[15px] font-semibold">Prove</h1>
      <p className="mt-1 font-medium">{verdict}</p>
      <p className="text-secondary">
        {summary(report)} ·{' '}
        <a className="link" href={`/processes#${process.id}`}>
          {process.name}
        </a>
      </p>
      <p className="text-secondary text-[12px]">{process.summary}</p>
      {report.findings.map(
        (finding, i) =>
          finding.rule !== MISSING && (
            <StageFinding
              key={`${finding.rule} ${i}`}
              finding={finding}
              index={i}
              framed={finding.severity !== 'note'}
            />
          ),
      )}
      <Waived report={report} />
      {drawable && (
        <>
          <JointSimulation drawable={drawable} />
          <BestLand drawable={drawable} />
          <ContactFields drawable={drawable} />
        </>
      )}
      <Held report={report} />
      <Silenced report={report} />
      <Idle report={report} />
    </>
  );
}

/** Findings that somebody accepted, with their reasons. */
function Waived({ report: { waived } }: { report: Report }) {
  const edit = useBench((s) => s.edit);
  const unit = useBench((s) => s.unit);
  if (waived.length === 0) return null;
  return (
    <section className="mt-4">
      <h2 className="font-semibold">Waived</h2>
      <ul>
        {waived.map(({ finding, waiver }) => (
          <li key={finding.key} className="border-base-300 border-t py-1">
            <span className="block font-medium">{inUnit(finding.title, unit)}</span>
            <span className="block text-[12px]">{inUnit(finding.message, unit)}</span>
            <span className="text-secondary block text-[12px]">
              Accepted{waiver.by && ` by ${waiver.by}`}: {waiver.reason}
            </span>
            <button
              type="button"
              className="text-primary text-[12px] underline"
              onClick={() => edit([{ at: waiverAt(finding), value: undefined }])}
            >
              Take the waiver back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Rules that the house or the process has switched off, with what they would have said: never silent. */
function Silenced({ report: { silenced } }: { report: Report }) {
  if (silenced.length === 0) return null;
  return (
    <section className="mt-3">
      <h2 className="font-semibold">Switched off</h2>
      <ul className="text-[12px]">
        {silenced.map(({ id, title, count, by, reason }) => (
          <li key={id} className="border-base-300 border-t py-[2px]">
            {title}: {count} {count === 1 ? 'finding' : 'findings'}
            <span className="text-secondary block">
              by {by}
              {reason && `: ${reason}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Rules that had nothing to look at: neither broken nor held. */
function Idle({ report: { idle } }: { report: Report }) {
  if (idle.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">Nothing to look at: {idle.length} rules</summary>
      <ul className="text-secondary text-[12px]">
        {idle.map(({ id, title, without }) => (
          <li key={id} className="border-base-300 border-t py-[2px]">
            {title}: no {without.replace(/^an? /, '')}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Rules that hold; on a wish with what comes nearest to their limits, which is found once more for each change. */
function Held({ report: { held } }: { report: Report }) {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  const unit = useBench((s) => s.unit);
  const [measures, setMeasures] = useState(false);
  const nearest = useMemo(
    () => (measures && drawable ? nearestOfHeld(drawable, held) : null),
    [measures, drawable, held],
  );
  if (held.length === 0) return null;
  return (
    <section aria-label="Held">
      <h2 className="mt-4 flex items-baseline gap-2 font-semibold">
        Held
        <button
          type="button"
          className="btn btn-xs font-normal"
          aria-pressed={measures}
          onClick={() => setMeasures(!measures)}
        >
          {measures ? 'Without figures' : 'How near to the limits'}
        </button>
      </h2>
      <ul>
        {held.map(({ id, title, source }) => {
          const found = nearest?.get(id);
          const words = found && nearestWords(found, (mm) => `${formatLength(mm, unit)} ${unit}`);
          return (
            <li key={id} className="border-base-300 flex gap-2 border-t py-[3px]">
              <span className="text-success" aria-hidden="true">
                ✓
              </span>
              <span>
                {title}
                {words && (
                  <span className="block text-[12px]">
                    {words.measured}, {words.limit}
                  </span>
                )}
                <span className="text-secondary block text-[12px]">{source}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
