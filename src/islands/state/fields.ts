import { createContext, useContext } from 'react';
import { useStore, type StoreApi } from 'zustand';
import type { SheetUnit } from '../../core/document/document';
import type { Field } from '../../core/document/fields';
import type { DisplayUnit } from '../../core/units/length';
import type { Workplace } from './workplace';

/** What fields read of the place that they stand in, and how they change its document. */
export interface FieldState extends Pick<Workplace<object>, 'edit' | 'abandon'> {
  readonly document: object;
  readonly unit: DisplayUnit;
}

/** What a place tells its fields. */
export interface FieldHost {
  readonly store: Pick<StoreApi<FieldState>, 'getState' | 'getInitialState' | 'subscribe'>;
  /** The table that says what stands where in the document, what it is called and between which limits it lies. */
  readonly table: Field;
  /** The unit in which the document reads plain numbers at a place, and whether they are shown as they stand. */
  readonly readsAt: (at: string) => { readonly unit: SheetUnit; readonly asTyped: boolean };
  /** Why what stands at a place of the document cannot be used, in words. */
  readonly faultAt: (at: string) => string | undefined;
}

/** The place that fields stand in. */
export const FieldContext = createContext<FieldHost | null>(null);

export function useFieldHost(): FieldHost {
  const host = useContext(FieldContext);
  if (!host) throw new Error('a field stands outside of a place that has a document');
  return host;
}

/** Reads a part of the state that fields stand in; the component follows its changes. */
export function useFieldState<T>(select: (state: FieldState) => T): T {
  return useStore(useFieldHost().store, select);
}
