import { useMemo } from 'react';
import { outlineThings, thingsAmong, type Thing } from '../../core/ruler/things';
import type { CompiledTrial } from '../../core/trial/trial';
import { RulerLayer, type RulerView } from '../ruler/RulerLayer';
import { RulerPanel } from '../ruler/RulerPanel';
import { nextLaid } from '../state/bench-view';
import { useTrial, useTrialStore } from './state';

/** What can be measured from on a board: its edges, and everything flat of its parts. */
function boardThings({ board, parts, process }: CompiledTrial): Thing[] {
  return [
    ...outlineThings('board', 'board', board.figure),
    ...parts.flatMap(({ id, reference, footprint }) => thingsAmong(id, reference, footprint, process)),
  ];
}

const NONE: readonly Thing[] = [];

function useThings(shown: CompiledTrial): readonly Thing[] {
  const isOn = useTrial((s) => s.ruler !== null);
  return useMemo(() => (isOn ? boardThings(shown) : NONE), [shown, isOn]);
}

/** The ruler over the plan of a board. */
export function TrialRulerLayer({ shown, plan }: { shown: CompiledTrial; plan: RulerView }) {
  const store = useTrialStore();
  const laid = useTrial((s) => s.ruler);
  const unit = useTrial((s) => s.unit);
  const things = useThings(shown);
  if (!laid) return null;
  return (
    <RulerLayer
      views={[plan]}
      things={things}
      laid={laid}
      kept={[]}
      unit={unit}
      onPick={(id) => store.getState().set({ ruler: nextLaid(laid, id) })}
    />
  );
}

export function TrialRulerPanel({ shown }: { shown: CompiledTrial }) {
  const store = useTrialStore();
  const laid = useTrial((s) => s.ruler);
  const unit = useTrial((s) => s.unit);
  const things = useThings(shown);
  if (!laid) return null;
  return (
    <RulerPanel
      things={things}
      laid={laid}
      unit={unit}
      onLay={(next) => store.getState().set({ ruler: next })}
      onClose={() => store.getState().set({ ruler: null })}
      groups={shown.parts.map(({ id, reference, footprint }) => [
        reference,
        footprint.lands.map((land) => `${id}/land:${land.id}`),
      ])}
    />
  );
}
