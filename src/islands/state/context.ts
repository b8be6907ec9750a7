import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import { CHOICES } from '../../core/document/intent';
import type { BenchState, BenchStore } from './bench';
import type { FieldHost } from './fields';

/** The Bench that a component belongs to. */
export const BenchContext = createContext<BenchStore | null>(null);

/** Reads a part of the Bench's state; the component follows its changes. */
export function useBench<T>(select: (state: BenchState) => T): T {
  const store = useContext(BenchContext);
  if (!store) throw new Error('useBench is called outside of a Bench');
  return useStore(store, select);
}

/** What the Bench tells its fields. */
export function benchFields(store: BenchStore): FieldHost {
  return {
    store,
    table: CHOICES,
    readsAt(at) {
      const { document } = store.getState();
      const sheet = document.package.unit ?? 'mm';
      // the datasheet's own pattern stands in the unit of its table
      return at.startsWith('/recommended')
        ? { unit: document.recommended?.unit ?? sheet, asTyped: true }
        : { unit: sheet, asTyped: false };
    },
    faultAt: (at) =>
      store.getState().derived.report.findings.find(({ place }) => place.field === at)?.message,
  };
}
