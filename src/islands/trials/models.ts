import { useEffect } from 'react';
import { shelf } from '../common/shelf-store';
import { readInWorker } from '../model/in-worker';
import { useTrial, useTrialStore } from './state';

/** Fetches the imported models of the placed footprints from this browser's storage. */
export function useTrialModels(): void {
  const store = useTrialStore();
  const footprints = useTrial((s) => s.document.footprints);
  useEffect(() => {
    const stop = new AbortController();
    const fetchModels = async () => {
      const keys = new Set(
        Object.values(footprints ?? {}).flatMap(({ document }) => document.body?.model?.key ?? []),
      );
      for (const key of keys) {
        if (store.getState().models.has(key)) continue;
        const stored = await shelf.models.get(key);
        let model = stored?.model ?? null;
        if (stored && !model) {
          const read = await readInWorker(stored.bytes, stored.name, stop.signal, () => {});
          if (read.ok) model = read.value;
        }
        const { loadedModel } = await import('../../core/body/loaded');
        if (stop.signal.aborted) return;
        store.getState().giveModel(key, model && loadedModel(model));
      }
    };
    // a part whose model is not there is drawn with its own body
    fetchModels().catch(() => {});
    return () => stop.abort();
  }, [store, footprints]);
}
