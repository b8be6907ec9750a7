import { STAGE_NAMES } from '../state/stages';
import type { Severity } from '../../core/document/finding';
import { useBench } from '../state/context';

const SIGNS: Readonly<Record<Severity, string>> = { stop: '●', caution: '▲', note: '■' };
const TINT: Readonly<Record<Severity, string>> = {
  stop: 'text-(--rail-stop)',
  caution: 'text-(--rail-caution)',
  note: 'text-(--rail-note)',
};

/** The seven stages, and for each whether something is open there. */
export function StageRail() {
  const current = useBench((s) => s.stage);
  const findings = useBench((s) => s.derived.report.findings);
  const set = useBench((s) => s.set);
  return (
    <nav className="bg-neutral text-neutral-content flex w-[52px] shrink-0 flex-col" aria-label="Stages">
      {STAGE_NAMES.map(([stage, name]) => {
        const open = stage === 'prove' ? findings : findings.filter((f) => f.stage === stage);
        const worst = open[0]?.severity;
        return (
          <button
            key={stage}
            type="button"
            aria-current={current === stage ? 'step' : undefined}
            onClick={() => set({ stage })}
            className="aria-[current]:bg-base-100 aria-[current]:text-base-content flex h-[58px] flex-col items-center justify-center text-[12px] aria-[current]:font-semibold"
          >
            {name}
            <span
              className={`h-3 text-[9px] leading-3 ${worst ? (current === stage ? '' : TINT[worst]) : ''}`}
              title={worst ? `${open.length} open` : 'nothing open'}
            >
              {worst ? SIGNS[worst] : ''}
            </span>
          </button>
        );
      })}
    </nav>
  );
}
