import loadOcct, { type Occt } from 'occt-import-js';
import wasm from 'occt-import-js/dist/occt-import-js.wasm?url';
import type { Model } from '../core/body/model';
import { readModel } from '../kernel/read-model';
import { warmUp } from '../kernel/warm-up';
import { serveJobs, type Job } from './serve-jobs';

// A worker of its own, as it holds foreign code: the CAD kernel makes code at run time, which nothing else may.

let kernel: Promise<Occt> | null = null;
const loadKernel = () => (kernel ??= loadOcct({ locateFile: () => wasm }));

/** Reads the file of a model. @throws Error saying why it cannot be read */
async function read(
  { bytes, name }: { readonly bytes: Uint8Array; readonly name: string },
  tell: (doing: 'loading the CAD kernel' | 'reading and meshing') => void,
): Promise<Model> {
  const done = await readModel(bytes, name, async () => {
    tell('loading the CAD kernel');
    const loaded = await loadKernel();
    tell('reading and meshing');
    return loaded;
  });
  if (!done.ok) throw new Error(done.error);
  return done.value;
}

/** Has the kernel loaded ahead, while a file is still being chosen or dragged. */
async function warm(_: null): Promise<null> {
  // a kernel that cannot be loaded is told once a file needs it
  await loadKernel().then(warmUp, () => (kernel = null));
  return null;
}

const JOBS = {
  read: () => Promise.resolve(read),
  warm: () => Promise.resolve(warm),
} satisfies Readonly<Record<string, Job>>;

export type ModelJobs = typeof JOBS;

serveJobs(JOBS);
