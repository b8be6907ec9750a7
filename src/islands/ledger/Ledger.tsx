import type { Report } from '../../core/check/check';
import type { Finding } from '../../core/document/finding';
import { MISSING } from '../../core/footprint/compile';
import { useBench } from '../bench/context';
import { ChangeCard } from './ChangeCard';
import { FindingCard } from './FindingCard';
import { JointGauge } from './JointGauge';
import { WhyCard } from './WhyCard';

/** Findings by number, the joint of the selected land, and where its sizes come from. */
export function Ledger() {
  const report = useBench((s) => s.derived.report);
  const stage = useBench((s) => s.stage);
  return (
    <aside
      className="border-base-300 bg-base-100 w-[260px] shrink-0 max-[1180px]:w-[218px] overflow-y-auto border-l px-3 py-3"
      aria-label="Ledger"
    >
      <h2 className="text-[15px] font-semibold">Ledger</h2>
      <p className="text-secondary text-[12px]" data-testid="summary">
        {summary(report)}
      </p>
      <ChangeCard />
      <div className="mt-1">
        <StillToEnter findings={report.findings} />
        {report.findings.map(
          (finding, i) =>
            finding.rule !== MISSING && (
              <FindingCard key={`${finding.rule} ${finding.title} ${i}`} finding={finding} index={i} />
            ),
        )}
      </div>
      <JointGauge />
      {stage !== 'land' && <WhyCard />}
    </aside>
  );
}

/** Dimensions that were not entered yet, together; pressing one goes to its field. */
function StillToEnter({ findings }: { findings: readonly Finding[] }) {
  const set = useBench((s) => s.set);
  const missing = findings.filter(({ rule }) => rule === MISSING);
  if (missing.length === 0) return null;
  const goTo = (symbol: string) => {
    set({ stage: 'measure', activeDimension: symbol });
    // the field is there once the stage is shown
    requestAnimationFrame(() => document.getElementById(`entry-${symbol}`)?.focus());
  };
  return (
    <section className="border-base-300 border-b py-2" aria-label="Still to enter">
      <h3 className="font-semibold">Still to enter</h3>
      <ul>
        {missing.map(({ place, message }) => (
          <li key={message}>
            <button
              type="button"
              className="text-left text-[12.5px] hover:underline"
              onClick={() => goTo(place.dimensions?.[0] ?? '')}
            >
              {message.replace(/^Enter /, '').replace(/^./, (first) => first.toUpperCase())}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** `1 stop · 2 cautions · 14 held`. */
export function summary({ findings, held, waived }: Report): string {
  const missing = findings.filter(({ rule }) => rule === MISSING).length;
  const count = (severity: string) =>
    findings.filter((f) => f.severity === severity && f.rule !== MISSING).length;
  const word = (n: number, one: string) => (n > 0 ? [`${n} ${one}${n > 1 ? 's' : ''}`] : []);
  const parts = [
    ...(missing > 0 ? [`${missing} still to enter`] : []),
    ...word(count('stop'), 'stop'),
    ...word(count('caution'), 'caution'),
    ...word(count('note'), 'note'),
  ];
  if (waived.length > 0) parts.push(`${waived.length} waived`);
  if (held.length > 0) parts.push(`${held.length} held`);
  return parts.length > 0 ? parts.join(' · ') : 'nothing checked yet';
}
