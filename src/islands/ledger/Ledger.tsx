import type { Report } from '../../core/check/check';
import { useBench } from '../bench/context';
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
      <div className="mt-1">
        {report.findings.map((finding, i) => (
          <FindingCard key={`${finding.rule} ${finding.title} ${i}`} finding={finding} index={i} />
        ))}
      </div>
      <JointGauge />
      {stage !== 'land' && <WhyCard />}
    </aside>
  );
}

/** `1 stop · 2 cautions · 14 held`. */
export function summary({ findings, held }: Report): string {
  const count = (severity: string) => findings.filter((f) => f.severity === severity).length;
  const word = (n: number, one: string) => (n > 0 ? [`${n} ${one}${n > 1 ? 's' : ''}`] : []);
  const parts = [
    ...word(count('stop'), 'stop'),
    ...word(count('caution'), 'caution'),
    ...word(count('note'), 'note'),
  ];
  if (held.length > 0) parts.push(`${held.length} held`);
  return parts.length > 0 ? parts.join(' · ') : 'nothing checked yet';
}
