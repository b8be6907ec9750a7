import { check } from '../src/core/check/check';
import { compile } from '../src/core/footprint/compile';
import { DEMO_DOCUMENTS } from '../src/demo/documents';

/** A thread's share of the bare loop that the batch is held against. */
export interface BareTask {
  readonly count: number;
  readonly thread: number;
  readonly threads: number;
}

/** @returns how many seconds the loop took */
export function bareLoop({ count, thread, threads }: BareTask): number {
  const began = performance.now();
  for (let i = thread; i < count; i += threads) {
    const document = DEMO_DOCUMENTS[i % DEMO_DOCUMENTS.length] as (typeof DEMO_DOCUMENTS)[number];
    // as documents that were read: nothing of one is another's
    check(compile(structuredClone({ ...document, name: `${document.name} ${i}` })));
  }
  return (performance.now() - began) / 1000;
}
