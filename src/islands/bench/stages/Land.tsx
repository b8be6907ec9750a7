import { useState } from 'react';
import { inUnit } from '../../../core/units/in-words';
import { WhyCard } from '../../ledger/WhyCard';
import { useBench } from '../../state/context';
import { lettersOf } from '../../state/letters';
import { useGroup } from '../../state/useGroup';
import { GroupChoice } from './land/GroupChoice';
import { later } from '../../common/later';
import { LevelTable } from './land/LevelTable';
import { Recommended } from './land/Recommended';
import { SetByHand } from './land/SetByHand';
import { Rounding, Trims } from './land/Trims';

// what differs between standards is told where one is chosen
const StandardChoice = later(
  'The standards',
  async () => (await import('./land/StandardChoice')).StandardChoice,
  <div className="mt-2 h-12" />,
);

/** The land pattern: levels beside each other, the datasheet's own, what is set by hand, and why. */
export function Land() {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  const selectedLand = useBench((s) => s.selectedLand);
  const unit = useBench((s) => s.unit);
  const letters = useBench(lettersOf);
  const set = useBench((s) => s.set);
  const [why, setWhy] = useState<string | null>(null);
  const group = useGroup();
  if (!drawable?.levels || !group) {
    return (
      <>
        <h1 className="text-[15px] font-semibold">Land</h1>
        <p className="text-secondary mt-2">
          {drawable
            ? 'This part has no lands.'
            : 'The lands are computed once Measure has all its dimensions.'}
        </p>
      </>
    );
  }
  return (
    <>
      <h1 className="text-[15px] font-semibold">Land</h1>
      <p className="text-secondary" title={group.source}>
        {inUnit(group.title, unit)}
      </p>
      <GroupChoice footprint={drawable.footprint} current={group} />
      <StandardChoice />
      <LevelTable levels={drawable.levels} group={group} why={why} onWhy={setWhy} />
      <SetByHand group={group} />
      <Recommended drawable={drawable} group={group} />
      {group.kind === 'span' && <Rounding group={group} />}
      <Trims group={group} />
      <WhyCard
        letters={letters}
        drawable={drawable}
        selectedLand={selectedLand}
        unit={unit}
        symbol={why}
        onPoint={(symbol) => set({ activeDimension: symbol })}
      />
    </>
  );
}
