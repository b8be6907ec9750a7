import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import type { TableAsk } from '../../workers/jobs/read-table';
import { habits } from '../common/shelf-store';

/** Makers' letters that are kept under names. */
export const useHabits = () => useLiveQuery(() => habits.list(), []) ?? [];

const NONE = {};

/** What a maker's letters meant last time, by family; nothing for a name that is not known. */
export function useKnownLetters(name: string | null): TableAsk['letters'] {
  const all = useHabits();
  const known = all.find((habit) => habit.name === name);
  return useMemo(() => known?.letters ?? NONE, [known]);
}
