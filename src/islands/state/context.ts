import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { BenchState, BenchStore } from './bench';

/** The Bench that a component belongs to. */
export const BenchContext = createContext<BenchStore | null>(null);

/** Reads a part of the Bench's state; the component follows its changes. */
export function useBench<T>(select: (state: BenchState) => T): T {
  const store = useContext(BenchContext);
  if (!store) throw new Error('useBench is called outside of a Bench');
  return useStore(store, select);
}
