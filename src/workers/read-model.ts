import loadOcct from 'occt-import-js';
import wasm from 'occt-import-js/dist/occt-import-js.wasm?url';
import type { Model } from '../core/body/model';
import { readModel } from '../kernel/read-model';

/** What the page asks for, and what it is told; the worker is thrown away after its answer. */
export interface ReadRequest {
  readonly bytes: Uint8Array;
  readonly name: string;
}
export type ReadAnswer =
  | { readonly doing: 'loading the CAD kernel' | 'reading and meshing' }
  | { readonly model: Model }
  | { readonly error: string };

const answer = (message: ReadAnswer) => postMessage(message);

addEventListener('message', ({ data: { bytes, name } }: MessageEvent<ReadRequest>) => {
  const load = async () => {
    answer({ doing: 'loading the CAD kernel' });
    const kernel = await loadOcct({ locateFile: () => wasm });
    answer({ doing: 'reading and meshing' });
    return kernel;
  };
  readModel(bytes, name, load).then(
    (read) => answer(read.ok ? { model: read.value } : { error: read.error }),
    (error: unknown) => answer({ error: `The model could not be read: ${String(error)}.` }),
  );
});
