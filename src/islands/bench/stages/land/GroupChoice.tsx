import type { Footprint } from '../../../../core/footprint/footprint';
import type { SolvedGroup } from '../../../../core/land/solution';
import { Chips } from '../../../common/inputs';
import { useBench } from '../../../state/context';

interface Props {
  footprint: Footprint;
  current: SolvedGroup;
}

/** Which group of lands is shown, where a package has several; the Sheet selects a land of it. */
export function GroupChoice({ footprint: { groups, lands }, current }: Props) {
  const set = useBench((s) => s.set);
  if (groups.length < 2) return null;
  return (
    <Chips
      label="Group of lands"
      value={current.terminals.id}
      options={groups.map(({ terminals }) => [terminals.id, terminals.title] as const)}
      onChoose={(id) => set({ selectedLand: lands.findIndex(({ group }) => group === id) })}
    />
  );
}
