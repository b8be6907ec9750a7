import { createStore } from 'zustand/vanilla';
import { keepLook, keptLook } from './look';

const KEY = 'tapis-tour';

/** At which step of the tour one is; `null` while nobody takes it. It goes on after the page was closed. */
export const tour = createStore<{ readonly step: number | null }>(() => {
  const kept = Number.parseInt(keptLook(KEY) ?? '', 10);
  return { step: kept >= 0 ? kept : null };
});

tour.subscribe(({ step }) => keepLook(KEY, step === null ? '' : String(step)));

/** Goes to a step of the tour, or leaves it. */
export function goTour(step: number | null): void {
  tour.setState({ step });
}
