import { MISSING } from '../../../core/footprint/compile';
import { FindingCard } from '../../ledger/FindingCard';
import { summary } from '../../ledger/Ledger';
import { useBench } from '../context';

/** Every rule that was checked: what was found, and what held. */
export function Prove() {
  const report = useBench((s) => s.derived.report);
  const process = useBench((s) => s.derived.compiled.process);
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
        {summary(report)} · {process.name}
      </p>
      <p className="text-secondary text-[12px]">{process.summary}</p>
      {report.findings.map(
        (finding, i) =>
          finding.rule !== MISSING && (
            <FindingCard
              key={`${finding.rule} ${i}`}
              finding={finding}
              index={i}
              framed={finding.severity !== 'note'}
            />
          ),
      )}
      {report.held.length > 0 && (
        <>
          <h2 className="mt-4 font-semibold">Held</h2>
          <ul>
            {report.held.map(({ id, title, source }) => (
              <li key={id} className="border-base-300 flex gap-2 border-t py-[3px]">
                <span className="text-success" aria-hidden="true">
                  ✓
                </span>
                <span>
                  {title}
                  <span className="text-secondary block text-[12px]">{source}</span>
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
