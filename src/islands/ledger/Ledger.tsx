import { memo } from 'react';
import { MISSING, type Finding } from '../../core/document/finding';
import { ChangeCard } from './ChangeCard';
import { summary } from './effect';
import { FindingCard } from './FindingCard';
import { JointGauge } from './JointGauge';
import { LEDGER_COLUMN, LedgerHead } from './LedgerHead';
import type { LedgerActions, LedgerView } from './view';
import { WhyCard } from './WhyCard';

interface Props {
  view: LedgerView;
  actions: LedgerActions;
}

/** Findings by number, the joint of the selected land, and where its sizes come from. */
export const Ledger = memo(function Ledger({ view, actions }: Props) {
  const { report, checking, drawable, selectedLand, unit, letters, explains, change } = view;
  return (
    <aside
      className={LEDGER_COLUMN}
      aria-label="Ledger"
      // with nothing in it that takes the focus, it is scrolled by keys itself
      {...(report.findings.length === 0 ? { tabIndex: 0 } : {})}
    >
      <LedgerHead summary={checking ? null : summary(report)} />
      {change && <ChangeCard change={change} unit={unit} onClose={actions.putAway} />}
      <div className="mt-1">
        <StillToEnter findings={report.findings} goTo={actions.goTo} />
        {report.findings.map(
          (finding, i) =>
            finding.rule !== MISSING && (
              <FindingCard
                key={`${finding.rule} ${finding.title} ${i}`}
                finding={finding}
                index={i}
                view={view}
                actions={actions}
              />
            ),
        )}
      </div>
      {drawable && <JointGauge drawable={drawable} selectedLand={selectedLand} unit={unit} />}
      {drawable && explains && (
        <WhyCard
          drawable={drawable}
          selectedLand={selectedLand}
          unit={unit}
          letters={letters}
          onPoint={actions.point}
        />
      )}
    </aside>
  );
});

interface StillProps extends Pick<LedgerActions, 'goTo'> {
  findings: readonly Finding[];
}

/** Dimensions that were not entered yet, together; pressing one goes to its field. */
function StillToEnter({ findings, goTo }: StillProps) {
  const missing = findings.filter(({ rule }) => rule === MISSING);
  if (missing.length === 0) return null;
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
