import { useState } from 'react';
import { WhyCard } from '../../ledger/WhyCard';
import { useBench } from '../context';
import { useGroup } from '../useGroup';
import { GroupChoice } from './land/GroupChoice';
import { LevelTable } from './land/LevelTable';
import { Recommended } from './land/Recommended';
import { SetByHand } from './land/SetByHand';
import { Rounding, Trims } from './land/Trims';

/** The land pattern: levels beside each other, the datasheet's own, what is set by hand, and why. */
export function Land() {
  const shown = useBench((s) => s.derived.shown);
  const [why, setWhy] = useState<string | null>(null);
  const group = useGroup();
  const levels = shown?.drawable.levels;
  const used = shown?.drawable.footprint.solutions[group];
  if (!levels || !used) {
    return (
      <>
        <h1 className="text-[15px] font-semibold">Land</h1>
        <p className="text-secondary mt-2">
          {shown ? 'This part has no lands.' : 'The lands are computed once Measure has all its dimensions.'}
        </p>
      </>
    );
  }
  return (
    <>
      <h1 className="text-[15px] font-semibold">Land</h1>
      <p className="text-secondary" title={used.source}>
        {used.title}
      </p>
      <GroupChoice current={group} />
      <LevelTable levels={levels} group={group} why={why} onWhy={setWhy} />
      <SetByHand solution={used} />
      <Recommended group={group} />
      {used.kind === 'span' && <Rounding solution={used} />}
      <Trims solution={used} />
      <WhyCard symbol={why} />
    </>
  );
}
