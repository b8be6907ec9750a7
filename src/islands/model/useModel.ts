import { useEffect, useRef, useState } from 'react';
import { whatIsMissing, whyNotRead, type Model } from '../../core/body/model';
import type { SeatResult } from '../../core/body/seat';
import type { LoadedModel } from '../../core/body/loaded';
import type { ModelIntent } from '../../core/document/document';
import { keyOf } from '../../kernel/inside';
import { intentOfPose } from '../../core/footprint/imported';
import { useBench } from '../state/context';
import { shelf } from '../common/shelf-store';
import { readInWorker, seatInWorker } from './in-worker';

/** What goes on with a model, in words for the person. */
export type ModelState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'busy'; readonly doing: string; readonly share: number | null }
  | { readonly kind: 'failed'; readonly reason: string }
  | {
      readonly kind: 'seated';
      readonly result: SeatResult;
      readonly took: number;
      readonly read: string | null;
    };

/** Makes a model ready; what that takes comes with the first one. */
const madeReady = async (model: Model): Promise<LoadedModel | null> =>
  (await import('../../core/body/loaded')).loadedModel(model);

/** Brings models from files onto the footprint, and seats them. */
export function useModel() {
  const [state, setState] = useState<ModelState>({ kind: 'idle' });
  const edit = useBench((s) => s.edit);
  const giveModel = useBench((s) => s.giveModel);
  const missing = useBench((s) => {
    const key = s.document.body?.model?.key;
    return key && s.models.get(key) === null ? key : null;
  });
  const footprint = useBench((s) => s.derived.shown?.drawable.footprint);
  const job = useRef<AbortController | null>(null);
  useEffect(() => () => job.current?.abort(), []);
  const begin = () => {
    job.current?.abort();
    job.current = new AbortController();
    return job.current.signal;
  };
  const busy = (doing: string, share: number | null = null) => setState({ kind: 'busy', doing, share });

  /**
   * Seats a model and writes its pose; one step of undo with what else is edited.
   * @param meanwhile is done while the seat is looked for
   */
  const seatModel = async (
    model: Model,
    intent: ModelIntent,
    read: string | null,
    signal: AbortSignal,
    meanwhile: () => Promise<void>,
  ) => {
    if (!footprint)
      return setState({
        kind: 'failed',
        reason: 'There are no lands to seat it on yet; complete Measure first.',
      });
    const begun = performance.now();
    busy('seating', 0);
    const meshes = model.parts.map(({ mesh }) => mesh);
    const { groundOf } = await import('../../core/footprint/ground');
    const seating = seatInWorker(meshes, groundOf(footprint), signal, (share) => busy('seating', share));
    const [seated] = await Promise.all([seating, meanwhile()]);
    if (signal.aborted) return setState({ kind: 'idle' });
    if (!seated.ok) return setState({ kind: 'failed', reason: seated.error });
    const result = seated.value;
    if (!result) {
      edit([{ at: '/body/model', value: intent }]);
      return setState({
        kind: 'failed',
        reason:
          'No contact of the model comes near a land or hole in any turn. It was put in as it is; place it by hand.',
      });
    }
    edit([{ at: '/body/model', value: intentOfPose(intent, result.best.pose) }]);
    setState({ kind: 'seated', result, took: performance.now() - begun, read });
  };

  return {
    state,
    cancel() {
      job.current?.abort();
      setState({ kind: 'idle' });
    },
    /** Reads a file, keeps it, and seats it. A file that cannot be read leaves the document as it is. */
    async open(file: File) {
      const why = whyNotRead(file.name, file.size);
      if (why) return setState({ kind: 'failed', reason: why });
      const signal = begin();
      busy('opening the file');
      try {
        const bytes = new Uint8Array(await file.arrayBuffer());
        const read = await readInWorker(bytes, file.name, signal, (doing) => busy(doing));
        if (signal.aborted) return setState({ kind: 'idle' });
        if (!read.ok) return setState({ kind: 'failed', reason: read.error });
        const model = read.value;
        const key = await keyOf(bytes);
        const keep = async () => {
          const loaded = await madeReady(model);
          if (!loaded) throw new Error('it has no surface in it; export the solid body');
          await shelf.models.put(file.name, bytes, model);
          giveModel(key, loaded);
        };
        // the file that was missing comes back to where the document has it
        if (missing === key) {
          await keep();
          return setState({ kind: 'idle' });
        }
        await seatModel(model, { name: file.name, key }, whatIsMissing(model), signal, keep);
      } catch (error) {
        if (signal.aborted) return;
        job.current?.abort();
        const why = error instanceof Error ? error.message : String(error);
        setState({
          kind: 'failed',
          reason: `“${file.name}” could not be opened: ${why}. Nothing was changed.`,
        });
      }
    },
    /** Seats the model that is there once more. */
    async again(model: Model, intent: ModelIntent) {
      await seatModel(model, intent, null, begin(), async () => {});
    },
  };
}

/** Fetches the file of the document's model from this browser's storage; reads it where that was not done yet. */
export function useStoredModel(): void {
  const key = useBench((s) => s.document.body?.model?.key);
  const known = useBench((s) => (key ? s.models.has(key) : true));
  const giveModel = useBench((s) => s.giveModel);
  useEffect(() => {
    if (!key || known) return;
    const stop = new AbortController();
    const fetchModel = async () => {
      const stored = await shelf.models.get(key);
      let model = stored?.model ?? null;
      if (stored && !model) {
        const read = await readInWorker(stored.bytes, stored.name, stop.signal, () => {});
        if (read.ok) {
          model = read.value;
          await shelf.models.put(stored.name, stored.bytes, model);
        }
      }
      if (!stop.signal.aborted) giveModel(key, model && (await madeReady(model)));
    };
    fetchModel().catch(() => giveModel(key, null));
    return () => stop.abort();
  }, [key, known, giveModel]);
}
