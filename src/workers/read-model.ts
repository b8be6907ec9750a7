import loadOcct, { type Occt } from 'occt-import-js';
import wasm from 'occt-import-js/dist/occt-import-js.wasm?url';
import type { Model } from '../core/body/model';
import { readModel } from '../kernel/read-model';
import { warmUp } from '../kernel/warm-up';

/**
 * What the page asks for, and what it is told; the worker is thrown away after its answer.
 * `warm` has the CAD kernel loaded ahead, while a file is still being chosen or dragged.
 */
export type ReadRequest = { readonly bytes: Uint8Array; readonly name: string } | { readonly warm: true };
export type ReadAnswer =
  | { readonly doing: 'loading the CAD kernel' | 'reading and meshing' }
  | { readonly model: Model }
  | { readonly error: string };

const answer = (message: ReadAnswer) => postMessage(message);

let kernel: Promise<Occt> | null = null;
const loadKernel = () => (kernel ??= loadOcct({ locateFile: () => wasm }));

addEventListener('message', ({ data }: MessageEvent<ReadRequest>) => {
  if ('warm' in data) {
    // a kernel that cannot be loaded is told once a file needs it
    loadKernel().then(warmUp, () => (kernel = null));
    return;
  }
  const load = async () => {
    answer({ doing: 'loading the CAD kernel' });
    const loaded = await loadKernel();
    answer({ doing: 'reading and meshing' });
    return loaded;
  };
  readModel(data.bytes, data.name, load).then(
    (read) => answer(read.ok ? { model: read.value } : { error: read.error }),
    (error: unknown) => answer({ error: `The model could not be read: ${String(error)}.` }),
  );
});
