import { createStore } from 'zustand/vanilla';
import type { BenchStore } from './bench';

/** The Bench that is open in this page, for what lies beside all places. */
export const openedBench = createStore<{ readonly bench: BenchStore | null }>(() => ({ bench: null }));
