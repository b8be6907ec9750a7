import { pointerKey } from '../../core/document/edit';
import type { SettableSize } from '../../core/land/solution';
import { useBench } from '../state/context';
import { useFault, type Fault } from './fault';
import { LEAVE, useField, type EntryField, type OnDone } from './useEntry';
import { useUnits } from './useUnits';

/** What is wrong with a land size of one group. */
export function useLandFault(group: string, size: SettableSize): Fault {
  return useFault(`/overrides/lands/${pointerKey(group)}/${size}`, `/overrides/land/${size}`);
}

/** The field of a land size of one group; clearing it also clears what was set for every group. */
export function useLandField(group: string, size: SettableSize, onDone: OnDone = LEAVE): EntryField {
  const text = useBench(({ document: { overrides } }) => {
    const every: Readonly<Partial<Record<SettableSize, string>>> = overrides?.land ?? {};
    return overrides?.lands?.[group]?.[size] ?? every[size] ?? '';
  });
  const edit = useBench((s) => s.edit);
  const units = useUnits('/overrides');
  return useField(
    units.shown(text),
    (typed, gesture) => {
      const next = units.kept(typed);
      edit(
        [
          { at: `/overrides/land/${size}`, value: undefined },
          { at: `/overrides/lands/${pointerKey(group)}/${size}`, value: next === '' ? undefined : next },
        ],
        gesture,
      );
    },
    onDone,
  );
}
