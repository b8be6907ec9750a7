import { createStore, type StoreApi } from 'zustand';
import type { KeptHistory } from '../../core/document/history';
import { processFieldTitle } from '../../core/document/process-file';
import { checkProcess } from '../../core/document/read-process';
import type { Process } from '../../core/process/process';
import type { StoredProcess } from '../../store/database';
import { processes } from '../common/shelf-store';
import { workplace, type DocumentKind, type Workplace } from '../state/workplace';

/** One process of the person's own that is worked on. */
export type ProcessState = Workplace<Process, StoredProcess>;
export type ProcessWork = StoreApi<ProcessState>;

const PROCESSES_KIND: DocumentKind<Process, StoredProcess> = {
  keeper: processes,
  wordsOf: (places) => [...new Set(places.map((at) => processFieldTitle(at.slice(1))))].join(', '),
  whyNotKept(process) {
    const read = checkProcess(process);
    return read.ok ? null : (read.error[0]?.message ?? 'This cannot be kept.');
  },
};

/** Makes the state of one process, saved as it changes. */
export function createProcess(stored: StoredProcess, kept: KeptHistory | null): ProcessWork {
  return createStore<ProcessState>((set, get) =>
    workplace(PROCESSES_KIND, stored, kept, { get, set, show: (document) => set({ document }) }),
  );
}
