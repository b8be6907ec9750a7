import { Worker } from 'node:worker_threads';
import { limitsOf } from './limits';
import type { Outcome } from './outcome';

// The work is done in a thread that can be ended: a file that takes too long or too much memory ends in a sentence.

// a reader that has seen enough, such as head, closes the pipe: that is no error
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  process.exit(error.code === 'EPIPE' ? 0 : 3);
});

/** How often it is looked what the thread holds, ms. */
const WATCH = 100;

const args = process.argv.slice(2);
const { seconds, mb } = limitsOf(args);

const isSource = import.meta.url.endsWith('.ts');
const thread = new Worker(new URL(isSource ? './thread.ts' : './thread.mjs', import.meta.url), {
  workerData: args,
  ...(mb === null ? {} : { resourceLimits: { maxOldGenerationSizeMb: mb } }),
});

/** Says why, and ends with what a refusal ends with. */
function giveUp(why: string): void {
  process.stderr.write(`${args[0] ?? ''}: ${why} and was given up.\n`);
  process.exit(2);
}

if (seconds !== null) setTimeout(() => giveUp(`it took longer than ${seconds} s`), seconds * 1000).unref();
if (mb !== null)
  setInterval(() => {
    if (process.memoryUsage.rss() > mb * 1e6) giveUp(`it needs more memory than ${mb} MB`);
  }, WATCH).unref();

thread.on('message', (told: Outcome | string) => {
  if (typeof told === 'string') return void process.stdout.write(told);
  process.stdout.write(told.out);
  process.stderr.write(told.err);
  process.exitCode = told.code;
  // what was given up half way may go on for long
  void thread.terminate();
});
thread.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') return giveUp('it needs more memory than there is for it');
  process.stderr.write(`Tapis has met a fault: ${error.message}. The file is as it was.\n`);
  process.exitCode = 3;
});
