// npm run bench:batch: ten thousand documents in a folder through the terminal's batch, beside a bare loop of
// compile and check over the same documents, already read, in as many threads.
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { batch } from '../src/cli/batch';
import { writeDocument } from '../src/core/document/write';
import { DEMO_DOCUMENTS } from '../src/demo/documents';
import type { BareTask } from './batch-bare';

const COUNT = 10_000;
const threads = availableParallelism();

/** Documents are told apart by their names only; every one is read and worked on anew. */
function fill(folder: string): void {
  for (let i = 0; i < COUNT; i += 1) {
    const document = DEMO_DOCUMENTS[i % DEMO_DOCUMENTS.length] as (typeof DEMO_DOCUMENTS)[number];
    const into = join(folder, String(i % 100));
    mkdirSync(into, { recursive: true });
    writeFileSync(
      join(into, `${i}.tapis.json`),
      writeDocument({ ...document, name: `${document.name} ${i}` }),
    );
  }
}

/** Seconds that threads take for a bare loop over the documents. */
async function bareLoop(): Promise<number> {
  const pool = new Piscina<BareTask, number>({
    filename: new URL('./batch-bare.ts', import.meta.url).href,
    name: 'bareLoop',
    minThreads: threads,
    maxThreads: threads,
    execArgv: ['--import', 'tsx'],
  });
  const shares = Array.from({ length: threads }, (_, thread) => pool.run({ count: COUNT, thread, threads }));
  const seconds = Math.max(...(await Promise.all(shares)));
  await pool.destroy();
  return seconds;
}

const folder = mkdtempSync(join(tmpdir(), 'tapis-batch-'));
try {
  fill(folder);
  const rows = [];
  for (let run = 0; run < 2; run += 1) {
    const bare = await bareLoop();
    const began = performance.now();
    await batch(folder, { check: true }, () => {});
    const whole = (performance.now() - began) / 1000;
    rows.push({
      documents: COUNT,
      'batch, a second per processor': Math.round(COUNT / whole / threads),
      'bare loop, a second per processor': Math.round(COUNT / bare / threads),
      'batch / bare': Number((whole / bare).toFixed(2)),
    });
  }
  console.table(rows);
} finally {
  rmSync(folder, { recursive: true });
}
